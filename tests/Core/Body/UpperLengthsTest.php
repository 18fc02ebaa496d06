<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Body;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\Body\UpperLengths;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class UpperLengthsTest extends TestCase
{
    /**
     * @param array<string, float> $measured
     * @param array{float, float, float} $left torso, upper arm and forearm
     */
    #[DataProvider('bodies')]
    public function testWhatIsMeasuredCountsAndTheRestFollowsFromStature(array $measured, array $left): void
    {
        $upper = UpperLengths::of(self::person($measured), Side::Left);
        self::assertEqualsWithDelta($left, [$upper->torso, $upper->upperArm, $upper->forearm], 1e-9);
        self::assertSame(!isset($measured['seatToShoulder']), $upper->isTorsoEstimated);
    }

    /** @return iterable<string, array{array<string, float>, array{float, float, float}}> of 170 cm */
    public static function bodies(): iterable
    {
        $usual = [51.0, 31.62, 24.82];
        yield 'nothing measured' => [[], $usual];
        yield 'legs alone' => [['seatedHipHeight' => 12.0, 'thigh.left' => 44.0], $usual];
        // 58 less the seated hip height of 9.01, and 5.1 from the shoulder to the base of the neck.
        yield 'a long trunk' => [['seatToShoulder' => 58.0], [54.09, 31.62, 24.82]];
        yield 'both lengths of an arm' => [['shoulderToFingertips.left' => 80.0, 'elbowToFingertips.left' => 46.0],
            [51.0, 34.0, 27.64]];
        yield 'the whole arm alone, a tenth longer than usual' => [['shoulderToFingertips.left' => 82.28],
            [51.0, 34.782, 27.302]];
        yield 'the forearm alone' => [['elbowToFingertips.left' => 46.0], [51.0, 31.62, 27.64]];
        yield 'an elbow further from the fingertips than the shoulder' => [['shoulderToFingertips.left' => 40.0,
            'elbowToFingertips.left' => 46.0], [51.0, 31.62, 27.64]];
        yield 'no trunk at all' => [['seatToShoulder' => 5.0], [51.0, 31.62, 24.82]];
        yield 'the other arm' => [['shoulderToFingertips.right' => 80.0], $usual];
    }

    public function testAFistIsAsFarAwayAsTheArmIsLong(): void
    {
        $long = UpperLengths::of(self::person(['shoulderToFingertips.left' => 82.28]), Side::Left);
        self::assertEqualsWithDelta(1.1 * 0.38 * 170.0, $long->get(UpperBody::Arm), 1e-9);
        self::assertSame([$long->torso, $long->upperArm, $long->forearm], array_map($long->get(...),
            [UpperBody::Torso, UpperBody::UpperArm, UpperBody::Forearm]));
    }

    public function testTwoOfOneNameAreAlike(): void
    {
        $usual = UpperLengths::ofStature(170.0)->name();
        self::assertSame($usual, UpperLengths::of(self::person([]), Side::Right)->name());
        foreach (['seatToShoulder', 'shoulderToFingertips.left', 'elbowToFingertips.left'] as $length) {
            self::assertNotSame($usual, UpperLengths::of(self::person([$length => 50.0]), Side::Left)->name());
        }
    }

    /** @param array<string, float> $measured */
    private static function person(array $measured): Proportions
    {
        return Proportions::of(Length::cm(170.0), array_map(Length::cm(...), $measured));
    }
}
