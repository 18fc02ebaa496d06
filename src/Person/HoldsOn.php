<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Exchange\EventList;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Practice\Step;
use Psr\Clock\ClockInterface;

/** What the records say of a person that the judge of holds has to know, and what it says of that. */
final readonly class HoldsOn
{
    public function __construct(private Records $records, private Catalogue $catalogue, private ClockInterface $clock)
    {
    }

    public function now(Practitioner $practitioner): Holds
    {
        $now = $this->clock->now();

        return Holds::of($this->entries($practitioner, $now), $practitioner->teacher->local($now));
    }

    /**
     * Everything by a moment. What is in the records now has been entered by now, whatever the clock said then:
     * one that was ahead hides no pain, and lifts nothing before its time.
     *
     * @param bool $isNow whether the moment is the present, and not a day that is read again
     *
     * @return list<Entry>
     */
    public function entries(Practitioner $practitioner, \DateTimeImmutable $moment, bool $isNow = true): array
    {
        $local = $practitioner->teacher->local(...);
        $entered = static fn (\DateTimeImmutable $at): \DateTimeImmutable => $isNow ? min($at, $moment) : $at;
        $entries = [];
        foreach ($this->records->testsWithPain($practitioner) as $test) {
            $this->addPain($entries, "test:$test->id", $entered($test->at), $local($test->at), $test->pain(), $test->side, $this->catalogue->tests()[$test->kind]->work ?? null, '', '', (string) $test->by->id);
        }
        foreach ($this->records->allChecks($practitioner) as $check) {
            $work = $this->catalogue->rung($check->ladder, $check->rung)?->work;
            $this->addPain($entries, "check:$check->id", $entered($check->at), $check->practisedOn, $check->check()->pain, $check->side, $work, $check->ladder, $check->rung, (string) $check->by->id);
            if ($check->soreAtNight) {
                $entries[] = new ConditionTold("sore:$check->id", $entered($check->at), $check->practisedOn, $this->catalogue->condition('sore-today', false), by: (string) $check->by->id);
            }
        }
        foreach ($this->records->seenRungs($practitioner) as $seen) {
            $work = $this->catalogue->rung($seen->posture, $seen->rung)?->work;
            $this->addPain($entries, "seen:$seen->id", $entered($seen->at), $local($seen->at), $seen->pain(), $seen->side, $work, $seen->posture, $seen->rung, (string) $seen->by->id);
        }
        foreach ($this->records->painsSaid($practitioner) as $said) {
            $this->addPain($entries, self::idOf($said), $entered($said->at), $said->saidOn, $said->pain(), $said->side, $this->during($said), '' === $said->rung ? '' : $said->during, $said->rung, (string) $said->by->id);
        }
        foreach ($this->records->allDecisions($practitioner) as $decision) {
            if (Step::Stop === $decision->step) {
                $entries[] = new StopDecided("decision:$decision->id", $entered($decision->at), $local($decision->at), $decision->side, Step::Stop !== $decision->proposed && !$decision->check->check()->pain->isFelt(), $decision->ladder, $decision->check->rung, (string) $decision->by->id);
            }
        }
        foreach ($this->records->assessments($practitioner) as $assessment) {
            array_push($entries, ...$this->ofAssessment($assessment, $entered($assessment->at)));
        }
        foreach ($this->records->clearances($practitioner) as $clearance) {
            if ($clearance->at <= $moment) {
                $entries[] = self::clearance($clearance);
            }
        }
        foreach ($this->records->mistakes($practitioner) as $mistake) {
            if ($mistake->at <= $moment) {
                $entries[] = self::mistake($mistake);
            }
        }

        return self::toldOnce($entries);
    }

    /** @return list<PainTold> every pain that was ever told, wherever it was, as the judge of holds hears it */
    public function pains(Practitioner $practitioner): array
    {
        return array_values(array_filter($this->entries($practitioner, $this->clock->now()), static fn (Entry $entry): bool => $entry instanceof PainTold));
    }

    public static function clearance(Clearance $clearance): ClearanceGiven
    {
        return new ClearanceGiven("clearance:$clearance->id", $clearance->at, $clearance->givenOn, $clearance->names, $clearance->word, $clearance->asked, (string) $clearance->by->id);
    }

    public static function mistake(Mistake $mistake): EnteredByMistake
    {
        return new EnteredByMistake("mistake:$mistake->id", $mistake->at, $mistake->names, (string) $mistake->by->id, $mistake->why);
    }

    /** @param list<Entry> $entries */
    private function addPain(array &$entries, string $id, \DateTimeImmutable $at, \DateTimeImmutable $on, Pain $pain, ?Side $side, ?Work $during, string $posture, string $rung, string $by): void
    {
        if ($pain->isFelt()) {
            $entries[] = new PainTold($id, $at, $on, $pain, $side, $during, $posture, $rung, $by);
        }
    }

    /** What a word that lifts it has to name. */
    public static function idOf(PainSaid $said): string
    {
        return "pain:$said->id";
    }

    private function during(PainSaid $said): ?Work
    {
        return $this->catalogue->rung($said->during, $said->rung)->work ?? $this->catalogue->tests()[$said->during]->work ?? null;
    }

    /** @return list<Entry> what was asked before the tests, and what hurt then */
    public function ofAssessment(Assessment $assessment, \DateTimeImmutable $at): array
    {
        $entries = [];
        $by = (string) $assessment->by->id;
        $on = $assessment->practitioner->teacher->local($assessment->at);
        $this->addPain($entries, "before:$assessment->id", $at, $on, $assessment->pain(), null, null, '', '', $by);
        $hasConsent = in_array(EventList::GUARDIAN, $assessment->conditions, true);
        foreach ($assessment->conditions as $told) {
            if (EventList::GUARDIAN === $told) {
                continue;
            }
            $told = ToldCondition::read($told);
            $pain = $this->catalogue->stopSigns()[$told->id] ?? null;
            $entries[] = null !== $pain
                ? new PainTold("sign:$assessment->id:$told->id", $at, $on, $pain, $told->side, by: $by)
                : new ConditionTold("condition:$told->id".(null === $told->side ? '' : ":{$told->side->value}"), $at, $on, $this->catalogue->condition($told->id, $hasConsent)->touching($told->loads), $told->side, $told->until, $by);
        }

        return $entries;
    }

    /**
     * A condition that was told more than once is told as it was last.
     *
     * @param list<Entry> $entries
     *
     * @return list<Entry>
     */
    private static function toldOnce(array $entries): array
    {
        $tellings = $others = [];
        foreach ($entries as $entry) {
            if ($entry instanceof ConditionTold && str_starts_with($entry->id, 'condition:')) {
                $tellings[$entry->id][] = $entry;
            } else {
                $others[] = $entry;
            }
        }
        foreach ($tellings as $told) {
            usort($told, static fn (ConditionTold $a, ConditionTold $b): int => $a->at <=> $b->at);
            $last = array_shift($told);
            foreach ($told as $next) {
                $last = $next->after($last);
            }
            $others[] = $last;
        }

        return $others;
    }
}
