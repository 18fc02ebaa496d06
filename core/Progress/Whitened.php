<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

/**
 * Columns of numbers over time, freed of noise that lasts: beside the readings' own errors a body has better days and
 * worse ones, and the days after a good one are good as well. That noise is taken for a process whose correlation falls
 * off exponentially with the days between; its innovations are found one by one (Kalman 1960), in one pass, so that
 * years of readings cost no more than their number. Uhlenbeck and Ornstein, Phys Rev 36 (1930) 823.
 */
final readonly class Whitened
{
    /**
     * @param list<list<float>> $columns each in units of one SD, uncorrelated
     * @param float $logDeterminant of the covariance
     */
    private function __construct(public array $columns, public float $logDeterminant)
    {
    }

    /**
     * @param list<float> $days in order
     * @param list<float> $variances of the readings alone
     * @param float $lasting variance of the noise that lasts
     * @param float $memory days after which a third of it is left
     * @param list<list<float>> $columns
     */
    public static function of(array $days, array $variances, float $lasting, float $memory, array $columns): self
    {
        $logDeterminant = 0.0;
        $width = count($columns);
        $state = array_fill(0, $width, 0.0);
        $spread = $lasting;
        $white = array_fill(0, $width, []);
        $before = $days[0] ?? 0.0;
        foreach ($days as $i => $day) {
            if ($lasting > 0.0) {
                $kept = exp(-($day - $before) / $memory);
                for ($c = 0; $c < $width; ++$c) {
                    $state[$c] *= $kept;
                }
                $spread = $lasting + $kept * $kept * ($spread - $lasting);
            }
            $before = $day;
            $total = $spread + $variances[$i];
            $sd = sqrt($total);
            $logDeterminant += log($total);
            $gain = $spread / $total;
            for ($c = 0; $c < $width; ++$c) {
                $innovation = $columns[$c][$i] - $state[$c];
                $white[$c][] = $innovation / $sd;
                $state[$c] += $gain * $innovation;
            }
            $spread *= 1.0 - $gain;
        }

        return new self($white, $logDeterminant);
    }
}
