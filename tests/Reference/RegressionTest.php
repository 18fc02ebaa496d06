<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Reference;

use LucidAscent\Core\Statistics\LeastSquares;
use LucidAscent\Core\Statistics\Normal;
use PHPUnit\Framework\TestCase;

/** The arithmetic of trends against certified and tabulated values. */
final class RegressionTest extends TestCase
{
    /**
     * NIST Statistical Reference Datasets, linear regression, "Norris": y and x, and the certified line (typed from
     * memory, checked by the certified values).
     */
    private const NORRIS = [[0.1, 0.2], [338.8, 337.4], [118.1, 118.2], [888.0, 884.6], [9.2, 10.1], [228.1, 226.5],
        [668.5, 666.3], [998.5, 996.3], [449.1, 448.6], [778.9, 777.0], [559.2, 558.2], [0.3, 0.4], [0.1, 0.6],
        [778.1, 775.5], [668.8, 666.9], [339.3, 338.0], [448.9, 447.5], [10.8, 11.6], [557.7, 556.0], [228.3, 228.1],
        [998.0, 995.8], [888.8, 887.6], [119.6, 120.2], [0.3, 0.3], [0.6, 0.3], [557.6, 556.8], [339.3, 339.1],
        [888.0, 887.2], [998.5, 999.0], [778.9, 779.0], [10.2, 11.1], [117.6, 118.3], [228.9, 229.2], [668.4, 669.1],
        [449.2, 448.9], [0.2, 0.5]];

    public function testACertifiedLineIsFound(): void
    {
        [$y, $x] = [array_column(self::NORRIS, 0), array_column(self::NORRIS, 1)];
        $fit = LeastSquares::of($y, [array_fill(0, count($x), 1.0), $x]) ?? self::fail('No line.');
        self::assertEqualsWithDelta(-0.262323073774029, $fit->coefficients[0], 1e-9);
        self::assertEqualsWithDelta(1.00211681802045, $fit->coefficients[1], 1e-11);
        $variance = $fit->rest / (count($x) - 2);
        self::assertEqualsWithDelta(0.884796396144373, sqrt($variance), 1e-6);
        self::assertEqualsWithDelta(0.232818234301152, sqrt($variance * $fit->covariance[0][0]), 1e-7);
        self::assertEqualsWithDelta(0.429796848199937e-3, sqrt($variance * $fit->covariance[1][1]), 1e-9);
    }

    /** Abramowitz and Stegun, Handbook of Mathematical Functions, table 26.1. */
    public function testTheNormalDistributionIsTheTabulatedOne(): void
    {
        foreach ([[0.0, 0.5], [0.5, 0.691462461274013], [1.0, 0.841344746068543], [1.5, 0.933192798731142],
            [2.0, 0.977249868051821], [2.5, 0.993790334674224], [3.0, 0.998650101968370],
            [4.0, 0.999968328758167]] as [$z, $below]) {
            self::assertEqualsWithDelta($below, Normal::below($z), 1e-13, (string) $z);
            self::assertEqualsWithDelta(1.0 - $below, Normal::below(-$z), 1e-13);
        }
        self::assertEqualsWithDelta(0.398942280401433, Normal::density(0.0), 1e-14);
    }
}
