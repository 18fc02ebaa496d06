<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Check;

/**
 * The same thing measured two or three times over. The mean is the reading; the spread says how
 * far to trust it, but never makes it better than the tool: trials taken a minute apart share the
 * way the person sat. Two or three trials show little of a spread, so the larger of the two counts.
 */
final readonly class RepeatedMeasure
{
    /** @param non-empty-list<float> $trials in one unit */
    public function __construct(public array $trials)
    {
        foreach ($trials as $trial) {
            Check::finite('trial', $trial);
        }
    }

    /** Of all trials, in their unit. */
    public function mean(): float
    {
        return array_sum($this->trials) / count($this->trials);
    }

    /** The sample standard deviation; zero for a single trial. */
    public function spread(): float
    {
        $n = count($this->trials);
        if ($n < 2) {
            return 0.0;
        }
        $mean = $this->mean();
        $squares = array_map(static fn (float $x): float => ($x - $mean) ** 2, $this->trials);

        return sqrt(array_sum($squares) / ($n - 1));
    }

    /** Largest less smallest. */
    public function range(): float
    {
        return max($this->trials) - min($this->trials);
    }

    /** One standard deviation of a reading, in the unit of the trials: never better than the tool's own. */
    public function error(float $toolError): float
    {
        return max($toolError, $this->spread());
    }
}
