<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\Trial;
use LucidAscent\App\Json\AllowanceFields;
use LucidAscent\App\Repository\AssessmentRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\App\Repository\TestRows;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Words\ReadWords;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\DecisionMade;
use LucidAscent\Core\History\Entry\DoneElsewhere;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\History\Entry\PosesWanted;
use LucidAscent\Core\History\Entry\RungSeen;
use LucidAscent\Core\History\Entry\TestCorrected;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\History\Entry\WordsSaid;
use LucidAscent\Core\History\History;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;

/** The records of a person as a history; what they mean is not asked here. */
final readonly class PersonHistory
{
    public function __construct(
        private AssessmentRecords $assessments,
        private TestRecords $testRecords,
        private Records $records,
        private TestRows $tests,
        private Catalogue $catalogue,
    ) {
    }

    /** All that the judge of holds has to know: everything but the tests in which nothing hurt. */
    public function told(Practitioner $practitioner): History
    {
        return new History($this->entries($practitioner), $this->testRecords->toolErrorsFor($practitioner));
    }

    /**
     * With the tests that can tell anything at a moment: none while the body was not measured, for then no height says
     * anything.
     */
    public function at(Practitioner $practitioner, \DateTimeImmutable $moment): History
    {
        $told = $this->told($practitioner);

        return null === $told->body($moment) ? $told : $told->with(...$this->tests->at($practitioner, $moment));
    }

    /** With all tests that were ever taken by a moment. */
    public function ever(Practitioner $practitioner, \DateTimeImmutable $moment): History
    {
        return $this->told($practitioner)->with(...$this->tests->ever($practitioner, $moment));
    }

    /**
     * Of somebody who is in no database (Records::suppose), with that person's tests.
     *
     * @param list<Test> $tests
     */
    public function supposed(Practitioner $practitioner, array $tests): History
    {
        $own = $this->records->ownIds($practitioner);
        $taken = [];
        foreach ($tests as $test) {
            $taken[(string) $test->entryId] ??= $practitioner->teacher->local($test->at);
        }
        $entries = [];
        usort(
            $tests,
            static fn (Test $a, Test $b): int => [$b->at, $b->id->toBinary()] <=> [$a->at, $a->id->toBinary()],
        );
        foreach ($tests as $test) {
            $corrects = null === $test->corrects ? null : (string) $test->corrects;
            $entries[] = self::test($test, in_array((string) $test->id, $own, true));
            if (null !== $corrects && isset($taken[$corrects])) {
                $entries[] = new TestCorrected(
                    "correction:$test->entryId",
                    $test->at,
                    $practitioner->teacher->local($test->at),
                    (string) $test->by->id,
                    (string) $test->entryId,
                    $corrects,
                    $taken[$corrects],
                );
            }
        }

        return $this->told($practitioner)->with(...array_filter($entries));
    }

    public static function clearance(Clearance $clearance): ClearanceGiven
    {
        return new ClearanceGiven(
            "clearance:$clearance->id",
            $clearance->at,
            $clearance->givenOn,
            $clearance->names,
            $clearance->word,
            $clearance->asked,
            (string) $clearance->by->id,
            self::allowance($clearance),
        );
    }

    /** What nobody can read allows nothing. */
    public static function allowance(Clearance $clearance): Allowance
    {
        try {
            return AllowanceFields::kept($clearance->allowance, $clearance->allows);
        } catch (InvalidValue) {
            return Allowance::nothing();
        }
    }

    public static function mistake(Mistake $mistake): EnteredByMistake
    {
        return new EnteredByMistake(
            "mistake:$mistake->id",
            $mistake->at,
            $mistake->names,
            (string) $mistake->by->id,
            $mistake->why,
        );
    }

    /** What a word that lifts it has to name. */
    public static function idOf(PainSaid $said): string
    {
        return "pain:$said->id";
    }

    /** @return list<Entry> what was asked before the tests, and what hurt then */
    public function ofAssessment(Assessment $assessment): array
    {
        $by = (string) $assessment->by->id;
        $on = $assessment->practitioner->teacher->local($assessment->at);
        $entries = [
            new PainTold("before:$assessment->id", $assessment->at, $on, $assessment->pain(), null, by: $by),
        ];
        $hasConsent = in_array(ToldCondition::GUARDIAN, $assessment->conditions, true);
        foreach ($assessment->conditions as $told) {
            if (ToldCondition::GUARDIAN === $told) {
                continue;
            }
            $told = ToldCondition::read($told);
            $pain = $this->catalogue->stopSigns()[$told->id] ?? null;
            $entries[] =
                null !== $pain
                    ? new PainTold(
                        "sign:$assessment->id:$told->id",
                        $assessment->at,
                        $on,
                        $pain,
                        $told->side,
                        by: $by,
                    )
                    : new ConditionTold(
                        "condition:$told->id".(null === $told->side ? '' : ":{$told->side->value}"),
                        $assessment->at,
                        $on,
                        $this->catalogue->condition($told->id, $hasConsent)->touching($told->loads),
                        $told->side,
                        $told->until,
                        $by,
                    );
        }

        return $entries;
    }

    /** @return list<Entry> */
    private function entries(Practitioner $practitioner): array
    {
        $local = $practitioner->teacher->local(...);
        $own = array_flip($this->records->ownIds($practitioner));
        // What came in by the own page is no teacher's, and no slip of one's.
        $by = static fn (Test|RungCheck|PainSaid|FeltInRung $one): string => isset($own[(string) $one->id])
            ? ''
            : (string) $one->by->id;
        $entries = array_map(
            static fn (BodyMeasures $body): BodyMeasured => new BodyMeasured(
                "body:$body->id",
                $body->at,
                $local($body->at),
                (string) $body->by->id,
                $body->proportions(),
            ),
            $this->records->bodies($practitioner),
        );
        foreach ($this->testRecords->testsThatHurt($practitioner) as $test) {
            $entries[] = new PainTold(
                "test:$test->id",
                $test->at,
                $local($test->at),
                $test->pain(),
                $test->side,
                $this->catalogue->tests()[$test->kind]->work ?? null,
                by: $by($test),
            );
        }
        foreach ($this->records->allChecks($practitioner) as $check) {
            $entries[] = self::check($check, $by($check));
            if ($check->soreAtNight) {
                $entries[] = new ConditionTold(
                    "sore:$check->id",
                    $check->at,
                    $check->practisedOn,
                    $this->catalogue->condition('sore-today', false),
                    by: $by($check),
                );
            }
        }
        foreach ($this->records->seenRungs($practitioner) as $seen) {
            $on = $local($seen->at);
            $entries[] = new RungSeen(
                "seen:$seen->id",
                $seen->at,
                $on,
                (string) $seen->by->id,
                $seen->posture,
                $seen->rung,
                $seen->side,
                $seen->clean,
                $seen->pain(),
                $seen->heights,
                $seen->hangs,
                $on,
            );
        }
        foreach ($this->records->painsSaid($practitioner) as $said) {
            $work =
                $this->catalogue->rung($said->during, $said->rung)->work ??
                ($this->catalogue->tests()[$said->during]->work ?? null);
            $entries[] = new PainTold(
                self::idOf($said),
                $said->at,
                $said->saidOn,
                $said->pain(),
                $said->side,
                $work,
                '' === $said->rung ? '' : $said->during,
                $said->rung,
                $by($said),
            );
        }
        foreach ($this->records->felt($practitioner) as $felt) {
            $entries[] = new FeltSaid(
                "felt:$felt->id",
                $felt->at,
                $felt->feltOn,
                $by($felt),
                $felt->posture,
                $felt->rung,
                $felt->side,
                $this->catalogue->feltPlace($felt->felt),
                $felt->kind,
            );
        }
        foreach ($this->records->otherLoads($practitioner) as $load) {
            $entries[] = new DoneElsewhere(
                "elsewhere:$load->id",
                $load->at,
                $load->doneOn,
                (string) $load->by->id,
                $load->elsewhere(),
            );
        }
        $seenUpTo = $this->records->seenUpTo($practitioner);
        foreach ($this->records->ownWords($practitioner) as $note) {
            $entries[] = new WordsSaid(
                "words:$note->id",
                $note->at,
                $note->saidOn,
                ReadWords::of($note->text),
                null !== $seenUpTo && $seenUpTo >= $note->at ? $seenUpTo : null,
            );
        }
        foreach ($this->records->allDecisions($practitioner) as $decision) {
            $entries[] = self::decision($decision);
        }
        foreach ($this->assessments->assessments($practitioner) as $assessment) {
            array_push($entries, ...$this->ofAssessment($assessment));
            if ([] !== $assessment->wanted) {
                $entries[] = new PosesWanted(
                    "wanted:$assessment->id",
                    $assessment->at,
                    $local($assessment->at),
                    (string) $assessment->by->id,
                    $assessment->purposes(),
                );
            }
        }

        return [
            ...$entries,
            ...array_map(self::clearance(...), $this->records->clearances($practitioner)),
            ...array_map(self::mistake(...), $this->records->mistakes($practitioner)),
        ];
    }

    /** @param string|null $by who entered it; as it is on record where nothing is said */
    public static function check(RungCheck $check, ?string $by = null): CheckMade
    {
        return new CheckMade(
            "check:$check->id",
            $check->at,
            $check->practisedOn,
            $by ?? (string) $check->by->id,
            $check->ladder,
            $check->side,
            $check->check(),
            $check->propHeight,
            [],
            $check->side,
        );
    }

    private static function decision(Decision $decision): DecisionMade
    {
        return new DecisionMade(
            "decision:$decision->id",
            $decision->at,
            $decision->practitioner->teacher->local($decision->at),
            (string) $decision->by->id,
            $decision->ladder,
            $decision->side,
            $decision->check->rung,
            $decision->rungAfter,
            $decision->step,
            Step::Stop !== $decision->proposed && !$decision->check->check()->pain->isFelt(),
            $decision->check->check(),
        );
    }

    /** @return TestTaken|null null where nothing was read in it */
    private static function test(Test $test, bool $isOwn): ?TestTaken
    {
        $taken = self::taken($test, !$isOwn);

        return null === $taken
            ? null
            : new TestTaken(
                "test:$test->id",
                $test->at,
                $test->practitioner->teacher->local($test->at),
                $isOwn ? '' : (string) $test->by->id,
                (string) $test->entryId,
                $taken,
            );
    }

    /** @return TakenTest|null null where nothing was read in it */
    public static function taken(Test $test, bool $isWatched = true): ?TakenTest
    {
        $trials = array_map(
            static fn (Trial $one): array => array_map(floatval(...), $one->readings),
            $test->trials(),
        );
        $on = $test->practitioner->teacher->local($test->at);
        $errors = [];
        foreach ($test->trials() as $trial) {
            foreach ($trial->errors as $name => $sd) {
                $errors[$name] = max($sd, $errors[$name] ?? 0.0);
            }
        }

        return [] === $trials
            ? null
            : new TakenTest(
                $test->kind,
                $test->side,
                Tool::tryFrom($test->tool) ?? Tool::Tape,
                $trials,
                $test->compensations,
                $test->pain(),
                $on,
                new Sitting($test->seat),
                $test->resting,
                $errors,
                $on,
                $test->assessment?->warm,
                "test:$test->id",
                $isWatched,
            );
    }
}
