<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\StraightKnee;
use LucidAscent\Core\LegChain\Vector;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LegChainTest extends TestCase
{
    use TestTrait;

    /** Values of an independent program, to a tenth of a degree. */
    #[DataProvider('knownValues')]
    public function testGivesTheKnownAngles(KneeAtHeight $posture, array $expected): void
    {
        self::assertEqualsWithDelta($expected, array_values($posture->angles(SampleBody::leg())), 0.1);
    }

    public static function knownValues(): iterable
    {
        $floor = new Sitting();
        yield 'soles together, heels 10, knee 12' => [new KneeAtHeight(new SolesTogether(10, $floor), 12),
            [102.0, 69.5, 56.8, 160.4]];
        yield 'soles together, heels 20, knee 24' => [new KneeAtHeight(new SolesTogether(20, $floor), 24),
            [129.8, 55.3, 35.0, 146.7]];
        yield 'soles together, heels 40, knee 6' => [new KneeAtHeight(new SolesTogether(40, $floor), 6),
            [82.5, 55.9, 91.0, 116.6]];
        yield 'half lotus, deep, knee 10' => [new KneeAtHeight(HalfLotus::place($floor), 10),
            [91.7, 35.9, 116.0, 155.0]];
        yield 'half lotus, easy, knee 16' => [new KneeAtHeight(HalfLotusEasy::place($floor), 16),
            [103.0, 40.8, 96.4, 141.8]];
    }

    public function testForwardThenInverseGivesBackTheAngles(): void
    {
        $this->limitTo(400)->forAll(
            Generators::choose(-800, 2600),
            Generators::choose(-800, 800),
            Generators::choose(-1790, 1790),
            Generators::choose(10, 1790),
            Generators::choose(-400, 400),
        )->then(static function (int $f, int $a, int $r, int $k, int $tilt): void {
            $sitting = new Sitting(3.0, $tilt / 10);
            $angles = new LegAngles($f / 10, $a / 10, $r / 10, $k / 10);
            $there = LegChain::forward(SampleBody::leg(), $sitting, $angles);
            $back = LegChain::inverse($there->hip, $there->knee, $there->ankle, $sitting->pelvicTilt);
            self::assertEqualsWithDelta($angles->toArray(), $back->angles->toArray(), 1e-6);
        });
    }

    public function testSegmentsKeepTheirLength(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(0, 400), Generators::choose(0, 300))
            ->then(static function (int $heels, int $knee): void {
                try {
                    $pose = (new KneeAtHeight(new SolesTogether($heels / 10, new Sitting()), $knee / 10))
                        ->pose(SampleBody::leg());
                } catch (OutOfReach) {
                    return;
                }
                self::assertEqualsWithDelta(41.2, $pose->knee->minus($pose->hip)->length(), 1e-9);
                self::assertEqualsWithDelta(41.3, $pose->ankle->minus($pose->knee)->length(), 1e-9);
                self::assertEqualsWithDelta($knee / 10, $pose->knee->z, 1e-9);
            });
    }

    public function testTwiceTheBodyAtTwiceTheHeightsHasTheSameAngles(): void
    {
        $once = LegChain::inverse(new Vector(0, 8, 9), new Vector(14, 46, 12), new Vector(13, 6, 4), 5.0);
        $twice = LegChain::inverse(new Vector(0, 16, 18), new Vector(28, 92, 24), new Vector(26, 12, 8), 5.0);
        self::assertEqualsWithDelta($once->angles->toArray(), $twice->angles->toArray(), 1e-9);
    }

    public function testALowerKneeNeverAsksForLessRotation(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(80, 400), Generators::choose(50, 250))
            ->then(static function (int $heels, int $knee): void {
                $at = static fn (float $height): float => (new KneeAtHeight(new SolesTogether($heels / 10,
                    new Sitting()), $height))
                    ->angles(SampleBody::leg())['rotation'];
                try {
                    self::assertGreaterThanOrEqual($at($knee / 10 + 1), $at($knee / 10));
                } catch (OutOfReach) {
                    return;
                }
            });
    }

    public function testTuckingThePelvisTakesOffFlexionAlone(): void
    {
        $upright = (new KneeAtHeight(new SolesTogether(20, new Sitting()), 12))->angles(SampleBody::leg());
        $tucked = (new KneeAtHeight(new SolesTogether(20, (new Sitting())->tucked(10)), 12))->angles(SampleBody::leg());
        self::assertEqualsWithDelta($upright['flexion'] - 10, $tucked['flexion'], 1e-9);
        self::assertEqualsWithDelta($upright['rotation'], $tucked['rotation'], 1e-9);
        self::assertEqualsWithDelta($upright['abduction'], $tucked['abduction'], 1e-9);
    }

    public function testAStraightLegHasNoRotationToRead(): void
    {
        $this->expectException(StraightKnee::class);
        LegChain::inverse(new Vector(0, 0, 80), new Vector(0, 0, 40), new Vector(0, 0, 0), 0.0);
    }

    public function testALegThatJustReachesIsStraightAndSaysSo(): void
    {
        // Hip and ankle level, and a leg's length apart: knee half way, thigh and shin in one line.
        $leg = new Body(41.2, 41.3, 17.0, 4.0, 6.6);
        $heels = sqrt(82.5 ** 2 - (6.6 - 8.5) ** 2) - 3.0;
        $this->expectException(StraightKnee::class);
        (new KneeAtHeight(new SolesTogether($heels, new Sitting()), 4.0))->pose($leg);
    }

    public function testAKneeBeyondTheLegIsOutOfReach(): void
    {
        $this->expectException(OutOfReach::class);
        (new KneeAtHeight(new SolesTogether(10, new Sitting()), 60))->pose(SampleBody::leg());
    }

    public function testANegativeHeightIsRefused(): void
    {
        $this->expectException(InvalidValue::class);
        new KneeAtHeight(new SolesTogether(10, new Sitting()), -1);
    }

    public function testNotANumberIsRefused(): void
    {
        $this->expectException(InvalidValue::class);
        new SolesTogether(NAN, new Sitting());
    }
}
