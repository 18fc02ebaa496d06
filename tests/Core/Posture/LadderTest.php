<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Posture;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Progression\Standing;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\HalfLotusReading;
use LucidAscent\Core\Readiness\HalfLotusVerdict;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\SolesTogetherTest;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

final class LadderTest extends TestCase
{
    public function testRungsKnowTheirNeighbours(): void
    {
        $ladder = self::ladder();
        self::assertSame('seat', $ladder->first()->id);
        self::assertSame('block', $ladder->after($ladder->rung('seat'))?->id);
        self::assertNull($ladder->after($ladder->rung('free')));
        self::assertNull($ladder->before($ladder->first()));
        self::assertTrue($ladder->isAbove($ladder->rung('free'), $ladder->rung('block')));
        self::assertFalse($ladder->isAbove($ladder->rung('block'), $ladder->rung('block')));
        self::assertFalse($ladder->has('roof'));
    }

    public function testAnEntryThatIsNoRungIsRefused(): void
    {
        $this->expectException(\OutOfBoundsException::class);
        new Ladder('x', 'X', [self::ladder()->first()], ['not-now' => 'roof']);
    }

    public function testTheSeatRisesUntilTheKneesAreNoHigherThanTheHips(): void
    {
        // Knee at 22, hip joint at 9: thirteen centimetres of seat.
        $standing = Standing::of(self::ladder(), $this->verdict(35, 22), null, false);
        self::assertSame('seat', $standing->rung?->id);
        self::assertEqualsWithDelta(13.0, (float) $standing->propHeight, 1e-9);
        self::assertSame('seat', $standing->highest?->id);
    }

    public function testTheBlockIsTheLowestKneeThatTheAnglesAllow(): void
    {
        $verdict = $this->verdict(18, 8);
        $standing = Standing::of(self::ladder(), $verdict, null, false);
        self::assertSame('block', $standing->rung?->id);
        self::assertNotNull($verdict->block);
        self::assertSame($verdict->block->height, $standing->propHeight);
    }

    public function testWithoutABlockTheRungBelowIsTheHighest(): void
    {
        $verdict = $this->verdict(25, 20);
        self::assertNull($verdict->block);
        self::assertSame(GateOutcome::Supported, $verdict->gate);
        self::assertSame('seat', Standing::of(self::ladder(), $verdict, self::ladder()->rung('free'), false)->rung?->id);
    }

    public function testWithoutAGateASideStandsNowhere(): void
    {
        $standing = Standing::of(self::ladder(), HalfLotusVerdict::unknown(Side::Left, new Reason('unknown.no-test', Source::Own)), null, false);
        self::assertNull($standing->rung);
        self::assertNull($standing->propHeight);
        self::assertNull($standing->highest);
    }

    public function testMoreOpenHipsNeverStandLower(): void
    {
        $ladder = self::ladder();
        $last = -1;
        foreach ([[40, 28], [32, 20], [24, 14], [18, 8], [12, 7]] as [$heels, $knee]) {
            $rung = Standing::of($ladder, $this->verdict($heels, $knee), null, false)->rung;
            self::assertNotNull($rung);
            self::assertGreaterThanOrEqual($last, $ladder->position($rung->id));
            $last = $ladder->position($rung->id);
        }
    }

    private static function ladder(): Ladder
    {
        return new Ladder('half-lotus', 'Half lotus', [
            new Rung('seat', 'Seat', GateOutcome::NotNow, PropRule::LevelSeat),
            new Rung('block', 'Block', GateOutcome::Supported, PropRule::KneeBlock),
            new Rung('free', 'Free', GateOutcome::MayTry, PropRule::None),
        ], ['not-now' => 'seat', 'supported' => 'block', 'may-try' => 'free']);
    }

    private function verdict(float $heels, float $knee): HalfLotusVerdict
    {
        $now = new \DateTimeImmutable('2026-06-01');

        return HalfLotusReading::of(
            new SolesTogetherTest(Side::Left, 0.0, [['kneeHeight' => $knee, 'heelDistance' => $heels]], Pain::none(), $now),
            SampleBody::proportions(),
            $now,
        );
    }
}
