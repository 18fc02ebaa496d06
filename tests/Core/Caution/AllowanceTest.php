<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Caution;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use PHPUnit\Framework\TestCase;

final class AllowanceTest extends TestCase
{
    public function testAPartIsLiftedAndTheRestStaysHeld(): void
    {
        $folded = static fn (float $degrees): Work => new Work(['knee-folded'], angles: ['kneeFlexion' => $degrees]);
        $gentle = new Work(['lying-rest'], true);
        $held = static fn (Work $work, Allowance $allows): bool => [] !== self::holds(self::word('12', $allows))
            ->on($work, Side::Left);
        self::assertFalse($held($folded(150.0), new Allowance()));
        self::assertTrue($held($folded(150.0), new Allowance(isGentle: true)));
        self::assertFalse($held($gentle, new Allowance(isGentle: true)));
        self::assertTrue($held(new Work(['twist', 'prone']), new Allowance(without: ['twist'])));
        self::assertFalse($held(new Work(['prone']), new Allowance(without: ['twist'])));
        $limit = new Allowance(upTo: ['kneeFlexion' => 115.0]);
        self::assertFalse($held($folded(115.0), $limit));
        self::assertTrue($held($folded(115.1), $limit));
        self::assertTrue($held(new Work(['knee-folded']), $limit), 'Nobody knows how far that folds it.');
        self::assertFalse($held(new Work(['prone']), $limit), 'That folds none.');
        self::assertTrue($held($gentle, Allowance::nothing()));
    }

    public function testOfACaseThatHoldsSomeLoadsAnAngleLiftsWhatItIsAbout(): void
    {
        $day = new \DateTimeImmutable('2026-03-05');
        $worn = new Condition('worn', 'Worn', ['knee-folded', 'weight-on-knee'], deepHolds: ['turn-out']);
        $held = static fn (Allowance $allows, string ...$loads): bool => [] !== Holds::of([
            new ConditionTold('c', $day, $day, $worn, Side::Left), self::word('12', $allows),
        ], new \DateTimeImmutable('2026-03-20'))->on(new Work(array_values($loads), angles: ['kneeFlexion' => 110.0]),
            Side::Left);
        $angle = new Allowance(upTo: ['kneeFlexion' => 115.0]);
        self::assertFalse($held($angle, 'knee-folded'));
        self::assertTrue($held($angle, 'knee-folded', 'weight-on-knee'));
        self::assertTrue($held($angle, 'knee-folded', 'turn-out'));
        self::assertTrue($held(new Allowance(upTo: ['kneeFlexion' => 105.0]), 'knee-folded'));
        self::assertFalse($held(new Allowance(without: ['weight-on-knee'], upTo: ['kneeFlexion' => 115.0]),
            'knee-folded', 'turn-out'), 'All but what is named.');
    }

    public function testTheOtherLegIsLimitedWhereItIsTheOneThatTheWordIsAbout(): void
    {
        $holds = self::holds(self::word('12', new Allowance(upTo: ['kneeFlexion' => 115.0])));
        $work = static fn (float $other): Work => new Work(['turn-out'], otherLegLoads: ['knee-folded'],
            angles: ['kneeFlexion' => 150.0], otherLegAngles: ['kneeFlexion' => $other]);
        self::assertSame([], $holds->on($work(100.0), Side::Right), 'This knee is the right one, and is free.');
        self::assertCount(1, $holds->on($work(140.0), Side::Right));
        self::assertCount(1, $holds->on($work(100.0), Side::Left));
        self::assertSame(['kneeFlexion' => 115.0], $holds->limits(Side::Left));
        self::assertSame([], $holds->limits(Side::Right));
    }

    public function testOfTheRestTestsComeFirst(): void
    {
        $holds = self::holds(self::word('12', new Allowance(without: ['twist'])));
        self::assertCount(1, $holds->clearedOn(new Work(['prone']), Side::Left));
        self::assertNotNull($holds->cutOff(new Work(['prone']), Side::Left));
        self::assertNull($holds->active[0]->cutOff(), 'What is left has not ended.');
        self::assertFalse($holds->isWholeSideHeld(Side::Left));
    }

    public function testTheNewestWordStandsAndOfTwoAtOnceWhatBothAllow(): void
    {
        $twist = new Work(['twist']);
        $part = self::word('12', new Allowance(without: ['twist']));
        $all = self::word('14', new Allowance());
        self::assertSame([], self::holds($part, $all)->active);
        self::assertCount(1, self::holds(self::word('10', new Allowance()), $part)->on($twist, Side::Left));
        self::assertCount(1, self::holds($all, self::word('16', Allowance::nothing(), ClearanceAuthority::Teacher))
            ->on($twist, Side::Left), 'That nothing is allowed anybody may say.');
        $both = self::holds(self::word('12', new Allowance(upTo: ['flexion' => 90.0])),
            self::word('12', new Allowance(isGentle: true, upTo: ['flexion' => 100.0, 'rotation' => 40.0])));
        self::assertEquals(['flexion' => 90.0, 'rotation' => 40.0], $both->limits(Side::Left));
        self::assertTrue($both->keepsShort($twist, Side::Left));
    }

    public function testOfTwoWordsEachAllowsNoMoreThanTheOther(): void
    {
        $all = new Allowance();
        foreach ([[$all, $all, false, false], [$all, Allowance::nothing(), true, false],
            [Allowance::nothing(), $all, true, false], [$all, new Allowance(isGentle: true), false, true],
            [new Allowance(isGentle: true), $all, false, true]] as [$one, $other, $isNothing, $isGentle]) {
            self::assertSame([$isNothing, $isGentle], [$one->and($other)->isNothing, $one->and($other)->isGentle]);
        }
        $limit = ['kneeFlexion' => 115.0];
        self::assertTrue((new Allowance(upTo: $limit))->isOfAnglesAlone());
        foreach ([$all, new Allowance(isNothing: true, upTo: $limit), new Allowance(isGentle: true, upTo: $limit),
            new Allowance(without: ['twist'], upTo: $limit)] as $other) {
            self::assertFalse($other->isOfAnglesAlone());
        }
        $deep = new Work(['knee-folded'], angles: ['kneeFlexion' => 150.0]);
        self::assertFalse((new Allowance(upTo: $limit))->allows($deep));
        self::assertTrue((new Allowance(upTo: $limit))->allows($deep, true), 'The other knee is limited by nobody.');
    }

    public function testATeacherWhoAskedNothingLiftsNoPain(): void
    {
        $day = new \DateTimeImmutable('2026-03-05');
        $pain = new PainTold('p', $day, $day, new Pain(1, PainPlace::Knee, PainKind::Ache), Side::Left);
        $word = new ClearanceGiven('w', new \DateTimeImmutable('2026-03-12'), new \DateTimeImmutable('2026-03-12'),
            ['p'], ClearanceAuthority::Teacher);
        self::assertFalse($word->isAsked);
        self::assertCount(1, Holds::of([$pain, $word], new \DateTimeImmutable('2026-03-20'))->active);
    }

    public function testAWordThatDoesNotLiftIsNamed(): void
    {
        $mayNot = self::word('12', new Allowance(), ClearanceAuthority::Teacher);
        self::assertCount(1, self::holds($mayNot)->notLiftedBy($mayNot));
        $part = self::word('12', new Allowance(isGentle: true));
        self::assertSame([], self::holds($part)->notLiftedBy($part));
    }

    private static function holds(ClearanceGiven ...$words): Holds
    {
        $day = new \DateTimeImmutable('2026-03-05');

        return Holds::of([new ConditionTold('c', $day, $day, Condition::everything('hurt', 'Hurt'), Side::Left),
            ...$words], new \DateTimeImmutable('2026-03-20'));
    }

    private static function word(
        string $day,
        Allowance $allows,
        ClearanceAuthority $of = ClearanceAuthority::Clinician,
    ): ClearanceGiven {
        $at = new \DateTimeImmutable("2026-03-$day");

        return new ClearanceGiven("w$day", $at, $at, ['c'], $of, true, 't', $allows);
    }
}
