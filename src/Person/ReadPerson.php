<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\TakenTests;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Practice\Decided;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\Observed;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\ReadTests;
use LucidAscent\Core\Testing\TakenTest;
use Psr\Clock\ClockInterface;

/** A person as the records knew them at a moment: nothing that was written down later is in it. */
final readonly class ReadPerson
{
    public function __construct(
        private Records $records,
        private TakenTests $takenTests,
        private Catalogue $catalogue,
        private HoldsOn $holds,
        private SeenInTests $seenInTests,
        private SeenReadings $seenReadings,
        private ClockInterface $clock,
    ) {
    }

    public function now(Practitioner $practitioner): ?ReadPoses
    {
        $now = $this->clock->now();

        return $this->read($practitioner, $now, $this->holds->entries($practitioner, $now));
    }

    /** @return ReadPoses|null null when the body had not been measured by then */
    public function at(Practitioner $practitioner, \DateTimeImmutable $moment): ?ReadPoses
    {
        return $this->read($practitioner, $moment, $this->holds->entries($practitioner, $moment, false));
    }

    /**
     * The same of somebody who is in no database (Records::suppose).
     *
     * @param list<Test> $tests
     * @param list<Entry> $more what the judge of holds has to know besides
     */
    public function supposed(Practitioner $practitioner, array $tests, array $more): ?ReadPoses
    {
        $now = $this->clock->now();

        return $this->read($practitioner, $now, [...$this->holds->entries($practitioner, $now), ...$more], $this->takenTests->among($tests, $practitioner, $now));
    }

    /**
     * @param list<Entry> $told what the judge of holds has to know
     * @param list<TakenTest>|null $taken what was taken, where that is in no database
     */
    private function read(Practitioner $practitioner, \DateTimeImmutable $moment, array $told, ?array $taken = null): ?ReadPoses
    {
        $moment = $practitioner->teacher->local($moment);
        $body = array_values(array_filter($this->records->bodies($practitioner), static fn ($body): bool => $body->at <= $moment))[0] ?? null;
        if (null === $body) {
            return null;
        }
        $proportions = $body->proportions();
        $taken ??= $this->takenTests->at($practitioner, $moment);
        $errors = $this->records->toolErrorsFor($practitioner);
        $checks = array_filter($this->records->allChecks($practitioner), static fn (RungCheck $check): bool => $check->at <= $moment);
        $seen = $this->seen($practitioner, $checks, $taken, $moment, $proportions);

        return new ReadPoses($this->catalogue->postures(), new Snapshot(
            $proportions,
            $this->withSeen(ReadTests::evidence($this->catalogue->tests(), $taken, $proportions, $errors), $seen, $proportions),
            Holds::of($told, $moment),
            $taken,
            $moment,
            $seen,
            self::checks($checks),
            $this->decided($practitioner, $moment),
            $this->observed($taken),
            $errors,
        ), $this->catalogue->tests());
    }

    /**
     * All that was ever read or seen of a person by a moment, however old, by side.
     *
     * @return array{left: list<Evidence>, right: list<Evidence>}
     */
    public function series(Practitioner $practitioner, Proportions $proportions, \DateTimeImmutable $moment): array
    {
        $now = $practitioner->teacher->local($moment);
        $taken = $this->takenTests->ever($practitioner, $now);
        $read = ReadTests::series($this->catalogue->tests(), $taken, $proportions, $this->records->toolErrorsFor($practitioner));

        return $this->withSeen($read, $this->seen($practitioner, array_filter($this->records->allChecks($practitioner), static fn (RungCheck $check): bool => $check->at <= $now), $taken, $now, $proportions), $proportions);
    }

    /**
     * @param array<int, RungCheck> $checks
     * @param list<TakenTest> $taken
     *
     * @return list<Seen>
     */
    private function seen(Practitioner $practitioner, array $checks, array $taken, \DateTimeImmutable $moment, Proportions $proportions): array
    {
        $seen = $this->seenInTests->of($taken);
        foreach ($checks as $check) {
            $seen[] = Seen::ofCheck($check->ladder, $check->side, $check->check(), $this->heights($check, $proportions));
        }
        foreach ($this->records->seenRungs($practitioner) as $walked) {
            $seen[] = $walked->at <= $moment ? $walked->seen() : null;
        }

        return array_values(array_filter($seen));
    }

    /**
     * @param array{left: list<Evidence>, right: list<Evidence>} $evidence
     * @param list<Seen> $seen
     *
     * @return array{left: list<Evidence>, right: list<Evidence>}
     */
    private function withSeen(array $evidence, array $seen, Proportions $proportions): array
    {
        foreach (Side::cases() as $side) {
            $evidence[$side->value] = [...$this->seenReadings->of($seen, $proportions, $side), ...$evidence[$side->value]];
        }

        return $evidence;
    }

    /** @return array<string, float> what was practised on a measured prop is a reading of the joint that lay on it, in cm */
    private function heights(RungCheck $check, Proportions $proportions): array
    {
        $rule = $this->catalogue->rung($check->ladder, $check->rung)->prop ?? PropRule::None;
        $joint = $rule->carries();

        return null === $check->propHeight || null === $joint ? [] : [$joint->value => $check->propHeight + $rule->below($proportions->body($check->side))];
    }

    /**
     * @param array<int, RungCheck> $newestFirst
     *
     * @return array<string, list<ReadinessCheck>> by posture and side, the oldest first
     */
    private static function checks(array $newestFirst): array
    {
        $checks = [];
        foreach (array_reverse($newestFirst) as $check) {
            $checks[$check->ladder.' '.$check->side->value][] = $check->check();
        }

        return $checks;
    }

    /** @return array<string, list<Decided>> by posture and side */
    private function decided(Practitioner $practitioner, \DateTimeImmutable $moment): array
    {
        $decided = [];
        foreach (array_reverse($this->records->allDecisions($practitioner)) as $decision) {
            if ($decision->at <= $moment) {
                $decided[$decision->ladder.' '.$decision->side->value][] = new Decided($decision->step, $decision->check->rung, $decision->rungAfter, $decision->at);
            }
        }

        return $decided;
    }

    /**
     * @param list<TakenTest> $taken
     *
     * @return list<Observed>
     */
    private function observed(array $taken): array
    {
        $observed = [];
        foreach ($taken as $test) {
            $definition = $this->catalogue->tests()[$test->test] ?? null;
            $name = null === $definition ? null : array_key_first($definition->measured);
            if (null !== $name && $definition->formula->is(Formula::OBSERVATION) && 'yes or no' === $definition->measured[$name] && $test->has($name) && null !== $test->on) {
                $observed[] = new Observed($test->test, $test->side, $test->isClean() && min($test->measure($name)->trials) > 0.0, $test->on, $test->at);
            }
        }

        return $observed;
    }
}
