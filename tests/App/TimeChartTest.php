<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Person\TimeChart;
use PHPUnit\Framework\TestCase;

final class TimeChartTest extends TestCase
{
    /** What two poses ask alike is one line to the eye: their names stand beside, not on one another. */
    public function testNamesOfOneHeightStandInOneLine(): void
    {
        $now = new \DateTimeImmutable('2026-03-10');
        $asks = static fn (string $pose, float $degrees): array => ['pose' => $pose, 'asked' => $degrees,
            'isHeld' => false];
        $chart = TimeChart::of([['on' => $now->modify('-9 days'), 'value' => 80.0, 'error' => 1.5, 'isBound' => false,
            'test' => 'Shins stacked']], null, 1.0, [$asks('Half lotus', 110.0), $asks('Pigeon', 85.0),
                $asks('Lotus', 110.4)], [], [], $now);
        self::assertSame(['Half lotus, Lotus', 'Pigeon', ''], array_column($chart['asked'], 'name'));
        self::assertCount(3, array_unique(array_column($chart['asked'], 'y')));
    }
}
