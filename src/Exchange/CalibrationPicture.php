<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\Calibration\Calibration;
use LucidAscent\Core\Calibration\Tally;

/**
 * Two drawings side by side, as SVG: what was stated against what happened, with the aim as a band about the
 * diagonal and each point as large as there are verdicts; and of each ability how many intervals hold the truth.
 */
final class CalibrationPicture
{
    private const SIZE = 300;
    private const EDGE = 50;
    private const ROW = 19;
    private const NAMES = 150;
    /** What the right drawing shows, in percent. */
    private const FROM = 88.0;
    private const TO = 100.0;

    public static function of(Tally $tally): string
    {
        $chances = self::chances($tally);
        $intervals = self::intervals($tally);
        $height = max(self::SIZE, self::ROW * count($tally->coverage())) + 2 * self::EDGE;
        $width = 2 * self::SIZE + self::NAMES + 3 * self::EDGE;

        return <<<SVG
            <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 $width $height"
                font-family="sans-serif" font-size="12" fill="#222">
            <rect width="$width" height="$height" fill="#fff"/>
            $chances
            $intervals
            </svg>

            SVG;
    }

    private static function chances(Tally $tally): string
    {
        $x = static fn (float $percent): float => round(self::EDGE + (self::SIZE * $percent) / 100, 1);
        $y = static fn (float $percent): float => round(self::EDGE + self::SIZE * (1 - $percent / 100), 1);
        $off = Calibration::POINTS;
        $drawn = [
            self::text($x(50), self::EDGE - 22, 'Chance of a pose: stated, and what happened', 'middle', 'bold'),
            sprintf(
                '<path d="M%s %s L%s %s L%s %s L%s %s L%s %s L%s %s Z" fill="#cfe3dd"/>',
                $x(0),
                $y(0),
                $x(0),
                $y($off),
                $x(100 - $off),
                $y(100),
                $x(100),
                $y(100),
                $x(100),
                $y(100 - $off),
                $x($off),
                $y(0),
            ),
            sprintf(
                '<path d="M%s %s L%s %s" stroke="#4a6b62" stroke-dasharray="4 3"/>',
                $x(0),
                $y(0),
                $x(100),
                $y(100),
            ),
            sprintf(
                '<rect x="%s" y="%s" width="%d" height="%d" fill="none" stroke="#777"/>',
                $x(0),
                $y(100),
                self::SIZE,
                self::SIZE,
            ),
        ];
        foreach ([0, 20, 40, 60, 80, 100] as $percent) {
            $drawn[] = self::text($x($percent), $y(0) + 16, "$percent", 'middle');
            $drawn[] = self::text($x(0) - 6, $y($percent) + 4, "$percent", 'end');
        }
        $drawn[] = self::text($x(50), $y(0) + 34, 'stated, percent', 'middle');
        $drawn[] = sprintf(
            '<text transform="translate(%s %s) rotate(-90)" text-anchor="middle">happened, percent</text>',
            $x(0) - 34,
            $y(50),
        );
        $most = max(1, ...array_column($tally->reliability(), 'verdicts'));
        foreach ($tally->reliability() as $tenth) {
            $drawn[] = sprintf(
                '<circle cx="%s" cy="%s" r="%.1f" fill="#1d5c8a"><title>%d verdicts: stated %.1f, happened %.1f</title></circle>',
                $x($tenth['stated']),
                $y($tenth['happened']),
                3 + 6 * sqrt($tenth['verdicts'] / $most),
                $tenth['verdicts'],
                $tenth['stated'],
                $tenth['happened'],
            );
        }

        return implode("\n", $drawn);
    }

    private static function intervals(Tally $tally): string
    {
        $left = self::SIZE + 2 * self::EDGE + self::NAMES;
        $x = static fn (float $percent): float => round(
            $left + (self::SIZE * (max(self::FROM, $percent) - self::FROM)) / (self::TO - self::FROM),
            1,
        );
        $rows = self::ROW * count($tally->coverage());
        [$least, $most] = Calibration::COVERED;
        $drawn = [
            self::text(
                $x((self::FROM + self::TO) / 2),
                self::EDGE - 22,
                '95 % intervals that hold the truth',
                'middle',
                'bold',
            ),
            sprintf(
                '<rect x="%s" y="%d" width="%s" height="%d" fill="#cfe3dd"/>',
                $x($least),
                self::EDGE,
                $x($most) - $x($least),
                $rows,
            ),
            sprintf(
                '<path d="M%1$s %2$d V%3$d" stroke="#4a6b62" stroke-dasharray="4 3"/>',
                $x(95),
                self::EDGE,
                self::EDGE + $rows,
            ),
        ];
        foreach ([88, 90, 92, 94, 96, 98, 100] as $percent) {
            $drawn[] = self::text($x($percent), self::EDGE + $rows + 16, "$percent", 'middle');
        }
        $drawn[] = self::text($x((self::FROM + self::TO) / 2), self::EDGE + $rows + 34, 'percent', 'middle');
        $y = self::EDGE + self::ROW / 2;
        foreach ($tally->coverage() as $name => $of) {
            $error =
                196.0 *
                sqrt(max(1e-6, ($of['covered'] / 100) * (1 - $of['covered'] / 100)) / max(1, $of['intervals']));
            $drawn[] = self::text($left - 10, $y + 4, $name, 'end');
            $drawn[] = sprintf(
                '<path d="M%s %s H%s" stroke="#1d5c8a" stroke-width="2"/>',
                $x($of['covered'] - $error),
                $y,
                $x(min(self::TO, $of['covered'] + $error)),
            );
            $drawn[] = sprintf(
                '<circle cx="%s" cy="%s" r="4" fill="#1d5c8a"><title>%s: %.1f</title></circle>',
                $x($of['covered']),
                $y,
                $name,
                $of['covered'],
            );
            $y += self::ROW;
        }

        return implode("\n", $drawn);
    }

    private static function text(
        float $x,
        float $y,
        string $text,
        string $anchor,
        string $weight = 'normal',
    ): string {
        return sprintf(
            '<text x="%s" y="%s" text-anchor="%s" font-weight="%s">%s</text>',
            $x,
            $y,
            $anchor,
            $weight,
            $text,
        );
    }
}
