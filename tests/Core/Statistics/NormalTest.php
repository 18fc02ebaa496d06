<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Statistics;

use LucidAscent\Core\Statistics\Normal;
use PHPUnit\Framework\TestCase;

final class NormalTest extends TestCase
{
    /**
     * Sheppard, Phil Trans R Soc A 192 (1899) 101: of two the share above nothing in both is a quarter and the angle of
     * their correlation.
     */
    public function testOfTwoTheShareAboveNothing(): void
    {
        foreach ([-0.98, -0.5, 0.0, 0.3, 0.8, 0.98] as $correlation) {
            self::assertEqualsWithDelta(0.25 + asin($correlation) / (2 * M_PI),
                Normal::bothBelow(0.0, 0.0, $correlation), 1e-9);
        }
    }

    public function testTwoThatDoNotGoTogetherMultiply(): void
    {
        self::assertEqualsWithDelta(Normal::below(0.7) * Normal::below(-1.1), Normal::bothBelow(0.7, -1.1, 0.0), 1e-12);
        self::assertEqualsWithDelta(Normal::below(0.7), Normal::bothBelow(0.7, 8.0, 0.6), 1e-9,
            'One that is sure says nothing.');
    }

    /** Against drawing them. */
    public function testItIsTheShareOfDraws(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(60));
        foreach ([[1.2, 0.4, 0.9], [-0.5, 0.8, -0.7], [0.3, 0.5, 0.97]] as [$h, $k, $correlation]) {
            $both = 0;
            for ($i = 0; $i < 40_000; ++$i) {
                $one = Normal::draw($random);
                $other = $correlation * $one + sqrt(1 - $correlation ** 2) * Normal::draw($random);
                $both += $one < $h && $other < $k ? 1 : 0;
            }
            self::assertEqualsWithDelta($both / 40_000, Normal::bothBelow($h, $k, $correlation), 0.01);
        }
    }

    public function testWhereASearchBeginsIsNearToWhereItEnds(): void
    {
        for ($z = -6.0; $z <= 6.0; $z += 0.25) {
            self::assertEqualsWithDelta($z, Normal::roughly(Normal::below($z)), 5e-4);
        }
        self::assertTrue(is_finite(Normal::roughly(0.0)) && is_finite(Normal::roughly(1.0)));
    }

    public function testSharesAreEven(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(61));
        $shares = array_map(static fn (): float => Normal::share($random), range(1, 5000));
        self::assertGreaterThan(0.0, min($shares));
        self::assertLessThanOrEqual(1.0, max($shares));
        self::assertEqualsWithDelta(0.5, array_sum($shares) / 5000, 0.02);
    }
}
