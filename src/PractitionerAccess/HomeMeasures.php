<?php

declare(strict_types=1);

namespace LucidAscent\App\PractitionerAccess;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Repository\AccessRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\TrialCheck;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * What a practitioner measures at home: heights and gaps that the teacher allowed, with a wider error until the teacher
 * has seen one.
 */
final readonly class HomeMeasures
{
    /** So many times what the teacher's own tape errs by (this product's own). */
    private const WIDER = 2.5;
    private const TRIALS = 2;

    public function __construct(
        private TestRecords $testRecords,
        private Catalogue $catalogue,
        private Records $records,
        private AccessRecords $own,
        private ReadPerson $person,
        private RecordPain $pain,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @return array<string, string> the names of those that may be allowed: lengths alone, of one side and the other,
     *     by id
     */
    public function possible(): array
    {
        $names = [];
        foreach ($this->catalogue->tests() as $id => $test) {
            if ($test->bothSides && [] !== $test->measured && ['cm'] === array_values(array_unique($test->measured))) {
                $names[$id] = $test->name;
            }
        }

        return $names;
    }

    /** @return array<string, array<string, mixed>> as the catalogue has them, by id: allowed, and held on no side */
    public function offered(Practitioner $practitioner): array
    {
        $holds = $this->person->holds($practitioner);
        $offered = [];
        foreach (array_keys(array_intersect_key($this->own->allowed($practitioner), $this->possible())) as $id) {
            $test = $this->catalogue->tests()[$id];
            if (May::take($holds, $test, Side::Left)->isYes() && May::take($holds, $test, Side::Right)->isYes()) {
                $offered[$id] = $this->catalogue->entry(Kind::Test, $id) ?? [];
            }
        }

        return $offered;
    }

    /**
     * @param array<mixed> $typed numbers by name, side and trial; and what hurts, by side
     *
     * @return array<string, string> what is wrong, by field; nothing when it was kept
     */
    public function keep(Practitioner $practitioner, string $test, array $typed, Uuid $entry): array
    {
        $definition = $this->catalogue->tests()[$test];
        $body = $this->records->body($practitioner)?->proportions();
        $pains = $faults = [];
        $trials = ['left' => [], 'right' => []];
        foreach (Side::cases() as $side) {
            $said = is_array($typed['pain'] ?? null) ? $typed['pain'][$side->value] ?? [] : [];
            $pains[$side->value] = RecordPain::typed($said);
            if ('' === trim(is_array($said) && is_string($said['level'] ?? null) ? $said['level'] : '')) {
                $faults["pain-$side->value"] = 'own_measure.pain.missing';
            }
            for ($i = 0; $i < self::TRIALS; ++$i) {
                foreach (array_keys($definition->measured) as $name) {
                    $text = $typed[$name][$side->value][$i] ?? '';
                    $number = is_string($text) ? str_replace(',', '.', trim($text)) : '';
                    if (!is_numeric($number) || !TrialCheck::isInRange($definition, $name, (float) $number)) {
                        $faults["$name-$side->value-$i"] = 'A number in cm, such as 12.5.';
                    } else {
                        $trials[$side->value][$i][$name] = (float) $number;
                    }
                }
                $isWhole = count($trials[$side->value][$i] ?? []) === count($definition->measured);
                if (
                    $isWhole
                    && null !== $body
                    && !TrialCheck::isOfBody(
                        $definition,
                        $trials[$side->value][$i],
                        $side,
                        Tool::Tape,
                        new Sitting(),
                        $body,
                    )
                ) {
                    $faults[array_key_first($definition->measured)."-$side->value-$i"] =
                        'own_measure.impossible';
                }
            }
        }
        $now = $this->clock->now();
        if ([] !== $faults) {
            // What hurt is never dropped because the rest is faulty.
            foreach ($pains as $side => $pain) {
                $this->pain->of(
                    $practitioner,
                    $practitioner->teacher,
                    $pain,
                    Side::from($side),
                    "own test $entry",
                    $test,
                );
            }

            return $faults;
        }
        if ($this->testRecords->hasEntry($practitioner, $entry)) {
            return [];
        }
        $isSeen = $this->own->allowed($practitioner)[$test] ?? false;
        $sd = self::WIDER * $this->testRecords->toolErrorsFor($practitioner)->sd(Tool::Tape, 'cm');
        $new = [];
        foreach (Side::cases() as $side) {
            /** @var Pain $pain */
            $pain = $pains[$side->value];
            $taken = new Test(
                Uuid::v7(),
                $entry,
                $practitioner,
                $practitioner->teacher,
                $test,
                $side,
                $now,
                Tool::Tape->value,
                0.0,
                $pain->level,
                $pain->place,
                $pain->kind,
                [],
                Rules::VERSION,
            );
            foreach ($trials[$side->value] as $trial) {
                $taken->add(
                    $trial,
                    array_map(static fn (float $cm): string => "$cm cm", $trial),
                    $isSeen ? [] : array_map(static fn (): float => $sd, $trial),
                );
            }
            array_push(
                $new,
                $taken,
                new FromPractitioner(
                    $taken->id,
                    $practitioner,
                    $now,
                    $pain->isFelt() ? FromPractitioner::PAIN : FromPractitioner::TEST,
                ),
            );
        }
        $this->records->addOnce(...$new);

        return [];
    }
}
