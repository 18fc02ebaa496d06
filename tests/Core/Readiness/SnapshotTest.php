<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\LegAsked;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use PHPUnit\Framework\TestCase;

/** On the 10th of March; the tests are of the 2nd. */
final class SnapshotTest extends TestCase
{
    public function testWhatIsTooOldSaysNothing(): void
    {
        $person = Person::of(['frog' => [['span' => 90.0]]]);
        $on = static fn (string $day): \DateTimeImmutable => new \DateTimeImmutable($day);
        self::assertSame(8, $person->age($on('2026-03-02 23:00')));
        self::assertFalse($person->isTooOld($on('2025-12-10')), '90 days');
        self::assertTrue($person->isTooOld($on('2025-12-09')), '91 days');
        self::assertFalse($person->isTooOld(null));
        self::assertSame('frog', $person->newest('frog', Side::Right)?->test);
        self::assertNull($person->newest('soles-together', Side::Right));
        self::assertNull(Person::of(['frog' => [['span' => 90.0]]], on: '2026-06-10')->newest('frog', Side::Right));
    }

    public function testAnythingThatWasFoundOutIsSomething(): void
    {
        $day = new \DateTimeImmutable('2026-03-02');
        self::assertTrue(Person::of([])->isUntested());
        self::assertFalse(Person::of(['frog' => [['span' => 90.0]]])->isUntested());
        self::assertFalse(Person::of([], seen: [new Seen('turner', 'low', Side::Left, false, $day)])->isUntested());
        self::assertFalse(Person::of([], checks: ['turner left' => [new ReadinessCheck('low', $day, true, true,
            Pain::none(), [])]])->isUntested());
    }

    public function testTheNewestTryCountsAndOfOneDayTheWorse(): void
    {
        $seen = static fn (bool $clean, string $on, string $rung = 'low', Side $side = Side::Left,
            bool $practice = false): Seen => new Seen('turner', $rung, $side, $clean, new \DateTimeImmutable($on),
                isPractice: $practice);
        $of = static fn (Seen ...$seen): ?bool => Person::of([], seen: array_values($seen))
            ->seen('turner', 'low', Side::Left)?->isClean;
        self::assertNull($of());
        self::assertNull($of($seen(true, '2026-03-02', 'high')));
        self::assertNull($of($seen(true, '2026-03-02', 'low', Side::Right)));
        self::assertNull($of($seen(true, '2025-12-09')));
        self::assertTrue($of($seen(true, '2026-03-02')));
        self::assertTrue($of($seen(true, '2026-03-03'), $seen(false, '2026-03-02')));
        self::assertFalse($of($seen(false, '2026-03-03'), $seen(true, '2026-03-02')));
        foreach ([[true, false], [false, true]] as [$first, $second]) {
            self::assertFalse($of($seen($first, '2026-03-03'), $seen($second, '2026-03-03')));
        }
        $been = static fn (Seen ...$seen): bool => Person::of([], seen: array_values($seen))
            ->hasBeenSeen('turner', 'low', Side::Left);
        self::assertTrue($been($seen(true, '2026-03-02')));
        self::assertFalse($been($seen(true, '2026-03-02', practice: true)),
            'Practice passes after three sessions, not after one.');
        self::assertTrue($been($seen(true, '2026-03-02'), $seen(true, '2026-03-03', practice: true)));
        self::assertFalse($been($seen(true, '2026-03-02'), $seen(false, '2026-03-03', practice: true)),
            'A newer try says otherwise.');
        self::assertFalse($been($seen(true, '2025-12-09'), $seen(true, '2026-03-03', practice: true)), 'Too long ago.');
        $since = new EvidenceCutOff(new \DateTimeImmutable('2026-03-04'), new \DateTimeImmutable('2026-03-04'));
        $person = Person::of([], seen: [$seen(true, '2026-03-04')]);
        self::assertNull($person->seen('turner', 'low', Side::Left, $since));
        self::assertFalse($person->hasBeenSeen('turner', 'low', Side::Left, $since));
        $person = Person::of([], seen: [$seen(true, '2026-03-03'), $seen(true, '2026-03-05', practice: true)]);
        self::assertTrue($person->seen('turner', 'low', Side::Left, $since)?->isClean);
        self::assertFalse($person->hasBeenSeen('turner', 'low', Side::Left, $since));
    }

    /** One clean practice of the rung, and a clean walk of something else: not seen but in practice. */
    public function testWhatWasSeenElsewhereIsNotSeenHere(): void
    {
        $day = new \DateTimeImmutable('2026-03-03');
        $practised = new Seen('turner', 'low', Side::Left, true, $day, isPractice: true);
        foreach ([new Seen('other', 'low', Side::Left, true, $day), new Seen('turner', 'high', Side::Left, true, $day),
            new Seen('turner', 'low', Side::Right, true, $day)] as $elsewhere) {
            self::assertFalse(Person::of([], seen: [$practised, $elsewhere])->hasBeenSeen('turner', 'low', Side::Left));
        }
        $before = new Seen('turner', 'low', Side::Left, false, new \DateTimeImmutable('2026-03-02'));
        self::assertFalse(Person::of([], seen: [$practised, $before])->hasBeenSeen('turner', 'low', Side::Left),
            'Walked once, and not clean.');
    }

    public function testASuppositionReplacesWhatItSpeaksOfOnItsSideAlone(): void
    {
        $person = Person::of(['frog' => [['span' => 90.0]],
            'shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]]);
        $supposed = $person->supposing(Side::Left, [new Evidence(Ability::Abduction, 70.0, Bound::Exact,
            Uncertainty::none(), 'supposed', on: $person->on)]);
        self::assertEqualsWithDelta(70.0, $supposed->capacities(Side::Left)->get(Ability::Abduction)?->value, 1e-9);
        self::assertEqualsWithDelta($person->capacities(Side::Right)->get(Ability::Abduction)?->value,
            $supposed->capacities(Side::Right)->get(Ability::Abduction)?->value, 1e-9);
        self::assertEqualsWithDelta($person->capacities(Side::Left)->get(Ability::ExternalRotation)?->value,
            $supposed->capacities(Side::Left)->get(Ability::ExternalRotation)?->value, 1e-9);
        self::assertNotEqualsWithDelta(70.0, $person->capacities(Side::Left)->get(Ability::Abduction)?->value, 1e-3);
        self::assertSame($person->holds, $supposed->holds);
    }

    /** What was reckoned of a leg serves a supposition too, where that changes nothing of it, and nowhere else. */
    public function testAFreeKneeGoesWhereItSuitsWhatIsSupposed(): void
    {
        $read = ['frog' => [['span' => 90.0]], 'shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]];
        $free = new Demand(static fn (Capacity $capacity): Posture => new FreeKnee(HalfLotus::place(new Sitting()),
            $capacity));
        $fixed = new Demand(static fn (Capacity $capacity): Posture => new KneeAtHeight(HalfLotus::place(new Sitting()),
            20.0));
        $asked = static fn (Snapshot $person, Demand $demand,
            Side $side = Side::Left): LegAsked => LegAsked::of($demand, PropRule::None, $person, $side,
                $person->capacities($side), false);
        foreach ([[Ability::ExternalRotation, 60.0], [Ability::Abduction, 35.0], [Ability::Balance, 20.0]] as [$ability,
            $value]) {
            $person = Person::of($read);
            $before = $asked($person, $free);
            $supposed = $person->supposing(Side::Left, [new Evidence($ability, $value, Bound::Exact,
                Uncertainty::none(), 'supposed', on: $person->on)]);
            $alone = new Snapshot($supposed->proportions, $supposed->evidence, $supposed->holds, [], $supposed->on);
            self::assertSame($asked($alone, $free)->angles, $asked($supposed, $free)->angles);
            self::assertSame(Ability::Balance === $ability, $before === $asked($supposed, $free),
                'Balance moves no knee.');
            self::assertSame($before, $asked($supposed, $free, Side::Right),
                'The other side is as it was, and as the first had been.');
            self::assertSame($asked($person, $fixed), $asked($supposed, $fixed));
        }
        $longer = Person::of($read, proportions: Proportions::of(Length::cm(168.0),
            ['thigh.right' => Length::cm(43.0)]));
        self::assertNotEquals($asked($longer, $fixed)->angles, $asked($longer, $fixed, Side::Right)->angles,
            'Legs that differ are two.');
    }

    public function testAfterAWordOnlyWhatIsNewerCounts(): void
    {
        $person = Person::of(['frog' => [['span' => 90.0]]]);
        $since = static fn (string $day): EvidenceCutOff => new EvidenceCutOff(new \DateTimeImmutable($day),
            new \DateTimeImmutable($day));
        self::assertNotNull($person->capacities(Side::Left, $since('2026-03-01'))->get(Ability::Abduction));
        self::assertNull($person->capacities(Side::Left, $since('2026-03-02'))->get(Ability::Abduction));
    }
}
