<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Body;

use LucidAscent\Core\Body\Angle;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\PlausibleRange;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ProportionsTest extends TestCase
{
    public function testWhatIsNotMeasuredIsEstimatedAndSaysSo(): void
    {
        $person = Proportions::of(Length::cm(170), ['thigh.left' => Length::cm(43)]);
        self::assertSame(43.0, $person->length(Segment::Thigh, Side::Left)->cm);
        self::assertFalse($person->isEstimated(Segment::Thigh, Side::Left));
        self::assertEqualsWithDelta(0.245 * 170, $person->length(Segment::Thigh, Side::Right)->cm, 1e-9);
        self::assertTrue($person->isEstimated(Segment::Thigh, Side::Right));
    }

    public function testAnEstimateIsLessSureThanAMeasurement(): void
    {
        $person = Proportions::of(Length::cm(170), ['thigh.left' => Length::cm(43)]);
        self::assertSame(1.0, $person->error(Side::Left)->sd(Segment::Thigh));
        self::assertEqualsWithDelta(0.05 * 0.245 * 170, $person->error(Side::Right)->sd(Segment::Thigh), 1e-9);
        self::assertSame(0.0, $person->error(Side::Right)->sd(Segment::AnkleAboveSole));
    }

    #[DataProvider('impossibleStatures')]
    public function testAnImpossibleStatureIsRefused(float $stature): void
    {
        $this->expectException(InvalidValue::class);
        Proportions::of(Length::cm($stature));
    }

    public static function impossibleStatures(): iterable
    {
        yield [119.9];
        yield [220.1];
        yield [-170.0];
    }

    public function testNotANumberIsNoLengthAndNoAngle(): void
    {
        foreach ([static fn () => Length::cm(NAN), static fn () => Angle::degrees(INF),
            static fn () => Length::inches(NAN)] as $make) {
            try {
                $make();
                self::fail('A value that is not finite was taken.');
            } catch (InvalidValue $e) {
                self::assertStringContainsString('finite', $e->getMessage());
            }
        }
    }

    public function testAnInchIsExact(): void
    {
        self::assertSame(25.4, Length::inches(10)->cm);
        self::assertEqualsWithDelta(30.0, Angle::degrees(50)->minus(Angle::radians(M_PI / 9))->degrees, 1e-9);
    }

    public function testOddLengthsAreAskedAbout(): void
    {
        $person = Proportions::of(Length::cm(170), array_map(Length::cm(...),
            ['thigh.left' => 55, 'shin.left' => 42, 'shin.right' => 46]));
        self::assertSame(['thigh.left', 'shin.right'], array_keys(PlausibleRange::doubts($person)));
    }

    public function testAnEstimateIsNeverOdd(): void
    {
        self::assertSame([], PlausibleRange::doubts(Proportions::of(Length::cm(170),
            ['thigh.left' => Length::cm(45)])));
    }

    public function testASideHasItsOpposite(): void
    {
        self::assertSame(Side::Right, Side::Left->opposite());
        self::assertSame(Side::Left, Side::Right->opposite());
    }
}
