<?php

declare(strict_types=1);

namespace LucidAscent\Core\History;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\DecisionMade;
use LucidAscent\Core\History\Entry\DoneElsewhere;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\History\Entry\GateAnswered;
use LucidAscent\Core\History\Entry\PosesWanted;
use LucidAscent\Core\History\Entry\RungSeen;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\History\Entry\WordsSaid;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\Purpose;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Decided;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Practice\Felt;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Readiness\Observed;
use LucidAscent\Core\Readiness\ReadSeen;
use LucidAscent\Core\Readiness\ShownByTest;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\ReadTests;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\TrialCheck;

/**
 * A history at a moment: what is held, and everything that readiness rests on. The one place in which it is said what a
 * test, a check, a rung that was seen, an answer or a decision proves, whoever wrote it down and in whatever form.
 *
 * Of the present, what is there has been entered by now, whatever the clock said then: one that was ahead hides no
 * pain, and lifts nothing before its time. Of a day that is read again, only what was there by then.
 */
final readonly class ReadHistory
{
    /**
     * @param array<string, PostureDefinition> $postures by id
     * @param array<string, TestDefinition> $tests by id, in the taught order
     */
    public function __construct(private array $postures, private array $tests)
    {
    }

    /** @param bool $isNow whether the moment is the present, and not a day that is read again */
    public function holds(History $history, \DateTimeImmutable $moment, bool $isNow = true): Holds
    {
        return Holds::of($this->told($history, $moment, $isNow), $moment);
    }

    /** @return list<PainTold> every pain that was ever told, wherever it was, as the judge of holds hears it */
    public function pains(History $history, \DateTimeImmutable $moment): array
    {
        return array_values(
            array_filter(
                $this->told($history, $moment),
                static fn (Entry $entry): bool => $entry instanceof PainTold,
            ),
        );
    }

    /** @return Snapshot|null null when the body had not been measured by then */
    public function snapshot(History $history, \DateTimeImmutable $moment, bool $isNow = true): ?Snapshot
    {
        $proportions = $history->body($moment);
        if (null === $proportions) {
            return null;
        }
        $taken = $this->readable($history, $moment);
        $seen = $this->seen($history, $taken, $moment, $proportions);

        return new Snapshot(
            $proportions,
            $this->withSeen(
                ReadTests::evidence($this->tests, $taken, $proportions, $history->tools),
                $seen,
                $proportions,
            ),
            $this->holds($history, $moment, $isNow),
            $taken,
            $moment,
            $seen,
            self::checks($history, $moment),
            self::decided($history, $moment),
            $this->observed($history, $taken, $moment),
            $history->tools,
            // What was entered at the moment itself is not of before it.
            before: fn (\DateTimeImmutable $then): ?Snapshot => $this->snapshot(
                $history->before($then),
                $then,
                false,
            ),
            felt: self::felt($history, $moment),
            purposes: self::purposes($history, $moment),
            elsewhere: self::elsewhere($history, $moment),
            withTeacher: self::withTeacher($history, $moment),
        );
    }

    /**
     * All that was ever read or seen by a moment, however old, by side.
     *
     * @return array{left: list<Evidence>, right: list<Evidence>}
     */
    public function series(History $history, Proportions $proportions, \DateTimeImmutable $moment): array
    {
        $taken = $this->readable($history, $moment);
        $read = ReadTests::series($this->tests, $taken, $proportions, $history->tools);

        return $this->withSeen($read, $this->seen($history, $taken, $moment, $proportions), $proportions);
    }

    /**
     * What hurt in the others holds all the same.
     *
     * @return list<TakenTest> that stand and that somebody can have read
     */
    private function readable(History $history, \DateTimeImmutable $moment): array
    {
        return array_values(
            array_filter(
                StandingTests::at($history, $moment),
                fn (TakenTest $taken): bool => TrialCheck::isReadable($this->tests[$taken->test] ?? null, $taken),
            ),
        );
    }

    /** @return list<Entry> what the judge of holds has to know */
    private function told(History $history, \DateTimeImmutable $moment, bool $isNow = true): array
    {
        $entered = static fn (\DateTimeImmutable $at): \DateTimeImmutable => $isNow ? min($at, $moment) : $at;
        $told = [];
        foreach ($history->entries as $entry) {
            $at = $entered($entry->at());
            $one = match (true) {
                $entry instanceof TestTaken => self::pain(
                    $entry,
                    $at,
                    $entry->test->pain,
                    $entry->test->side,
                    $this->tests[$entry->test->test]->work ?? null,
                ),
                $entry instanceof CheckMade => self::pain(
                    $entry,
                    $at,
                    $entry->check->pain,
                    $entry->hurts,
                    $this->rung($entry->posture, $entry->check->rung)?->work,
                    $entry->posture,
                    $entry->check->rung,
                ),
                $entry instanceof RungSeen => self::pain(
                    $entry,
                    $at,
                    $entry->pain,
                    $entry->side,
                    $this->rung($entry->posture, $entry->rung)?->work,
                    $entry->posture,
                    $entry->rung,
                ),
                // Pain that was told beside it is told once.
                $entry instanceof FeltSaid => $history->isToldBeside($entry)
                    ? null
                    : self::pain(
                        $entry,
                        $at,
                        $entry->pain(),
                        $entry->side,
                        $this->rung($entry->posture, $entry->rung)?->work,
                        $entry->posture,
                        $entry->rung,
                    ),
                $entry instanceof DecisionMade => Step::Stop === $entry->step
                    ? new StopDecided(
                        $entry->id,
                        $at,
                        $entry->on,
                        $entry->side,
                        $entry->isPainless,
                        $entry->posture,
                        $entry->rung,
                        $entry->by,
                    )
                    : null,
                // What a teacher has read is the teacher's to write down.
                $entry instanceof WordsSaid => !$entry->words->hold()
                || (null !== $entry->readAt && $entry->readAt <= $moment)
                    ? null
                    : new ConditionTold(
                        $entry->id,
                        $at,
                        $entry->on,
                        Condition::unreadWords($entry->words->loads()),
                        $entry->words->of(null),
                    ),
                $entry instanceof PainTold => $entry->pain->isFelt() ? $entry->enteredAt($at) : null,
                $entry instanceof ConditionTold => $entry->enteredAt($at),
                $entry instanceof StopDecided => $entry->enteredAt($at),
                // A word counts from its own moment on.
                $entry instanceof ClearanceGiven, $entry instanceof EnteredByMistake => $entry,
                default => null,
            };
            // What two sides of one log say alike, of nobody's side, was said once.
            $told[$one instanceof PainTold ? self::said($one) : count($told)] = $one;
        }

        return array_values(array_filter($told));
    }

    private static function said(PainTold $one): string
    {
        return implode(' ', [
            $one->id,
            $one->side->value ?? '',
            $one->pain->level,
            $one->pain->place->value,
            $one->pain->kind->value,
            $one->posture,
            $one->rung,
            $one->on->format('c'),
        ]);
    }

    private static function pain(
        Entry $entry,
        \DateTimeImmutable $at,
        Pain $pain,
        ?Side $side,
        ?Work $during,
        string $posture = '',
        string $rung = '',
    ): ?PainTold {
        return $pain->isFelt()
            ? new PainTold($entry->id(), $at, $entry->on(), $pain, $side, $during, $posture, $rung, $entry->by())
            : null;
    }

    /**
     * @param list<TakenTest> $taken
     *
     * @return list<Seen>
     */
    private function seen(
        History $history,
        array $taken,
        \DateTimeImmutable $moment,
        Proportions $proportions,
    ): array {
        $seen = [];
        foreach ($taken as $test) {
            $definition = $this->tests[$test->test] ?? null;
            $posture = $this->postures[$definition->posture ?? ''] ?? null;
            if (null !== $definition && null !== $posture) {
                array_push($seen, ...ShownByTest::rungs($definition, $test, $posture));
            }
        }
        foreach ($history->checks() as $check) {
            $seen[] =
                $check->at <= $moment
                    ? Seen::ofCheck(
                        $check->posture,
                        $check->side,
                        $check->check,
                        $this->heights($check, $proportions),
                    )
                    : null;
        }
        foreach ($history->seen() as $one) {
            // What hurt was not seen clean, whatever it looked like.
            $isClean = $one->isClean && !$one->pain->spoils();
            $seen[] =
                $one->at <= $moment
                    ? new Seen(
                        $one->posture,
                        $one->rung,
                        $one->side,
                        $isClean,
                        $one->on,
                        $one->known,
                        $one->heights,
                        $one->hangsFree,
                    )
                    : null;
        }

        return array_values(array_filter($seen));
    }

    /**
     * @return array<string, float> what was practised on a measured prop is a reading of the joint that lay on it, in
     *     cm
     */
    private function heights(CheckMade $check, Proportions $proportions): array
    {
        $rule = $this->rung($check->posture, $check->check->rung)->prop ?? PropRule::None;
        $joint = $rule->carries();

        return $check->heights +
            (null === $check->propHeight || null === $joint
                ? []
                : [$joint->value => $check->propHeight + $rule->below($proportions->body($check->side))]);
    }

    /**
     * @param array{left: list<Evidence>, right: list<Evidence>} $evidence
     * @param list<Seen> $seen
     *
     * @return array{left: list<Evidence>, right: list<Evidence>} with every angle that what was seen clean asks of this
     *     body
     */
    private function withSeen(array $evidence, array $seen, Proportions $proportions): array
    {
        $shown = ['left' => [], 'right' => []];
        foreach ($seen as $one) {
            $rung = $this->rung($one->posture, $one->rung);
            if (null !== $rung) {
                array_push($shown[$one->side->value], ...ReadSeen::evidence($one, $rung, $proportions));
                array_push(
                    $shown[$one->side->opposite()->value],
                    ...ReadSeen::ofOtherLeg($one, $rung, $proportions),
                );
            }
        }

        return [
            'left' => [...$shown['left'], ...$evidence['left']],
            'right' => [...$shown['right'], ...$evidence['right']],
        ];
    }

    /** @return array<string, true> what was tried while somebody was there who signs for it */
    private static function withTeacher(History $history, \DateTimeImmutable $moment): array
    {
        $tried = [];
        foreach ($history->of(RungSeen::class) as $seen) {
            if ($seen->at <= $moment) {
                $tried["$seen->posture $seen->rung {$seen->side->value}"] = true;
            }
        }
        foreach ($history->of(CheckMade::class) as $made) {
            if ($made->at <= $moment && '' !== $made->by) {
                $tried["$made->posture {$made->check->rung} {$made->side->value}"] = true;
            }
        }

        return $tried;
    }

    /** @return list<Elsewhere> what was told of it by then */
    private static function elsewhere(History $history, \DateTimeImmutable $moment): array
    {
        $told = array_filter(
            $history->of(DoneElsewhere::class),
            static fn (DoneElsewhere $one): bool => $one->at <= $moment,
        );

        return array_values(array_map(static fn (DoneElsewhere $one): Elsewhere => $one->what, $told));
    }

    /** @return array<string, Purpose> by posture, as it was said last */
    private static function purposes(History $history, \DateTimeImmutable $moment): array
    {
        $newest = null;
        foreach ($history->of(PosesWanted::class) as $one) {
            if ($one->at <= $moment && (null === $newest || $one->at >= $newest->at)) {
                $newest = $one;
            }
        }

        return $newest->purposes ?? [];
    }

    /** @return list<Felt> */
    private static function felt(History $history, \DateTimeImmutable $moment): array
    {
        $felt = [];
        foreach ($history->felt() as $one) {
            array_push($felt, ...$one->at <= $moment ? $one->felt() : []);
        }

        return $felt;
    }

    /** @return array<string, list<ReadinessCheck>> by posture and side, the oldest first */
    private static function checks(History $history, \DateTimeImmutable $moment): array
    {
        $checks = [];
        foreach ($history->checks() as $check) {
            if ($check->at <= $moment) {
                $checks["$check->posture {$check->side->value}"][] = $check->check;
            }
        }
        foreach ($checks as &$of) {
            usort(
                $of,
                static fn (ReadinessCheck $a, ReadinessCheck $b): int => [$a->day(), $a->at] <=> [
                    $b->day(),
                    $b->at,
                ],
            );
        }

        return $checks;
    }

    /** @return array<string, list<Decided>> by posture and side, the oldest first */
    private static function decided(History $history, \DateTimeImmutable $moment): array
    {
        $decided = [];
        foreach ($history->of(DecisionMade::class) as $one) {
            if ($one->at <= $moment) {
                $decided["$one->posture {$one->side->value}"][] = new Decided(
                    $one->step,
                    $one->rung,
                    $one->rungAfter,
                    $one->at,
                    $one->check,
                    $one->on,
                );
            }
        }
        // A stop is a decision to stay where it stopped, however it was told.
        foreach ($history->of(StopDecided::class) as $one) {
            $sides = null === $one->side ? Side::cases() : [$one->side];
            foreach ('' === $one->rung || $one->at > $moment ? [] : $sides as $side) {
                $decided["$one->posture $side->value"][] = new Decided(
                    Step::Stop,
                    $one->rung,
                    $one->rung,
                    $one->at,
                );
            }
        }
        foreach ($decided as &$of) {
            usort($of, static fn (Decided $a, Decided $b): int => $a->at <=> $b->at);
        }

        return $decided;
    }

    /**
     * @param list<TakenTest> $taken
     *
     * @return list<Observed>
     */
    private function observed(History $history, array $taken, \DateTimeImmutable $moment): array
    {
        $observed = [];
        foreach ($taken as $test) {
            $answer = ($this->tests[$test->test] ?? null)?->answer($test);
            if (null !== $answer && null !== $test->on) {
                $observed[] = new Observed($test->test, $test->side, $answer, $test->on, $test->at);
            }
        }
        foreach ($history->of(GateAnswered::class) as $one) {
            if ($one->at <= $moment) {
                $observed[] = new Observed($one->gate, $one->side, $one->isMet && !$one->pain->spoils(), $one->on);
            }
        }

        return $observed;
    }

    private function rung(string $posture, string $rung): ?RungDefinition
    {
        return ($this->postures[$posture] ?? null)?->rung($rung);
    }
}
