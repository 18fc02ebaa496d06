<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Caution;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Exemption;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PainTest extends TestCase
{
    public function testTheSameWasSaidOnlyWhenAllOfItIs(): void
    {
        $pain = new Pain(2, PainPlace::OuterHip, PainKind::Ache);
        self::assertTrue($pain->equals(new Pain(2, PainPlace::OuterHip, PainKind::Ache)));
        foreach ([new Pain(3, PainPlace::OuterHip, PainKind::Ache), new Pain(2, PainPlace::InnerThigh, PainKind::Ache),
            new Pain(2, PainPlace::OuterHip, PainKind::Sharp)] as $other) {
            self::assertFalse($pain->equals($other));
        }
    }

    #[DataProvider('pains')]
    public function testWhatIsFeltAndWhatItSpoils(Pain $pain, bool $isFelt, bool $spoils): void
    {
        self::assertSame([$isFelt, $spoils], [$pain->isFelt(), $pain->spoils()]);
    }

    /** @return iterable<string, array{Pain, bool, bool}> */
    public static function pains(): iterable
    {
        yield 'none' => [Pain::none(), false, false];
        yield 'numbness at nought' => [new Pain(0, PainPlace::OuterHip, PainKind::LastingNumbness), true, true];
        yield 'an ache of one' => [new Pain(1, PainPlace::OuterHip, PainKind::Ache), true, true];
        yield 'a stretch that nobody minds' => [new Pain(4, PainPlace::OuterHip, PainKind::Stretch), true, false];
        yield 'a stretch of five' => [new Pain(5, PainPlace::OuterHip, PainKind::Stretch), true, true];
        yield 'a stretch in the knee' => [new Pain(1, PainPlace::Knee, PainKind::Stretch), true, true];
        yield 'unreadable' => [Pain::unreadable(), true, true];
    }

    public function testNobodyHasAskedUntilItIsSaid(): void
    {
        $day = static fn (string $day): \DateTimeImmutable => new \DateTimeImmutable($day);
        $hurt = new PainTold('p', $day('2026-03-01'), $day('2026-03-01'), new Pain(1, PainPlace::Knee, PainKind::Ache),
            null);
        $given = new ClearanceGiven('w', $day('2026-03-05'), $day('2026-03-05'), ['p'], ClearanceAuthority::Teacher);
        self::assertNotSame([], Holds::of([$hurt, $given], $day('2026-03-10'))->active,
            'The teacher’s word counts after asking alone.');
        self::assertSame([], Holds::of([$hurt, new ClearanceGiven('w', $day('2026-03-05'), $day('2026-03-05'), ['p'],
            ClearanceAuthority::Teacher, true)], $day('2026-03-10'))->active);
    }

    public function testWhatNobodyKnowsHoldsEverythingDeep(): void
    {
        self::assertTrue(Condition::unknown('x')->holds(new Work(['turn-out'])));
        self::assertFalse(Condition::unknown('x')->holds(new Work(['turn-out'], true)));
        self::assertTrue(Condition::everything('x', 'X')->holds(new Work(['lying-rest'], true)));
        foreach (['knee-folded', 'turn-out', 'turn-in', 'crossing', 'twist', 'hip-flexed-end', 'hip-extended-end',
            'legs-wide-end', 'hamstring-end'] as $load) {
            self::assertTrue(Condition::everything('x', 'X', Exemption::LyingRest)
                ->holds(new Work(['lying-rest', $load], true)), "Lying, and $load: that is no rest.");
        }
        self::assertFalse(Condition::everything('x', 'X', Exemption::LyingRest)
            ->holds(new Work(['lying-rest'], true)));
    }

    public function testWhatTheOtherLegDoesIsHeldOnThatLeg(): void
    {
        $day = new \DateTimeImmutable('2026-03-01');
        $left = new \LucidAscent\Core\Caution\Entry\ConditionTold('c', $day, $day,
            new Condition('impingement', 'Impingement', ['hip-flexed-end']), Side::Left);
        $holds = Holds::of([$left], new \DateTimeImmutable('2026-03-10'));
        $planted = new Work(['turn-out'], false, otherLegLoads: ['hip-flexed-end']);
        self::assertSame([], $holds->on($planted, Side::Left), 'The right hip is planted, and may be.');
        self::assertCount(1, $holds->on($planted, Side::Right), 'The left hip is.');
        self::assertSame([], $holds->on(new Work(['turn-out']), Side::Right));
        self::assertCount(1, $holds->on($planted->loading(['knee-folded']), Side::Right),
            'More loads of this leg take none from that one.');
        $knee = Holds::of([new PainTold('p', $day, $day, new Pain(1, PainPlace::Knee, PainKind::Ache), Side::Left)],
            new \DateTimeImmutable('2026-03-10'));
        self::assertCount(1, $knee->on($planted, Side::Right));
    }
}
