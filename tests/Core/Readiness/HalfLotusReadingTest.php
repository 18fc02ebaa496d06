<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\HalfLotusReading;
use LucidAscent\Core\Readiness\HalfLotusVerdict;
use LucidAscent\Core\Readiness\LotusGate;
use LucidAscent\Core\Readiness\Margin;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\SolesTogetherTest;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class HalfLotusReadingTest extends TestCase
{
    #[DataProvider('gates')]
    public function testTheGateFollowsHeelsAndKnee(float $heels, float $knee, GateOutcome $expected): void
    {
        self::assertSame($expected, LotusGate::outcome($heels, $knee, 9.0));
    }

    public static function gates(): iterable
    {
        yield 'close and low' => [15, 10, GateOutcome::MayTry];
        yield 'close, not low' => [15, 10.1, GateOutcome::Supported];
        yield 'low, not close' => [15.1, 10, GateOutcome::Supported];
        yield 'far and high' => [30.1, 14.1, GateOutcome::NotNow];
        yield 'far, not high' => [30.1, 14.0, GateOutcome::Supported];
        yield 'high, not far' => [30.0, 30.0, GateOutcome::Supported];
    }

    public function testALowerBoundOpensAndNeverShortens(): void
    {
        $margin = static fn (Bound $bound, float $capacity): State => (new Margin(Component::Rotation, $capacity, $bound, 100, 2.0))->state();
        // 1.96 · √2 · 2.0 is 5.5 degrees.
        self::assertSame(State::Open, $margin(Bound::AtLeast, 106));
        self::assertSame(State::Near, $margin(Bound::AtLeast, 104));
        self::assertSame(State::Unknown, $margin(Bound::AtLeast, 99));
        self::assertSame(State::Unknown, $margin(Bound::AtLeast, 20));
        self::assertSame(State::Near, $margin(Bound::Exact, 96));
        self::assertSame(State::Short, $margin(Bound::Exact, 94));
    }

    public function testAPostureIsAsItsWorstComponent(): void
    {
        $order = [State::Open, State::Near, State::Unknown, State::Short, State::Held];
        foreach ($order as $i => $state) {
            foreach ($order as $j => $other) {
                self::assertSame($order[max($i, $j)], $state->worse($other));
            }
        }
    }

    public function testSolesTogetherNeverSaysShort(): void
    {
        for ($heels = 8.0; $heels <= 44.0; $heels += 4.0) {
            for ($knee = 4.0; $knee <= 30.0; $knee += 2.0) {
                $verdict = $this->read($heels, $knee);
                self::assertNotSame(State::Short, $verdict->state);
                if (GateOutcome::MayTry !== $verdict->gate) {
                    self::assertNotSame(State::Open, $verdict->state);
                }
            }
        }
    }

    public function testTheBlockIsNoLowerThanTheAnglesAllow(): void
    {
        $verdict = $this->read(18, 8);
        self::assertNotNull($verdict->block);
        self::assertNotNull($verdict->measured);
        self::assertLessThanOrEqual($verdict->measured->angles->rotation, $verdict->block->pose->angles->rotation);
        self::assertSame(Component::Rotation, $verdict->block->limiter);
        self::assertContains('block.height', $this->codes($verdict));
    }

    public function testWithoutAHeightThereIsNoBlock(): void
    {
        $verdict = $this->read(25, 20);
        self::assertNull($verdict->block);
        self::assertContains('block.none', $this->codes($verdict));
    }

    public function testEveryVerdictSaysWhatWouldChangeIt(): void
    {
        self::assertSame(['change.to-supported', 'change.to-may-try', 'change.direct-test'], array_map(static fn (Reason $r): string => $r->code, $this->read(35, 25)->changes));
    }

    public function testPainInTheKneeHoldsTheSide(): void
    {
        $verdict = $this->read(10, 8, new Pain(1, PainPlace::Knee));
        self::assertSame(State::Held, $verdict->state);
        self::assertSame(['held.knee-pain'], $this->codes($verdict));
    }

    public function testPainOfAStoppingKindHoldsTheSide(): void
    {
        self::assertSame(['held.stop-sign'], $this->codes($this->read(10, 8, new Pain(2, PainPlace::Groin, PainKind::Pinching))));
    }

    public function testAnAcheElsewhereDoesNotHold(): void
    {
        self::assertSame(GateOutcome::MayTry, $this->read(12, 8, new Pain(2, PainPlace::InnerThigh))->gate);
    }

    public function testAReadingGoesStaleAfterNinetyDays(): void
    {
        self::assertNotNull($this->read(12, 8, days: 90)->gate);
        self::assertSame(['unknown.too-old'], $this->codes($this->read(12, 8, days: 91)));
    }

    public function testNumbersThatFitNoLegAreUnknown(): void
    {
        self::assertSame(['unknown.out-of-reach'], $this->codes($this->read(100, 8)));
    }

    public function testBothSidesOfAnEvenBodyReadAlike(): void
    {
        $left = $this->read(20, 14);
        $right = $this->read(20, 14, side: Side::Right);
        self::assertNotNull($left->measured);
        self::assertNotNull($right->measured);
        self::assertEquals($left->measured->angles, $right->measured->angles);
        self::assertSame($this->codes($left), $this->codes($right));
    }

    private function read(float $heels, float $knee, ?Pain $pain = null, int $days = 0, Side $side = Side::Left): HalfLotusVerdict
    {
        $now = new \DateTimeImmutable('2026-06-01 10:00');

        return HalfLotusReading::of(
            new SolesTogetherTest($side, 0.0, [['kneeHeight' => $knee, 'heelDistance' => $heels]], $pain ?? Pain::none(), $now->modify("-$days days")),
            SampleBody::proportions(),
            $now,
        );
    }

    /** @return list<string> */
    private function codes(HalfLotusVerdict $verdict): array
    {
        return array_map(static fn (Reason $reason): string => $reason->code, $verdict->reasons);
    }
}
