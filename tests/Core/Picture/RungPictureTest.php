<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Picture;

use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Picture\CameraView;
use LucidAscent\Core\Picture\JudgedLine;
use LucidAscent\Core\Picture\Landmark;
use LucidAscent\Core\Picture\ReadLine;
use LucidAscent\Core\Picture\RungPicture;
use LucidAscent\Core\Picture\UnreadPicture;
use LucidAscent\Tests\Core\Figure\BuildsFigures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Landmarks on a picture, against the figure of what it shows. */
final class RungPictureTest extends TestCase
{
    use BuildsFigures;

    private const EDGE = 1000.0;

    private static ?Figure $seated = null;

    public function testAPictureOfTheDrawingIsAsDrawnFromEverySideAndInAMirror(): void
    {
        foreach (CameraView::cases() as $view) {
            foreach ([1.0, -1.0] as $mirror) {
                foreach (self::read(self::points($view, $mirror), $view) as $line) {
                    self::assertEqualsWithDelta($line->target, $line->degrees, 1e-6, $line->line->value);
                    self::assertTrue($line->isMet());
                    self::assertGreaterThan(0.0, $line->error);
                }
            }
        }
    }

    public function testALineThatPointsAtTheCameraIsNotJudged(): void
    {
        $seen = static fn (CameraView $view): array => RungPicture::seen(self::seated(), $view,
            [JudgedLine::HipsSquare, JudgedLine::SpineLong]);
        self::assertSame([[JudgedLine::HipsSquare, JudgedLine::SpineLong], [JudgedLine::SpineLong],
            [JudgedLine::HipsSquare]], array_map($seen, [CameraView::Front, CameraView::Side, CameraView::Above]));
        self::assertNotContains(JudgedLine::HipsSquare, array_map(static fn (ReadLine $one): JudgedLine => $one->line,
            self::read(self::points(CameraView::Side), CameraView::Side)));
    }

    public function testHipsThatAreAskewAreSeen(): void
    {
        $points = self::points(CameraView::Front);
        [$x, $y] = $points['hip'];
        $off = static function (float $degrees) use ($points, $x, $y): ?bool {
            $across = $points['other-hip'][0] - $x;
            $askew = ['other-hip' => [$points['other-hip'][0], $y + $across * tan(deg2rad($degrees))]] + $points;

            return self::line(JudgedLine::HipsSquare, $askew, CameraView::Front)->isMet();
        };
        self::assertTrue($off(3.0));
        self::assertNull($off(14.0), 'Within the error of the camera nobody can tell.');
        self::assertFalse($off(45.0));
    }

    public function testACameraThatIsNotLevelIsPutRightByTheFloor(): void
    {
        $points = self::points(CameraView::Front);
        $rolled = array_map(static fn (array $at): array => [$at[0] * cos(0.2) - $at[1] * sin(0.2),
            $at[0] * sin(0.2) + $at[1] * cos(0.2)], $points);
        $degrees = static fn (array $of): array => array_map(static fn (ReadLine $one): float => $one->degrees,
            self::read($of, CameraView::Front));
        self::assertEqualsWithDelta($degrees($points), $degrees($rolled), 1e-6);
    }

    /** What a camera that looks past square does to a line is in its error: 500 cameras, drawn. */
    public function testTheErrorHoldsTheCamera(): void
    {
        mt_srand(33);
        $normal = static fn (): float => sqrt(-2.0 * log((mt_rand() + 1) / (mt_getrandmax() + 1))) * cos(2.0 * \M_PI
            * mt_rand() / mt_getrandmax());
        foreach ([JudgedLine::Shin, JudgedLine::Knee, JudgedLine::AnkleInLine] as $line) {
            $read = self::line($line, self::points(CameraView::Side), CameraView::Side);
            $squares = 0.0;
            for ($i = 0; $i < 500; ++$i) {
                $degrees = $line->degrees(self::points(CameraView::Side, 1.0, 5.0 * $normal(), 5.0 * $normal()));
                $squares += ($degrees - $read->target) ** 2;
            }
            self::assertLessThan($read->error * 1.25, sqrt($squares / 500), $line->value);
        }
    }

    /** Points are put to within so much of the picture's longer edge: on a smaller figure they say less. */
    public function testTheErrorGrowsAsTheFigureOnThePictureGetsSmaller(): void
    {
        $error = static function (float $share): float {
            $small = array_map(static fn (array $at): array => [$share * $at[0], $share * $at[1]],
                self::points(CameraView::Side));

            return self::line(JudgedLine::Shin, $small, CameraView::Side)->error;
        };
        // What the camera does stays; what the points do is as much larger as the figure is smaller.
        $points = ($error(0.25) ** 2 - $error(0.5) ** 2) / 12.0;
        self::assertEqualsWithDelta($points, ($error(0.5) ** 2 - $error(1.0) ** 2) / 3.0, 0.15 * $points);
        self::assertGreaterThan(0.0, $error(1.0) ** 2 - $points, 'That of the camera.');
    }

    /** Two ends that lie so near each other are one point put twice; a pixel further they are two. */
    public function testEndsAreApartFromTwoPixelsOn(): void
    {
        $points = self::points(CameraView::Front);
        [$x, $y] = $points['hip'];
        $isOne = static function (float $apart) use ($points, $x, $y): bool {
            try {
                self::read(['other-hip' => [$x + $apart, $y]] + $points, CameraView::Front);
            } catch (UnreadPicture $e) {
                return 'picture.rung.one_point' === $e->text;
            }

            return false;
        };
        self::assertTrue($isOne(1.9));
        self::assertFalse($isOne(2.1));
    }

    public function testAShapeThatIsTurnedScaledAndALittleOffIsTheSameShape(): void
    {
        $points = self::points(CameraView::Front);
        $turned = array_map(static fn (array $at): array => [400.0 + 0.6 * ($at[0] * cos(2.0) - $at[1] * sin(2.0)),
            900.0 + 0.6 * ($at[0] * sin(2.0) + $at[1] * cos(2.0))], $points);
        self::assertCount(count(self::read($points, CameraView::Front)), self::read($turned, CameraView::Front));
        // Squeezed to a third of its height it is another.
        $this->expectExceptionObject(UnreadPicture::otherShape());
        self::read(array_map(static fn (array $at): array => [$at[0] + 1.6 * $at[1], 0.3 * $at[1]], $points),
            CameraView::Front);
    }

    /** @param array<string, array{float, float}> $points */
    #[DataProvider('unread')]
    public function testPointsThatSayNothingAreNotRead(array $points, string $text): void
    {
        try {
            self::read($points, CameraView::Front);
            self::fail('They were read.');
        } catch (UnreadPicture $e) {
            self::assertSame($text, $e->text);
        }
    }

    /** @return iterable<string, array{array<string, array{float, float}>, string}> */
    public static function unread(): iterable
    {
        $points = self::points(CameraView::Front);
        yield 'six' => [array_slice($points, 0, 6, true), 'picture.rung.few'];
        yield 'none' => [[], 'picture.rung.few'];
        yield 'two in one place' => [['other-hip' => $points['hip']] + $points, 'picture.rung.one_point'];
        yield 'no line of this shape' => [array_diff_key($points, ['hip' => 1, 'ankle' => 1, 'levelA' => 1]),
            'picture.rung.no_line'];
        $names = array_keys($points);
        yield 'all in a line' => [array_combine($names, array_map(static fn (int $i): array => [10.0 * $i, 20.0 * $i],
            array_keys($names))), 'picture.rung.other'];
        yield 'of something else' => [array_combine($names, array_reverse(array_values($points))),
            'picture.rung.other'];
    }

    public function testWhatPeopleDoWrongSaysByWhatAShapeIsJudged(): void
    {
        self::assertSame([JudgedLine::HipsSquare, JudgedLine::Shin], JudgedLine::of([]));
        self::assertSame([JudgedLine::HipsSquare, JudgedLine::AnkleInLine, JudgedLine::Shin], JudgedLine::of([], true),
            'A folded knee has an ankle to look after.');
        self::assertSame([JudgedLine::HipsSquare, JudgedLine::SpineLong, JudgedLine::AnkleInLine, JudgedLine::Shin],
            JudgedLine::of(['ankle-sickles', 'back-rounds', 'neck-thrown']));
    }

    public function testTheViewIsThatFromWhichTheShapeIsSeenBest(): void
    {
        self::assertSame([CameraView::Above, CameraView::Side, CameraView::Side, CameraView::Front, CameraView::Front],
            array_map(CameraView::ofShape(...), ['above', 'side', 'three-quarter', 'front', 'back']));
    }

    /** @param array<string, array{float, float}> $points */
    private static function line(JudgedLine $line, array $points, CameraView $view): ReadLine
    {
        foreach (self::read($points, $view) as $one) {
            if ($one->line === $line) {
                return $one;
            }
        }
        self::fail('It was not read.');
    }

    /**
     * @param array<string, array{float, float}> $points
     *
     * @return non-empty-list<ReadLine>
     */
    private static function read(array $points, CameraView $view): array
    {
        return RungPicture::read(self::seated(), $view, $points, self::EDGE,
            JudgedLine::of(['ankle-sickles', 'knee-swings', 'hips-askew']));
    }

    /** @return array<string, array{float, float}> where a camera sees the landmarks, in pixels */
    private static function points(CameraView $view, float $mirror = 1.0, float $yaw = 0.0, float $pitch = 0.0): array
    {
        $points = ['levelA' => [100.0, 900.0], 'levelB' => [800.0, 900.0]];
        $seated = self::seated();
        foreach (Landmark::cases() as $landmark) {
            $at = $landmark->on($seated);
            if (null !== $at) {
                [$x, $y] = $view->at($at, $yaw, $pitch);
                $points[$landmark->value] = [500.0 + $mirror * 5.0 * $x, 600.0 + 5.0 * $y];
            }
        }

        return array_reverse($points, true);
    }

    private static function seated(): Figure
    {
        return self::$seated ??= self::figure(HipHeight::Sits, self::angles(96.0, 30.0, 62.0, 100.0, 20.0),
            self::angles(80.0, 25.0, 10.0, 30.0, 10.0), back: 20.0);
    }
}
