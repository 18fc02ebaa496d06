<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Plan\PropStack;
use PHPUnit\Framework\TestCase;

/** Heights in blocks and blankets. */
final class PropStackTest extends TestCase
{
    private const SIZES = ['flat' => 10.0, 'side' => 15.0, 'end' => 23.0, 'blanket' => 3.0];

    public function testAHeightIsBuiltOfWhatIsThere(): void
    {
        $of = static fn (float $height, int $blocks = 2, int $blankets =
            3): array => array_values(PropStack::of($height, $blocks, $blankets, self::SIZES)->pieces);
        self::assertSame([2, 0, 0, 1], $of(23.0), 'steadier than one block on its end');
        self::assertSame([0, 0, 1, 0], $of(23.0, 1, 0), 'where there is no other way');
        self::assertSame([1, 0, 0, 0], $of(10.4));
        self::assertSame([0, 1, 0, 0], $of(15.0));
        self::assertSame([0, 0, 0, 2], $of(6.0));
        self::assertSame([0, 0, 0, 0], $of(0.2), 'nothing is nearer than a blanket');
        self::assertSame([0, 0, 0, 0], $of(12.0, 0, 0));
        self::assertSame([0, 0, 2, 3], $of(100.0), 'as high as they go');
    }

    public function testNoOtherStackIsNearerByMoreThanItsPieces(): void
    {
        mt_srand(3);
        for ($run = 0; $run < 300; ++$run) {
            $height = mt_rand(0, 500) / 10;
            [$blocks, $blankets] = [mt_rand(0, 3), mt_rand(0, 4)];
            $stack = PropStack::of($height, $blocks, $blankets, self::SIZES);
            self::assertLessThanOrEqual($blocks,
                $stack->pieces['flat'] + $stack->pieces['side'] + $stack->pieces['end']);
            self::assertLessThanOrEqual($blankets, $stack->pieces['blanket']);
            self::assertEqualsWithDelta(
                10 * $stack->pieces['flat'] + 15 * $stack->pieces['side'] + 23 * $stack->pieces['end']
                    + 3 * $stack->pieces['blanket'],
                $stack->height,
                1e-9,
            );
            for ($flat = 0; $flat <= $blocks; ++$flat) {
                for ($blanket = 0; $blanket <= $blankets; ++$blanket) {
                    $many = array_sum($stack->pieces);
                    self::assertLessThanOrEqual(
                        abs(10 * $flat + 3 * $blanket - $height) + 0.3 * ($flat + $blanket) + 1e-9,
                        abs($stack->height - $height) + 0.3 * $many,
                    );
                }
            }
        }
    }

    public function testWhatHasNoHeightBuildsNone(): void
    {
        $this->expectException(InvalidValue::class);
        PropStack::of(10.0, 1, 1, ['blanket' => 0.0] + self::SIZES);
    }
}
