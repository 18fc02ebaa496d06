<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\DeepPigeonBack;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\Contact\PigeonFront;
use LucidAscent\Core\LegChain\Contact\ShinsStacked;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\Reach;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Reach\OverUnder;
use LucidAscent\Core\Reach\StrapOverhead;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\ReadSeen;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How high the prop of a rung has to be, from what one side has shown. */
final class PropHeightsTest extends TestCase
{
    private const TURN = ['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]];

    public function testAGapIsTheLeastAtWhichEveryShownAngleSuffices(): void
    {
        $shown = (new ShinsStacked(14.0, 10.0, new Sitting()))->angles(SampleBody::leg())['rotation'];
        $at = static fn (float $height): float => (new PigeonFront($height, 20.0))
            ->angles(SampleBody::leg())['rotation'];
        $gap = self::height(PropRule::HipGap, static fn (): Posture => new PigeonFront(12.0, 20.0), self::TURN);
        self::assertNotNull($gap);
        $hip = $gap + SampleBody::leg()->seatedHipHeight;
        self::assertGreaterThan(1.0, $gap);
        self::assertLessThanOrEqual($shown + 1e-6, $at($hip));
        self::assertGreaterThan($shown, $at($hip - 0.1), 'A millimetre less asks for more than was shown.');
    }

    public function testTheGapUnderAKneeIsMeasuredToTheTopOfTheProp(): void
    {
        $knee = self::height(PropRule::KneeGap,
            static fn (): Posture => new KneeAtHeight(HalfLotusEasy::place(new Sitting()), 14.0), self::TURN);
        self::assertNotNull($knee);
        $capacity = new Capacity(130.0, null, (new ShinsStacked(14.0, 10.0, new Sitting()))
            ->angles(SampleBody::leg())['rotation']);
        self::assertEqualsWithDelta($capacity->rotation, (new KneeAtHeight(HalfLotusEasy::place(new Sitting()),
            $knee + LegChain::HALF_KNEE))->angles(SampleBody::leg())['rotation'], 0.1);
    }

    public function testWhereNoHeightHelpsThereIsNone(): void
    {
        self::assertNull(self::height(PropRule::KneeGap,
            static fn (): Posture => new KneeAtHeight(HalfLotus::place(new Sitting()), 14.0), self::TURN));
    }

    public function testAKneeLiesNoLowerThanTheAnkleUnderIt(): void
    {
        $gap = self::height(PropRule::KneeGap, static fn (): Posture => new ShinsStacked(20.0, 10.0, new Sitting()),
            ['shins-stacked' => [['kneeHeight' => 6.0, 'ankleHeight' => 20.0]]]);
        self::assertNotNull($gap);
        self::assertEqualsWithDelta(10.0 - LegChain::HALF_KNEE, $gap, 0.01);
    }

    public function testWithoutAReadingThereIsNoHeight(): void
    {
        foreach (PropRule::cases() as $rule) {
            self::assertNull(self::height($rule, static fn (): Posture => new PigeonFront(12.0, 20.0), []),
                $rule->value);
        }
        self::assertNull(self::height(PropRule::KneeGap, static fn (): Posture => new PigeonFront(12.0, 20.0),
            self::TURN), 'Nor where the position has no such height.');
    }

    public function testAStrapIsAsLongAsTheReachLeavesOpen(): void
    {
        $strap = static fn (float $gap): ?float => self::height(PropRule::HandsGap,
            static fn (): Posture => new PigeonFront(12.0, 20.0), ['behind-back-reach' => [['gap' => $gap]]],
            new OverUnder());
        self::assertSame([14.0, 3.5, 0.0], array_map($strap, [14.0, 3.5, -6.0]), 'Hands that overlap need none.');
        self::assertNull($strap(60.0), 'No strap is worth tying for that.');
        self::assertNull(self::height(PropRule::HandsGap, static fn (): Posture => new PigeonFront(12.0, 20.0), [],
            new OverUnder()), 'Nobody has read the shoulders.');
        $back = new DeepPigeonBack(17.0, 105.0, 45.0, 170.0, 60.0, 50.0, 29.0, 25.0);
        $values = ['shoulderFlexion' => 170.0, 'kneeFlexion' => 105.0];
        self::assertEqualsWithDelta($back->strap(SampleBody::leg()), self::height(PropRule::FootStrap,
            static fn (): Posture => new PigeonFront(12.0, 20.0), [],
            new StrapOverhead(new Demand(static fn (): Posture => $back, values: $values))), 1e-9);
    }

    #[DataProvider('rules')]
    public function testOnlyAPropThatDecidesWhatIsAskedHidesTheAnglesOfWhatWasSeen(PropRule $rule, int $angles): void
    {
        $rung = self::rung($rule, static fn (): Posture => new PigeonFront(18.0, 20.0));
        self::assertCount($angles, ReadSeen::evidence(new Seen('pose', 'low', Side::Left, true,
            new \DateTimeImmutable('2026-03-05')), $rung, SampleBody::proportions()));
        $onProp = new Seen('pose', 'low', Side::Left, true, new \DateTimeImmutable('2026-03-05'),
            values: ['hipHeight' => 25.0]);
        $asked = (new PigeonFront(25.0, 20.0))->angles(SampleBody::leg());
        foreach (ReadSeen::evidence($onProp, $rung, SampleBody::proportions()) as $e) {
            self::assertEqualsWithDelta($asked[$e->ability->value], $e->value, 1e-9,
                'As high as it was, not as the rung would have it.');
        }
    }

    /** @return iterable<string, array{PropRule, int}> */
    public static function rules(): iterable
    {
        foreach (PropRule::cases() as $rule) {
            yield $rule->value => [$rule, in_array($rule, [PropRule::KneeBlock, PropRule::LevelSeat], true) ? 0 : 4];
        }
    }

    /** @param array<string, non-empty-list<array<string, float>>> $tests */
    private static function height(PropRule $rule, \Closure $demand, array $tests, ?Reach $reach = null): ?float
    {
        $person = Person::of($tests);
        $poses = new ReadPoses(['pose' => new PostureDefinition('pose', 'Pose', [Ability::ExternalRotation],
            [self::rung($rule, $demand, $reach)], [])], $person, []);

        return PropHeights::of($poses->of('pose', Side::Left)->full(), $person, Side::Left);
    }

    private static function rung(PropRule $rule, \Closure $demand, ?Reach $reach = null): RungDefinition
    {
        return new RungDefinition('low', 'Low', new Demand($demand), [], new Work(['turn-out'], false), prop: $rule,
            reach: $reach);
    }
}
