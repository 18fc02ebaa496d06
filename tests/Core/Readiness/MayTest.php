<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TestDefinition;
use PHPUnit\Framework\TestCase;

/** A ladder that asks for turn alone, 20 (gentle), 65 and 120 degrees, of somebody who shows about 84. */
final class MayTest extends TestCase
{
    public function testWhatIsBelowComesFirstAndWhatStandsNowMay(): void
    {
        $poses = self::poses(self::person());
        self::assertSame([], self::bars(May::practise($poses, 'turner', 'ground', Side::Left)));
        self::assertSame(['bar.below'], self::bars(May::practise($poses, 'turner', 'high', Side::Left)));
        self::assertSame(['bar.short', 'bar.below', 'bar.below'],
            self::bars(May::practise($poses, 'turner', 'full', Side::Left)));
    }

    /** Three clean sessions say more than a reading that has become less since. */
    public function testWhatWasPassedMayThoughTheNumbersAreShortOfIt(): void
    {
        $poses = self::poses(self::person(seen: [self::seen('full')]));
        self::assertTrue(May::practise($poses, 'turner', 'full', Side::Left)->isYes());
        $held = self::poses(self::person([new Condition('c', 'A condition', ['weight-on-knee'])],
            [self::seen('full')]));
        $may = May::practise($held, 'turner', 'full', Side::Left);
        self::assertSame([false, true, ['A condition']], [$may->isYes(), $may->isHeld(), $may->heldBy()],
            'A hold closes what was passed, too.');
    }

    public function testBothAtOnceMayWhereEitherMay(): void
    {
        $poses = self::poses(self::person(seen: [self::seen('ground')]));
        self::assertTrue(May::practise($poses, 'turner', 'high', Side::Left)->isYes());
        self::assertSame(['bar.below'], self::bars(May::practise($poses, 'turner', 'high', Side::Right)));
        self::assertSame(['bar.below'], self::bars(May::practise($poses, 'turner', 'high', null)));
    }

    public function testWhatTheCatalogueHasNoMoreMayNot(): void
    {
        $poses = self::poses(self::person());
        foreach ([['turner', 'gone'], ['gone', 'ground']] as [$posture, $shape]) {
            $may = May::practise($poses, $posture, $shape, Side::Left);
            self::assertSame([['bar.gone'], false], [self::bars($may), $may->isHeld()]);
        }
    }

    public function testUnderTheTeachersEyeNumbersBarNothingAndWhatWasNotCleanEndsTheWayUp(): void
    {
        $try = static fn (Snapshot $person, string $rung): array => self::bars(May::try(self::poses($person)
            ->of('turner', Side::Left), $rung));
        self::assertSame([], $try(self::person(), 'full'));
        self::assertSame(['bar.below'], $try(self::person(seen: [self::seen('high', false)]), 'full'));
        self::assertSame([], $try(self::person(seen: [self::seen('high', false)]), 'high'),
            'It may be tried again itself.');
        $knee = new Condition('c', 'A condition', ['weight-on-knee']);
        self::assertSame(['held.condition'], $try(self::person([$knee]), 'high'));
        self::assertSame([], $try(self::person([$knee]), 'ground'));
        // The rung above loads no knee, but the way there does, and was never passed.
        self::assertSame(['bar.below', 'bar.below'], $try(self::person([$knee]), 'full-free'));
        self::assertSame([], $try(self::person([$knee], [self::seen('full')]), 'full-free'));
    }

    public function testATestIsHeldOnItsSideAndOneOfBothSidesByEither(): void
    {
        $test = static fn (bool $bothSides): TestDefinition => new TestDefinition('frog', 'Frog', 1,
            Formula::named('frog'), ['abduction' => Bound::Exact], ['span' => 'cm'], [], 1.0,
            work: new Work(['turn-out']), bothSides: $bothSides);
        $day = new \DateTimeImmutable('2026-03-02');
        $holds = Holds::of([new ConditionTold('condition:c', $day, $day,
            new Condition('c', 'A condition', ['turn-out']), Side::Left)], $day);
        self::assertSame([false, true], [May::take($holds, $test(true), Side::Left)->isYes(),
            May::take($holds, $test(true), Side::Right)->isYes()]);
        self::assertSame([false, false], [May::take($holds, $test(false), Side::Left)->isYes(),
            May::take($holds, $test(false), Side::Right)->isYes()]);
        self::assertSame([true, false], [May::takeAtAll($holds, $test(true))->isYes(),
            May::takeAtAll($holds, $test(false))->isYes()]);
        self::assertSame(['A condition'], May::takeAtAll($holds, $test(false))->heldBy());
    }

    public function testAnyPositionIsHeldByWhatItLoads(): void
    {
        $day = new \DateTimeImmutable('2026-03-02');
        $holds = Holds::of([new ConditionTold('condition:c', $day, $day,
            new Condition('c', 'A condition', ['turn-out']), Side::Left)], $day);
        self::assertSame(['A condition'], May::load($holds, new Work(['turn-out']), Side::Left)->heldBy());
        self::assertTrue(May::load($holds, new Work(['crossing']), Side::Left)->isYes());
        self::assertTrue(May::load($holds, new Work(['turn-out']), Side::Right)->isYes());
    }

    /** @return list<string> */
    private static function bars(May $may): array
    {
        return array_map(static fn (Reason $reason): string => $reason->code, $may->bars);
    }

    /**
     * @param list<Condition> $conditions
     * @param list<Seen> $seen
     */
    private static function person(array $conditions = [], array $seen = []): Snapshot
    {
        return Person::of(['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]], $conditions,
            seen: $seen);
    }

    private static function seen(string $rung, bool $isClean = true): Seen
    {
        return new Seen('turner', $rung, Side::Left, $isClean, new \DateTimeImmutable('2026-03-05'));
    }

    private static function poses(Snapshot $person): ReadPoses
    {
        $rung = static fn (string $id, float $degrees, array $loads,
            bool $isGentle = false): RungDefinition => new RungDefinition($id, $id, null, ['rotation' => $degrees],
                new Work($loads, $isGentle));
        $rungs = [
            $rung('ground', 20.0, ['lying-rest'], true),
            $rung('high', 65.0, ['turn-out', 'weight-on-knee']),
            $rung('full', 120.0, ['turn-out', 'weight-on-knee']),
            $rung('full-free', 120.0, ['turn-out']),
        ];

        return new ReadPoses(['turner' => new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation], $rungs,
            [])], $person, []);
    }
}
