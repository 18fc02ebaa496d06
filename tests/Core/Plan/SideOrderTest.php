<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Plan\Candidate;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\SideOrder;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use PHPUnit\Framework\TestCase;

/** Which side comes first, and how much of it (common practice, which has no source). */
final class SideOrderTest extends TestCase
{
    public function testAMovementIsLearnedOnTheEasierSideAndThenWorkedOnTheTighter(): void
    {
        $candidate = self::candidate(self::rung(), self::rung(), Side::Right);
        foreach ([0, 1, 2] as $sessions) {
            self::assertSame([['left', 1.0], ['right', 1.0]], self::order($candidate, $sessions));
        }
        foreach ([3, 40] as $sessions) {
            self::assertSame([['right', 1.0], ['left', 1.0], ['right', 0.5]], self::order($candidate, $sessions),
                'First and last, half as much again.');
        }
        self::assertSame([['left', 1.0], ['right', 1.0], ['left', 0.5]],
            self::order(self::candidate(self::rung(), self::rung(), Side::Left), 3));
        self::assertSame([['left', 1.0], ['right', 1.0]], self::order(self::candidate(self::rung(), self::rung(), null),
            3), 'Neither is the tighter.');
    }

    public function testASideThatMayNotLeavesTheOtherItsWholeHold(): void
    {
        self::assertSame([['right', 1.0]], self::order(self::candidate(null, self::rung(), Side::Left), 3));
        self::assertSame([['left', 1.0]], self::order(self::candidate(self::rung(), null, Side::Left), 3));
        self::assertSame([], self::order(self::candidate(null, null, Side::Left), 3));
    }

    public function testWhatIsDoneOnBothSidesAtOnceIsDoneOnceAndOnlyWhereBothMay(): void
    {
        $both = self::rung(true);
        self::assertSame([['', 1.0]], self::order(self::candidate($both, $both, Side::Left), 3));
        self::assertSame([['left', 1.0], ['right', 1.0], ['left', 0.5]],
            self::order(self::candidate($both, self::rung(true), Side::Left), 3), 'Two rungs of it are not one.');
    }

    public function testADrillHasNoSecondTurn(): void
    {
        $drill = static fn (bool $eachSide): PracticeDrill => new PracticeDrill('circle', 'Circle', self::rung(),
            new HoldRange(30.0, 60.0), 10.0, $eachSide, []);
        self::assertSame([['right', 1.0], ['left', 1.0]], self::order(self::candidate(self::rung(), self::rung(),
            Side::Right, $drill(true)), 3));
        self::assertSame([['', 1.0]], self::order(self::candidate(self::rung(), self::rung(), Side::Right,
            $drill(false)), 3));
    }

    /** @return list<array{string, float}> side and part of a hold; an empty side is both */
    private static function order(Candidate $candidate, int $sessions): array
    {
        return array_map(static fn (array $one): array => [$one[0]->value ?? '', $one[2]],
            SideOrder::of($candidate, $sessions));
    }

    private static function candidate(
        ?PracticeRung $left,
        ?PracticeRung $right,
        ?Side $tighter,
        ?PracticeDrill $drill = null,
    ): Candidate {
        return new Candidate('p', ['left' => $left, 'right' => $right], $tighter, [],
            new Reason('plan.keystone', Source::Trade), [], null, drill: $drill);
    }

    private static function rung(bool $isSymmetric = false): PracticeRung
    {
        return new PracticeRung('p', 'P', new RungDefinition('r', 'R', null, [], new Work([], true)), Stance::Lying, [],
            [], $isSymmetric);
    }
}
