<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainRule;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\TrialCheck;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** What is wrong with a test as it was taken down, each beside the number that it is about. */
final class BenchCheck
{
    /** Whether a number is wrong in itself, so that nothing more is asked of it. */
    private bool $hasFault = false;

    public function __construct(
        private readonly BenchData $data,
        private readonly ?Proportions $proportions,
        private readonly ExecutionContextInterface $context,
    ) {
    }

    public function all(): void
    {
        if ($this->data->test->definition->formula->isSeated() && null === $this->data->seatCm()) {
            $this->say('bench.seat.range', 'seat');
        }
        foreach (array_keys($this->data->trials) as $i) {
            foreach ($this->data->test->fields as $field) {
                $this->checkNumber($i, $field);
            }
        }
        $started = array_filter($this->data->sides, $this->data->isStarted(...));
        if ([] === $started) {
            $this->say('progress.nothing', 'trials[0]['.$this->data->test->fields[0]->name().']');
        }
        foreach ($started as $side) {
            $this->checkSide($side);
            // Nobody asks about a side that was not tested.
            $this->context
                ->getValidator()
                ->inContext($this->context)
                ->atPath('pain'.ucfirst($side->value))
                ->validate($this->data->pain($side));
        }
    }

    private function checkNumber(int $i, BenchField $field): void
    {
        $path = "trials[$i][{$field->name()}]";
        if ('' === $this->data->text($i, $field)) {
            return;
        }
        $value = $this->data->value($i, $field);
        if (null === $value) {
            $this->say(
                match (true) {
                    'cm' !== $field->unit => 'number.any',
                    'in' === $this->data->lengths() => 'number.inches',
                    default => 'number.cm',
                },
                $path,
            );

            return;
        }
        // In cm, whatever it was written in.
        if (!TrialCheck::isInRange($this->data->test->definition, $field->measure, $value)) {
            [$least, $most] = TrialCheck::range($this->data->test->definition, $field->measure);
            $this->say('number.between', $path, [
                'least' => (string) $least,
                'most' => (string) $most,
                'unit' => $field->unit,
            ]);
        }
    }

    private function checkSide(Side $side): void
    {
        $filled = array_values(
            array_filter(array_keys($this->data->trials), fn (int $i): bool => $this->data->isFilled($i, $side)),
        );
        foreach ($filled as $i) {
            foreach ($this->data->missing($i, $side) as $field) {
                $this->say('bench.missing', "trials[$i][{$field->name()}]");
            }
        }
        // A number that is wrong in itself leaves nothing to be said of the trials.
        if ($this->hasFault) {
            return;
        }
        // Nobody is asked to do again what hurt.
        $hurts = null !== PainRule::of($this->data->pain($side)->pain(), $side, $this->data->test->definition->work);
        if (count($filled) < $this->data->test->leastTrials() && !$hurts) {
            $next = array_values(array_diff(array_keys($this->data->trials), $filled))[0] ?? 0;
            $this->say(
                'bench.twice',
                "trials[$next][".$this->ownField($side)->name().']',
            );

            return;
        }
        if (null === $this->proportions) {
            return;
        }
        foreach ($this->data->readings($side) as $i => $trial) {
            if (
                !TrialCheck::isOfBody(
                    $this->data->test->definition,
                    $trial,
                    $side,
                    $this->data->tool,
                    new Sitting($this->data->seatCm() ?? 0.0),
                    $this->proportions,
                )
            ) {
                $this->say(
                    'bench.impossible',
                    "trials[$i][".$this->ownField($side)->name().']',
                );
            }
        }
    }

    /** The first field that is this side's own, or else the first it shares. */
    private function ownField(Side $side): BenchField
    {
        foreach ($this->data->test->fields as $field) {
            if ($field->side === $side) {
                return $field;
            }
        }

        return $this->data->test->fields[0];
    }

    /** @param array<string, string> $values */
    private function say(string $text, string $path, array $values = []): void
    {
        $this->hasFault = true;
        $this->context->buildViolation($text, $values)->atPath($path)->addViolation();
    }
}
