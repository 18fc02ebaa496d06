<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\LegBehindHead;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Swivel;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

final class SwivelTest extends TestCase
{
    use TestTrait;

    private const BRUTE_STEPS = 4000;

    public function testTheBestPlaceIsAsGoodAsLookingEverywhere(): void
    {
        $this->limitTo(60)->forAll(
            Generators::choose(0, 2),
            Generators::choose(1000, 1400),
            Generators::choose(300, 700),
            Generators::choose(500, 1200),
            Generators::choose(0, 25),
        )->then(function (int $kind, int $flexion, int $abduction, int $rotation, int $outside): void {
            $capacity = new Capacity($flexion / 10, $abduction / 10, $rotation / 10);
            $contact = match ($kind) {
                0 => new SolesTogether(20, new Sitting(3)),
                1 => HalfLotus::place(new Sitting()),
                default => new LegBehindHead(50, 70, new Sitting()),
            };
            $sitting = $contact->sitting();
            $swivel = Swivel::between($sitting->hip(SampleBody::leg()), $contact->ankle(SampleBody::leg()),
                SampleBody::leg(), 0.0);
            $brute = -INF;
            for ($i = 0; $i < self::BRUTE_STEPS; ++$i) {
                $pose = $swivel->pose(2 * M_PI * $i / self::BRUTE_STEPS);
                if ($pose->knee->z >= LegChain::HALF_KNEE && $pose->knee->y >= $outside) {
                    $brute = max($brute, $capacity->worstMargin($pose->angles));
                }
            }
            $best = $swivel->pose($swivel->best($capacity, $outside));
            self::assertGreaterThanOrEqual($brute - 1e-9, $capacity->worstMargin($best->angles));
            self::assertLessThan($brute + 0.6, $capacity->worstMargin($best->angles));
            self::assertGreaterThanOrEqual(LegChain::HALF_KNEE - 1e-9, $best->knee->z);
            self::assertGreaterThanOrEqual($outside - 1e-9, $best->knee->y);
            self::assertEqualsWithDelta(41.2, $best->knee->minus($best->hip)->length(), 1e-9);
            self::assertEqualsWithDelta(41.3, $best->ankle->minus($best->knee)->length(), 1e-9);
        });
    }

    /** The knee's angle is the same all around: where it is the tightest, the hip's angles decide all the same. */
    public function testATightKneeLeavesThePlaceToTheHip(): void
    {
        $contact = HalfLotus::place(new Sitting());
        $swivel = Swivel::between($contact->sitting()->hip(SampleBody::leg()), $contact->ankle(SampleBody::leg()),
            SampleBody::leg(), 0.0);
        $hip = $swivel->pose($swivel->best(new Capacity(110, 50, 90)));
        foreach ([170.0, 150.0, 100.0] as $knee) {
            $best = $swivel->pose($swivel->best(new Capacity(110, 50, 90, $knee)));
            self::assertEqualsWithDelta($hip->knee->toArray(), $best->knee->toArray(), 1e-9);
        }
        self::assertLessThan((new Capacity(110, 50, 90))->worstMargin($hip->angles), (new Capacity(110, 50, 90, 100.0))
            ->worstMargin($hip->angles), 'It is the tightest there.');
    }

    public function testASmallChangeMovesTheMarginALittle(): void
    {
        $this->limitTo(60)->forAll(Generators::choose(1000, 1400), Generators::choose(500, 1200),
            Generators::choose(0, 1200))
            ->then(static function (int $flexion, int $rotation, int $rounding): void {
                $at = static function (float $flex, float $round) use ($rotation): float {
                    $capacity = new Capacity($flex, 50, $rotation / 10);

                    return $capacity->worstMargin((new FreeKnee(new LegBehindHead(50, $round, new Sitting()), $capacity,
                        18))->pose(SampleBody::leg())->angles);
                };
                $here = $at($flexion / 10, $rounding / 10);
                self::assertEqualsWithDelta($here, $at($flexion / 10 + 0.01, $rounding / 10), 0.011);
                self::assertEqualsWithDelta($here, $at($flexion / 10, $rounding / 10 + 0.01), 0.02);
            });
    }

    public function testAnAnkleTooFarAwayIsOutOfReach(): void
    {
        $this->expectException(OutOfReach::class);
        (new FreeKnee(new SolesTogether(90, new Sitting()), new Capacity(120)))->pose(SampleBody::leg());
    }

    public function testNoPlaceClearOfTheBodyIsOutOfReach(): void
    {
        $this->expectException(OutOfReach::class);
        (new FreeKnee(new SolesTogether(20, new Sitting()), new Capacity(120), 80))->pose(SampleBody::leg());
    }
}
