<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Testing\PhotoLandmarks;
use LucidAscent\Core\Testing\Repeats;
use LucidAscent\Core\Testing\SteadyAngle;
use PHPUnit\Framework\TestCase;

final class InstrumentsTest extends TestCase
{
    use TestTrait;

    public function testALegThatHoldsStillForASecondHasSettled(): void
    {
        $steady = new SteadyAngle();
        $settled = null;
        for ($ms = 0; $ms <= 1000; $ms += 50) {
            self::assertNull($settled, 'before the second is over');
            $settled = $steady->feed($ms, 60.0 + 0.2 * sin($ms));
        }
        self::assertNotNull($settled);
        self::assertEqualsWithDelta(60.0, $settled, 0.2);
    }

    public function testALegThatMovesHasNot(): void
    {
        $steady = new SteadyAngle();
        for ($ms = 0; $ms <= 5000; $ms += 50) {
            self::assertNull($steady->feed($ms, $ms / 200));
        }
    }

    public function testAJumpIsPassedOver(): void
    {
        $steady = new SteadyAngle();
        $settled = null;
        for ($ms = 0; $ms <= 1500; $ms += 50) {
            $settled = $steady->feed($ms, 500 === $ms ? 130.0 : 60.0);
        }
        self::assertSame(60.0, $settled);
    }

    /** Eight degrees between two neighbours are still a leg that moves; more is a fault of the line. */
    public function testAJumpIsMoreThanEightDegrees(): void
    {
        $after = static function (float $jump): ?float {
            $steady = new SteadyAngle(10.0);
            for ($ms = 0; $ms < 1000; $ms += 100) {
                $steady->feed($ms, 40.0);
            }

            return $steady->feed(1000, 40.0 + $jump);
        };
        self::assertNull($after(8.1), 'Passed over until the next one tells.');
        self::assertNotNull($after(7.9));
    }

    /** Where the next sample is where it jumped to, it was no fault: the second begins there. */
    public function testAfterAJumpThatWasOneTheSecondBeginsThere(): void
    {
        $steady = new SteadyAngle(0.3);
        for ($ms = 0; $ms < 800; $ms += 100) {
            $steady->feed($ms, 40.0);
        }
        $settled = [];
        for ($ms = 800; $ms <= 2000; $ms += 100) {
            $settled[$ms] = $steady->feed($ms, 70.0);
        }
        self::assertNull($settled[1700]);
        self::assertSame(70.0, $settled[1800], 'A second after the first sample there.');
    }

    public function testABreakBeginsTheSecondAnew(): void
    {
        $steady = new SteadyAngle();
        for ($ms = 0; $ms <= 900; $ms += 50) {
            $steady->feed($ms, 60.0);
        }
        $steady->lost();
        self::assertNull($steady->feed(950, 60.0));
        self::assertNull($steady->feed(5000, 60.0), 'a gap in time is a break too');
        self::assertNull($steady->feed(100, 60.0), 'and so is a clock that went back');
    }

    public function testAPictureGivesHeightsAndAngles(): void
    {
        $measured = (new PhotoLandmarks(self::points(), 30.0, 720.0))->measured();
        // 30 cm are 180 pixels; the floor is at 392.
        self::assertEqualsWithDelta((392 - 300) / 6, $measured['kneeHeight']['value'], 1e-9);
        self::assertEqualsWithDelta((392 - 372) / 6, $measured['ankleHeight']['value'], 1e-9);
        self::assertEqualsWithDelta(rad2deg(atan2(72, 170)), $measured['shinAngle']['value'], 1e-9);
        self::assertSame('cm', $measured['kneeHeight']['unit']);
        self::assertGreaterThan(0.3, $measured['kneeHeight']['sd']);
        self::assertLessThan(1.5, $measured['kneeHeight']['sd']);
    }

    /** Where each point was put, by so many pixels either way, and a camera that looked past square. */
    public function testWhatAPictureIsOffBy(): void
    {
        $pixel = 0.003 * 720.0;
        $height = static fn (array $points): float => (new PhotoLandmarks($points, 30.0, 720.0))
            ->measured()['kneeHeight']['value'];
        $variance = 0.0;
        foreach (self::points() as $name => [$x, $y]) {
            $variance += ($height([$name => [$x + $pixel, $y]] + self::points()) - $height(self::points())) ** 2;
            $variance += ($height([$name => [$x, $y + $pixel]] + self::points()) - $height(self::points())) ** 2;
        }
        $camera = $height(self::points()) * hypot(1 - cos(deg2rad(5.0)), 0.02);
        self::assertEqualsWithDelta(sqrt($variance + $camera ** 2), (new PhotoLandmarks(self::points(), 30.0, 720.0))
            ->measured()['kneeHeight']['sd'], 1e-9);
    }

    public function testARolledCameraChangesNothing(): void
    {
        $level = (new PhotoLandmarks(self::points(), 30.0, 720.0))->measured();
        $this->forAll(Generators::choose(-40, 40))->then(function (int $roll) use ($level): void {
            [$sin, $cos] = [sin(deg2rad($roll)), cos(deg2rad($roll))];
            $turned = array_map(static fn (array $p): array => [$cos * $p[0] - $sin * $p[1],
                $sin * $p[0] + $cos * $p[1]], self::points());
            foreach ((new PhotoLandmarks($turned, 30.0, 720.0))->measured() as $what => $one) {
                self::assertEqualsWithDelta($level[$what]['value'], $one['value'], 1e-6, $what);
            }
        });
    }

    public function testPointsThatSpanNothingAreRefused(): void
    {
        $this->expectException(InvalidValue::class);
        new PhotoLandmarks(['knownB' => [480.0, 340.0]] + self::points(), 30.0, 720.0);
    }

    /** @return array<string, array{float, float}> */
    private static function points(): array
    {
        return ['hip' => [160.0, 345.0], 'knee' => [420.0, 300.0], 'ankle' => [250.0, 372.0], 'floorA' => [30.0, 392.0],
            'floorB' => [690.0, 392.0], 'knownA' => [480.0, 340.0], 'knownB' => [660.0, 340.0]];
    }

    public function testEveryHeightAndAngleOfAPicture(): void
    {
        // 100 pixels are 50 cm, the floor is level at 400.
        $points = ['hip' => [200.0, 300.0], 'knee' => [400.0, 350.0], 'ankle' => [300.0, 390.0],
            'floorA' => [0.0, 400.0], 'floorB' => [700.0, 400.0], 'knownA' => [500.0, 100.0],
            'knownB' => [600.0, 100.0]];
        $measured = (new PhotoLandmarks($points, 50.0, 720.0))->measured();
        $thigh = [200.0, -50.0];
        $shin = [-100.0, -40.0];
        $expected = [
            'kneeHeight' => 25.0,
            'ankleHeight' => 5.0,
            'hipHeight' => 50.0,
            'hipToAnkle' => 0.5 * hypot(100.0, 90.0),
            'shinAngle' => rad2deg(atan2(40.0, 100.0)),
            'thighAngle' => rad2deg(atan2(50.0, 200.0)),
            'kneeBend' => rad2deg(
                acos(($thigh[0] * $shin[0] + $thigh[1] * $shin[1]) / (hypot(...$thigh) * hypot(...$shin))),
            ),
        ];
        foreach ($expected as $what => $value) {
            self::assertEqualsWithDelta($value, $measured[$what]['value'], 1e-9, $what);
            self::assertSame(str_ends_with($what, 'Angle') || 'kneeBend' === $what ? 'degrees' : 'cm',
                $measured[$what]['unit']);
        }
        // A picture from twice as far has pixels of twice the size, and the camera is as far out of plumb.
        $far = (new PhotoLandmarks(array_map(static fn (array $p): array => [$p[0] / 2, $p[1] / 2], $points), 50.0,
            720.0))->measured();
        self::assertEqualsWithDelta(25.0, $far['kneeHeight']['value'], 1e-9);
        self::assertGreaterThan($measured['kneeHeight']['sd'], $far['kneeHeight']['sd']);
        // Points that are two pixels apart are two points; nearer, they are one.
        new PhotoLandmarks(['knownB' => [502.0, 100.0]] + $points, 50.0, 720.0);
        foreach ([['knownB' => [501.9, 100.0]], ['floorB' => [1.0, 400.0]], ['ankle' => [401.0, 350.0]],
            ['knee' => [201.0, 300.0]], ['hip' => [NAN, 1.0]], ['hip' => [1.0, INF]]] as $bad) {
            try {
                new PhotoLandmarks($bad + $points, 50.0, 720.0);
                self::fail(array_key_first($bad).' was taken.');
            } catch (InvalidValue) {
                $this->addToAssertionCount(1);
            }
        }
    }

    /**
     * Where a pixel is next to nothing, the camera alone errs: five degrees out of square, a fiftieth of the distance.
     */
    public function testACameraThatLooksPastSquare(): void
    {
        $points = array_map(static fn (array $p): array => [1e6 * $p[0], 1e6 * $p[1]], self::points());
        $measured = (new PhotoLandmarks($points, 30.0, 720.0))->measured();
        foreach (['kneeHeight', 'hipHeight', 'hipToAnkle'] as $what) {
            self::assertEqualsWithDelta($measured[$what]['value'] * hypot(1 - cos(deg2rad(5.0)), 0.02),
                $measured[$what]['sd'], 1e-5, $what);
        }
        foreach (['shinAngle', 'thighAngle', 'kneeBend'] as $what) {
            self::assertEqualsWithDelta(5.0 * abs(sin(deg2rad(2 * $measured[$what]['value']))) / 2,
                $measured[$what]['sd'], 1e-4, $what);
        }
    }

    /**
     * Two trials of one leg differ: SEM² is the mean square within; three legs of two readings give the coefficient.
     */
    public function testRepeatsOfOneLegAndOfSeveral(): void
    {
        self::assertEqualsWithDelta(sqrt(2.0), (new Repeats([[41.0, 43.0]]))->sem(), 1e-12);
        self::assertNull((new Repeats([[41.0, 43.0]]))->icc(), 'One leg tells nothing of how legs differ.');
        self::assertNull((new Repeats([[41.0, 43.0], [60.0, 61.0, 62.0]]))->icc(), 'Not read equally often.');
        // Means 42, 61, 80: between 2 · 722 / 2 = 722; within (2 + 2 + 2) / 3 = 2; (722 − 2) / (722 + 2).
        self::assertEqualsWithDelta(720 / 724, (new Repeats([[41.0, 43.0], [60.0, 62.0], [79.0, 81.0]]))->icc(), 1e-12);
        self::assertEqualsWithDelta(sqrt(2.0), (new Repeats([[41.0, 43.0], [60.0, 62.0], [79.0, 81.0]]))->sem(), 1e-12);
        // Two legs will do: between 2 · 180.5 = 361.
        self::assertEqualsWithDelta(359 / 363, (new Repeats([[41.0, 43.0], [60.0, 62.0]]))->icc(), 1e-12);
        self::assertNull((new Repeats([[5.0, 5.0], [5.0, 5.0]]))->icc(), 'Nothing differs.');
        $this->expectException(InvalidValue::class);
        new Repeats([[41.0], [43.0]]);
    }
}
