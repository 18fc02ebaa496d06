<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Body;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\LegAngles;
use PHPUnit\Framework\TestCase;

final class BodyTest extends TestCase
{
    private const LENGTHS = [42.0, 41.0, 17.0, 9.0, 7.0, 10.0];

    public function testALengthThatIsNoneIsRefusedByItsName(): void
    {
        $names = ['thigh', 'shin', 'hipSpacing', 'seatedHipHeight', 'ankleAboveSole', 'lyingHipHeight'];
        foreach ($names as $i => $name) {
            foreach ([0.0, -1.0, NAN, INF, 1000.5] as $wrong) {
                $field = self::refused(static fn () => new Body(...array_replace(self::LENGTHS, [$i => $wrong])));
                self::assertSame($name, $field, (string) $wrong);
            }
        }
        self::assertSame(self::LENGTHS, (new Body(...self::LENGTHS))->lengths());
    }

    public function testLengthsThatAreLongTogetherAreLengthsAllTheSame(): void
    {
        self::assertSame(400.0, (new Body(400.0, 400.0, 400.0, 9.0, 7.0, 10.0))->hipSpacing);
    }

    public function testAnAngleThatIsNoneIsRefusedByItsName(): void
    {
        foreach (['flexion', 'abduction', 'rotation', 'kneeFlexion'] as $i => $name) {
            self::assertSame($name, self::refused(static fn () => new LegAngles(...array_replace([1.0, 2.0, 3.0, 4.0],
                [$i => NAN]))));
        }
        self::assertSame('', self::refused(static fn () => new LegAngles(-400.0, 2.0, 3.0, 4.0)));
    }

    public function testAGuardNamesWhatIsWrongWithANumber(): void
    {
        foreach ([
            [NAN, 'finite'], [-INF, 'finite'], [INF, 'finite'], [0.0, 'more than'], [-2.0, 'more than'],
            [1000.1, '1000'], [1000.0, ''], [0.1, ''],
        ] as [$value, $says]) {
            $message = '';
            try {
                self::assertSame($value, Check::positive('thigh', $value));
            } catch (InvalidValue $e) {
                $message = $e->getMessage();
            }
            '' === $says ? self::assertSame('', $message) : self::assertStringContainsString($says, $message);
        }
        foreach ([[-0.1, 'thigh'], [0.0, ''], [1000.0, ''], [1000.1, 'thigh'], [INF, 'thigh']] as [$value, $field]) {
            self::assertSame($field, self::refused(static fn () => Check::notNegative('thigh', $value)));
        }
        foreach ([[1.0, ''], [2.0, ''], [0.9, 'thigh'], [2.1, 'thigh'], [NAN, 'thigh']] as [$value, $field]) {
            self::assertSame($field, self::refused(static fn () => Check::within('thigh', $value, 1.0, 2.0, 'cm')));
        }
    }

    /** @return string the field that was refused; empty where none was */
    private static function refused(callable $make): string
    {
        try {
            $make();
        } catch (InvalidValue $e) {
            return $e->field;
        }

        return '';
    }
}
