<?php

declare(strict_types=1);

namespace LucidAscent\App\Reading;

use LucidAscent\App\Bench\Holds;
use LucidAscent\App\Bench\PersonCapacity;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Effect;
use LucidAscent\Core\Caution\StopSign;
use LucidAscent\Core\Progression\Step;
use LucidAscent\Core\Readiness\KnownPerson;
use LucidAscent\Core\Readiness\ReadPoses;

/** A person as the records knew them at a moment: nothing that was written down later is in it. */
final readonly class PersonOn
{
    public function __construct(
        private Records $records,
        private Catalogue $catalogue,
        private PersonCapacity $capacity,
        private Holds $holds,
    ) {
    }

    /** @return ReadPoses|null null when the body had not been measured by then */
    public function at(Practitioner $practitioner, \DateTimeImmutable $moment): ?ReadPoses
    {
        $by = static fn (Assessment|BodyMeasures|Clearance $record): bool => $record->at <= $moment;
        $body = array_values(array_filter($this->records->bodies($practitioner), $by))[0] ?? null;
        if (null === $body) {
            return null;
        }
        $tests = $this->records->testsAt($practitioner, $moment);
        $assessment = array_values(array_filter($this->records->assessments($practitioner), $by))[0] ?? null;
        $conditions = null === $assessment ? [] : $this->holds->conditions($practitioner, $assessment);
        $clearances = array_values(array_filter($this->records->clearances($practitioner), $by));
        $practised = array_filter($this->records->allChecks($practitioner), static fn (RungCheck $check): bool => $check->at <= $moment);
        $signs = [];
        foreach (Side::cases() as $side) {
            $signs[$side->value] = [...$this->signs([...$tests, ...$practised], $side, $clearances), ...$this->stopped($practitioner, $side, $moment, $clearances)];
        }

        return new ReadPoses($this->catalogue->postures(), new KnownPerson(
            $body->proportions(),
            $this->capacity->of($practitioner, $body->proportions(), $tests),
            ['left' => [...$conditions, ...$signs['left']], 'right' => [...$conditions, ...$signs['right']]],
            array_values(array_filter(array_map(static fn (Test $test) => $test->taken(), $tests))),
            $moment,
        ));
    }

    /**
     * A stop that was decided on, by rule or by the teacher, holds a side whatever the pain was, until a
     * clearance in writing.
     *
     * @param list<Clearance> $clearances
     *
     * @return list<Condition>
     */
    private function stopped(Practitioner $practitioner, Side $side, \DateTimeImmutable $moment, array $clearances): array
    {
        $cleared = self::cleared($side, $clearances);
        foreach ($this->records->allDecisions($practitioner) as $decision) {
            if ($decision->side === $side && Step::Stop === $decision->step && $decision->at <= $moment && (null === $cleared || $decision->at > $cleared)) {
                return [new Condition('stopped', 'Stopped after practice', Effect::Stop, [Condition::ALL])];
            }
        }

        return [];
    }

    /** @param list<Clearance> $clearances */
    private static function cleared(Side $side, array $clearances): ?\DateTimeImmutable
    {
        $cleared = null;
        foreach ($clearances as $clearance) {
            $cleared = $clearance->side === $side ? max($cleared, $clearance->at) : $cleared;
        }

        return $cleared;
    }

    /**
     * Stop signs met in tests or practice of a side, until a clearance in writing.
     *
     * @param list<Test|RungCheck> $tests
     * @param list<Clearance> $clearances
     *
     * @return list<Condition>
     */
    private function signs(array $tests, Side $side, array $clearances): array
    {
        $cleared = self::cleared($side, $clearances);
        $signs = [];
        foreach ($tests as $test) {
            if ($test->side === $side && (null === $cleared || $test->at > $cleared)) {
                $signs[] = StopSign::of($test instanceof Test ? $test->pain() : $test->check()->pain);
            }
        }

        return $this->catalogue->named($signs);
    }
}
