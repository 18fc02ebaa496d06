<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\App\Entity\Test;
use LucidAscent\App\Form\Data\PainData;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** A test as it is taken down on the bench: two or three trials of one or both sides, kept as typed. */
final class BenchData
{
    /** No seat prop is higher than a chair, in cm. */
    private const HIGHEST_SEAT = 50.0;

    /** Null where what was sent is no unit: the form says so. */
    public ?string $unit = 'cm';
    public Tool $tool = Tool::Tape;
    public ?string $seat = '0';

    /** @var array<int, array<string, string|null>> */
    public array $trials;

    /** @var list<string> */
    public array $compensationsLeft = [];
    /** @var list<string> */
    public array $compensationsRight = [];

    public ?string $restingLeft = '';
    public ?string $restingRight = '';

    public ?PainData $painLeft;
    public ?PainData $painRight;

    #[Assert\Length(max: 2000)]
    public ?string $note = '';

    /** Errors that a tool gave with its readings, as JSON: {"0": {"kneeHeight_left": 1.2}}. */
    public ?string $errors = '';

    /** @param list<Side> $sides those that may be tested */
    public function __construct(
        public readonly BenchTest $test,
        private readonly ?Proportions $proportions,
        public readonly array $sides,
    ) {
        $this->trials = array_fill(
            0,
            $test->mostTrials(),
            array_fill_keys(
                array_map(static fn (BenchField $field): string => $field->name(), $test->fields),
                null,
            ),
        );
        $this->painLeft = in_array(Side::Left, $sides, true) ? new PainData() : null;
        $this->painRight = in_array(Side::Right, $sides, true) ? new PainData() : null;
    }

    /** @param list<Test> $entry both sides of an earlier entry */
    public static function ofEntry(array $entry, BenchTest $test, ?Proportions $proportions): self
    {
        $data = new self($test, $proportions, array_map(static fn (Test $t): Side => $t->side, $entry));
        foreach ($entry as $taken) {
            $side = ucfirst($taken->side->value);
            $data->seat = (string) round($taken->seat, 3);
            $data->tool = Tool::tryFrom($taken->tool) ?? Tool::Tape;
            $data->note = $taken->note;
            $data->{"compensations$side"} = $taken->compensations;
            $data->{"resting$side"} = null === $taken->resting ? '' : ($taken->resting ? 'yes' : 'no');
            $data->{"pain$side"} = PainData::of($taken->pain());
            foreach ($taken->trials() as $i => $trial) {
                foreach ($test->fieldsOf($taken->side) as $field) {
                    if (isset($trial->readings[$field->measure])) {
                        // In cm, whatever it was written in: the exact length, if not the same text.
                        $data->trials[$i][$field->name()] = (string) round($trial->readings[$field->measure], 3);
                    }
                }
            }
        }

        return $data;
    }

    public function lengths(): string
    {
        return $this->unit ?? 'cm';
    }

    public function pain(Side $side): PainData
    {
        return (Side::Left === $side ? $this->painLeft : $this->painRight) ?? new PainData();
    }

    /** Whether anything was read on this side alone, or at all where both share it. */
    public function isStarted(Side $side): bool
    {
        return [] !== array_filter(array_keys($this->trials), fn (int $i): bool => $this->isFilled($i, $side));
    }

    /**
     * The trials of one side that have every number they need.
     *
     * @return array<int, array<string, float>> by trial, in cm, degrees and seconds
     */
    public function readings(Side $side): array
    {
        $trials = [];
        foreach (array_keys($this->trials) as $i) {
            $trial = [];
            foreach ($this->test->fieldsOf($side) as $field) {
                $value = $this->value($i, $field);
                if (null !== $value) {
                    $trial[$field->measure] = $value;
                } elseif ('' !== $this->text($i, $field)) {
                    // Half typed, or no number: the trial waits.
                    continue 2;
                }
            }
            if ($this->isFilled($i, $side) && [] === $this->missing($i, $side)) {
                $trials[$i] = $trial;
            }
        }

        return $trials;
    }

    /** @return array<string, string> what was typed, with its unit, by measure */
    public function entered(int $i, Side $side): array
    {
        $entered = [];
        foreach ($this->test->fieldsOf($side) as $field) {
            if ('' !== $this->text($i, $field)) {
                $entered[$field->measure] =
                    $this->text($i, $field).' '.('cm' === $field->unit ? $this->lengths() : $field->unit);
            }
        }

        return $entered;
    }

    /** @return array<string, float> one SD as the tool gave it, in cm or degrees, by measure */
    public function toolErrors(int $i, Side $side): array
    {
        $given = json_decode((string) $this->errors, true);
        $errors = [];
        foreach ($this->test->fieldsOf($side) as $field) {
            $sd = is_array($given) && is_array($given[$i] ?? null) ? $given[$i][$field->name()] ?? null : null;
            if ((is_float($sd) || is_int($sd)) && $sd >= 0 && $sd <= ToolErrors::MOST) {
                $errors[$field->measure] = (float) $sd;
            }
        }

        return $errors;
    }

    /** @return list<string> */
    public function compensations(Side $side): array
    {
        return Side::Left === $side ? $this->compensationsLeft : $this->compensationsRight;
    }

    public function resting(Side $side): ?bool
    {
        return match (Side::Left === $side ? $this->restingLeft : $this->restingRight) {
            'yes' => true,
            'no' => false,
            default => null,
        };
    }

    /**
     * One side as the rules take it; null while it has no whole trial.
     *
     * @throws InvalidValue when a number could not have been read
     */
    public function taken(Side $side, ?\DateTimeImmutable $on = null): ?TakenTest
    {
        $trials = $this->readings($side);
        $errors = [];
        foreach (array_keys($trials) as $i) {
            foreach ($this->toolErrors($i, $side) as $name => $sd) {
                $errors[$name] = max($sd, $errors[$name] ?? 0.0);
            }
        }

        return [] === $trials
            ? null
            : (new TakenTest(
                $this->test->id(),
                $side,
                $this->tool,
                array_values($trials),
                $this->compensations($side),
                $this->pain($side)->pain(),
                $on,
                new Sitting($this->seatCm() ?? 0.0),
                $this->resting($side),
                $errors,
            ))->check();
    }

    /** @return float|null in cm; null when it is no height of a seat */
    public function seatCm(): ?float
    {
        $seat = ReadingText::value((string) $this->seat, 'cm', $this->lengths());

        return null !== $seat && $seat >= 0.0 && $seat <= self::HIGHEST_SEAT ? $seat : null;
    }

    #[Assert\Callback]
    public function isReadable(ExecutionContextInterface $context): void
    {
        (new BenchCheck($this, $this->proportions, $context))->all();
    }

    public function isFilled(int $i, Side $side): bool
    {
        $own = array_filter(
            $this->test->fieldsOf($side),
            static fn (BenchField $field): bool => null !== $field->side,
        );
        foreach ([] === $own ? $this->test->fieldsOf($side) : $own as $field) {
            if ('' !== $this->text($i, $field)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<BenchField> what a trial lacks; an angle stands in for what it would be computed from */
    public function missing(int $i, Side $side): array
    {
        $fields = $this->test->fieldsOf($side);
        foreach ($fields as $field) {
            if ('angle' === $field->measure && '' !== $this->text($i, $field)) {
                return [];
            }
        }

        return array_values(
            array_filter(
                $fields,
                fn (BenchField $field): bool => $field->isNeeded && '' === $this->text($i, $field),
            ),
        );
    }

    public function text(int $i, BenchField $field): string
    {
        return trim($this->trials[$i][$field->name()] ?? '');
    }

    public function value(int $i, BenchField $field): ?float
    {
        return ReadingText::value($this->text($i, $field), $field->unit, $this->lengths());
    }
}
