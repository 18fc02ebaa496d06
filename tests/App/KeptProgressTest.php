<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Repository\KeptProgress;
use LucidAscent\Core\Body\InvalidValue;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Rates and forecasts that somebody else may have written. */
final class KeptProgressTest extends TestCase
{
    private const RATE = ['ability' => 'rotation', 'side' => 'left', 'month' => 1.5, 'sd' => 0.5, 'chance' => 90,
        'isAsked' => true, 'start' => 60];
    private const FORECAST = ['ability' => 'rotation', 'side' => 'right', 'posture' => 'lotus', 'asked' => 110,
        'from' => '2026-05-01', 'to' => null, 'chance' => 80];

    public function testWhatWasKeptComesBack(): void
    {
        $kept = ['rates' => [self::RATE], 'forecasts' => [self::FORECAST, ['to' => '2026-06-01'] + self::FORECAST]];
        KeptProgress::check($kept);
        self::assertEquals([self::RATE], KeptProgress::rates($kept));
        [$open, $closed] = KeptProgress::forecasts($kept);
        self::assertSame(['2026-05-01', null, '2026-06-01', 80], [$open['from']->format('Y-m-d'), $open['to'],
            $closed['to']?->format('Y-m-d'), $open['chance']]);
        self::assertSame([[], []], [KeptProgress::rates(null), KeptProgress::forecasts(['forecasts' => 'x'])]);
    }

    #[TestWith(['rates', ['ability' => '2026-01-01']])]
    #[TestWith(['rates', ['month' => 'x']])]
    #[TestWith(['rates', ['side' => 'both']])]
    #[TestWith(['forecasts', ['ability' => 'x']])]
    #[TestWith(['forecasts', ['side' => '']])]
    #[TestWith(['forecasts', ['from' => '2026-02-30']])]
    #[TestWith(['forecasts', ['to' => ['x']]])]
    #[TestWith(['forecasts', ['posture' => 1]])]
    #[TestWith(['forecasts', ['asked' => null]])]
    public function testWhatCannotBeReadIsPassedOverAndRefused(string $part, array $wrong): void
    {
        $good = 'rates' === $part ? self::RATE : self::FORECAST;
        $kept = [$part => [$good, $wrong + $good, 'x']];
        self::assertCount(1, 'rates' === $part ? KeptProgress::rates($kept) : KeptProgress::forecasts($kept));
        $this->expectException(InvalidValue::class);
        KeptProgress::check([$part => [$good, $wrong + $good]]);
    }
}
