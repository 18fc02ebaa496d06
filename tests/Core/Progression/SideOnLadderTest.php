<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Progression;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Progression\SideOnLadder;
use LucidAscent\Core\Progression\SideRecord;
use LucidAscent\Core\Progression\Step;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Testing\SolesTogetherTest;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

final class SideOnLadderTest extends TestCase
{
    public function testWithoutADecisionTheVerdictChoosesTheRung(): void
    {
        self::assertSame('a', $this->stand(self::test(35, 25))?->id);
        self::assertSame('b', $this->stand(self::test(20, 14))?->id);
    }

    public function testPracticeMovesASideAndTheGateStaysTheCeiling(): void
    {
        $ladder = DecideTest::ladder();
        self::assertSame('a', $this->stand(self::test(20, 14), Step::StepBack, $ladder->rung('a'))?->id);
        self::assertSame('b', $this->stand(self::test(20, 14), Step::MoveOn, $ladder->rung('c'))?->id);
    }

    public function testANewTestCanRaiseASideAgain(): void
    {
        $ladder = DecideTest::ladder();
        $rung = $this->stand(self::test(20, 14, day: '10'), Step::StepBack, $ladder->rung('a'), decidedOn: '05');
        self::assertSame('b', $rung?->id);
    }

    public function testAStopHoldsUntilItIsLiftedAndThenTheTestComesFirst(): void
    {
        $ladder = DecideTest::ladder();
        $held = $this->side(self::test(20, 14), Step::Stop, $ladder->rung('b'));
        self::assertTrue($held->isHeld());
        self::assertNull($held->standing->rung);

        $lifted = $this->side(self::test(20, 14), Step::Stop, $ladder->rung('b'), clearedOn: '07');
        self::assertSame(State::Unknown, $lifted->verdict->state);
        self::assertSame('unknown.since-clearance', $lifted->verdict->reasons[0]->code);
        self::assertNull($lifted->standing->rung);

        $tested = $this->side(self::test(20, 14, day: '09'), Step::Stop, $ladder->rung('b'), clearedOn: '07');
        self::assertSame('a', $tested->standing->rung?->id);
    }

    public function testAPainfulTestAfterAClearanceHoldsAgain(): void
    {
        self::assertTrue($this->side(self::test(20, 14, new Pain(1, PainPlace::Knee), '09'), clearedOn: '07')->isHeld());
    }

    public function testWithoutBodyOrTestNothingIsKnown(): void
    {
        $now = new \DateTimeImmutable('2026-06-20');
        $none = SideOnLadder::of(DecideTest::ladder(), SampleBody::proportions(), new SideRecord(Side::Left), $now);
        self::assertSame('unknown.no-test', $none->verdict->reasons[0]->code);
        $noBody = SideOnLadder::of(DecideTest::ladder(), null, new SideRecord(Side::Left, self::test(20, 14)), $now);
        self::assertSame('unknown.no-body', $noBody->verdict->reasons[0]->code);
    }

    private static function test(float $heels, float $knee, ?Pain $pain = null, string $day = '01'): SolesTogetherTest
    {
        return new SolesTogetherTest(Side::Left, 0.0, [['kneeHeight' => $knee, 'heelDistance' => $heels]], $pain ?? Pain::none(), new \DateTimeImmutable("2026-06-$day 09:00"));
    }

    private function stand(SolesTogetherTest $test, ?Step $step = null, ?Rung $decided = null, string $decidedOn = '05'): ?Rung
    {
        return $this->side($test, $step, $decided, $decidedOn)->standing->rung;
    }

    private function side(SolesTogetherTest $test, ?Step $step = null, ?Rung $decided = null, string $decidedOn = '05', ?string $clearedOn = null): SideOnLadder
    {
        return SideOnLadder::of(DecideTest::ladder(), SampleBody::proportions(), new SideRecord(
            Side::Left,
            $test,
            $step,
            $decided,
            null === $step ? null : new \DateTimeImmutable("2026-06-$decidedOn 10:00"),
            null === $clearedOn ? null : new \DateTimeImmutable("2026-06-$clearedOn 10:00"),
        ), new \DateTimeImmutable('2026-06-20'));
    }
}
