<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\LegChain\Vector;
use PHPUnit\Framework\TestCase;

final class VectorTest extends TestCase
{
    public function testACrossProductIsSquareToBothAndTurnsRight(): void
    {
        $one = new Vector(2.0, 3.0, 5.0);
        $two = new Vector(7.0, -11.0, 13.0);
        // (3·13 + 5·11, 5·7 − 2·13, −2·11 − 3·7)
        self::assertSame([94.0, 9.0, -43.0], $one->cross($two)->toArray());
        self::assertSame(0.0, $one->cross($two)->dot($one));
        self::assertSame(0.0, $one->cross($two)->dot($two));
        self::assertSame([0.0, 0.0, 1.0], (new Vector(1.0, 0.0, 0.0))->cross(new Vector(0.0, 1.0, 0.0))->toArray());
    }

    public function testLengthsAndSums(): void
    {
        $one = new Vector(2.0, 3.0, 6.0);
        self::assertSame(7.0, $one->length());
        self::assertSame(14.0 - 33.0 + 78.0, $one->dot(new Vector(7.0, -11.0, 13.0)));
        self::assertSame([9.0, -8.0, 19.0], $one->plus(new Vector(7.0, -11.0, 13.0))->toArray());
        self::assertSame([-5.0, 14.0, -7.0], $one->minus(new Vector(7.0, -11.0, 13.0))->toArray());
        self::assertSame([-4.0, -6.0, -12.0], $one->times(-2.0)->toArray());
    }
}
