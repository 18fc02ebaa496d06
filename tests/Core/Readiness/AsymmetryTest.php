<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Sitting as Seat;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\Asymmetry;
use LucidAscent\Core\Readiness\Chance;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

final class AsymmetryTest extends TestCase
{
    public function testSidesDifferByMoreThanNoiseOrNotAtAll(): void
    {
        // One SD of each is 2 degrees, so that of the difference is 2.83, and noise explains 5.54.
        self::assertSame([], self::between(60.0, 65.5));
        self::assertSame([['left', 5.6]], self::between(60.0, 65.6));
        self::assertSame([['right', 5.6]], self::between(65.6, 60.0));
        self::assertSame([], self::between(60.0, null));
        self::assertSame([], self::between(null, 60.0));
        self::assertSame([], self::between(60.0, 90.0, Bound::AtLeast), 'The lesser may go further than was seen.');
        self::assertSame([['left', 30.0]], self::between(60.0, 90.0, Bound::Exact, Bound::AtLeast),
            'The greater goes that far at least.');
    }

    public function testTheChanceOfSeveralMarginsRestsOnWhatTheyShare(): void
    {
        self::assertSame(1.0, Chance::positive(0.1, 0.0));
        self::assertSame(0.0, Chance::positive(0.0, 0.0));
        self::assertEqualsWithDelta(0.5, Chance::positive(0.0, 3.0), 1e-7);
        self::assertEqualsWithDelta(0.8413447, Normal::below(1.0), 1e-6);
        self::assertEqualsWithDelta(0.1586553, Normal::below(-1.0), 1e-6);
        self::assertNull(Chance::allPositive([], BodyError::measured()));
    }

    public function testASeatUnderTheKneesOfSolesTogether(): void
    {
        $height = static fn (float $knee, float $seat = 0.0, array $compensations = [], string $test = 'soles-together',
            string $on = '2026-03-02'): ?float => self::seat(new TakenTest($test, Side::Left, Tool::Tape,
                [['kneeHeight' => $knee, 'heelDistance' => 20.0]], $compensations, on: new \DateTimeImmutable($on),
                sitting: new Seat($seat)));
        // The sample body's hip joint is 9 cm above the seat.
        self::assertEqualsWithDelta(7.0, $height(16.0), 1e-9);
        self::assertEqualsWithDelta(0.0, $height(8.0), 1e-9, 'Low knees need no seat.');
        self::assertEqualsWithDelta(9.0, $height(18.0, 4.0), 1e-9, 'On a seat already: 18 less 9 + 4, and the seat.');
        self::assertNull($height(16.0, 0.0, ['leans-back']));
        self::assertNull($height(16.0, 0.0, [], 'frog'));
        self::assertNull($height(16.0, 0.0, [], 'soles-together', '2025-11-01'));
    }

    /** @return list<array{string, float}> the tighter side, and by how much */
    private static function between(
        ?float $left,
        ?float $right,
        Bound $less = Bound::Exact,
        Bound $more = Bound::Exact,
    ): array {
        $evidence = static fn (?float $value, Bound $bound): array => null === $value ? []
            : [new Evidence(Ability::InternalRotation, $value, $bound, Uncertainty::ofReading(2.0), 't',
                on: new \DateTimeImmutable('2026-03-02'))];
        $leftIsLess = null === $right || $left <= $right;
        $person = new Snapshot(SampleBody::proportions(), ['left' => $evidence($left, $leftIsLess ? $less : $more),
            'right' => $evidence($right, $leftIsLess ? $more : $less)],
            Holds::of([], new \DateTimeImmutable('2026-03-10')), [], new \DateTimeImmutable('2026-03-10'));

        return array_map(static fn ($reason): array => [(string) $reason->numbers['tighter'],
            round((float) $reason->numbers['difference'], 6)], Asymmetry::reasons($person));
    }

    private static function seat(TakenTest $taken): ?float
    {
        $on = new \DateTimeImmutable('2026-03-10');
        $person = new Snapshot(SampleBody::proportions(), ['left' => [], 'right' => []], Holds::of([], $on), [$taken],
            $on);
        $rung = new RungDefinition('seat', 'Seat', null, ['rotation' => 10.0], new Work([], true), PropRule::LevelSeat);
        $reading = (new ReadPoses(['p' => new PostureDefinition('p', 'P', [], [$rung], [])], $person))
            ->of('p', Side::Left)->full();

        return PropHeights::of($reading, $person, Side::Left);
    }
}
