<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

/**
 * Tells, out of a stream of angles, when the leg has settled: for a second every sample has stayed
 * within the tool's own noise. A sample that jumps begins the second anew, and is passed over when
 * the next one is back where the others were.
 */
final class SteadyAngle
{
    /** Milliseconds for which the angle has to hold still. */
    public const FOR_MS = 1000;
    /** Two neighbours further apart than this, in degrees, are no movement of a leg. */
    public const JUMP = 8.0;
    /** Fewest samples that make a second worth believing. */
    private const FEWEST = 5;

    /** @var list<array{int, float}> milliseconds and degrees, the oldest first */
    private array $window = [];

    /** @var array{int, float}|null a sample that jumped, until the next one tells what it was */
    private ?array $jumped = null;

    /** @param float $noise one SD of the tool at rest, in degrees */
    public function __construct(private readonly float $noise = 0.3)
    {
    }

    /** @return float|null the mean of the settled second, in degrees; null while it moves */
    public function feed(int $ms, float $angle): ?float
    {
        $last = $this->window[count($this->window) - 1] ?? null;
        if (null !== $last && ($ms <= $last[0] || $ms - $last[0] > self::FOR_MS)) {
            // The clock went back, or the line was broken for a while: what was before says nothing of now.
            $this->window = [];
            $last = null;
        }
        if (null !== $last && abs($angle - $last[1]) > self::JUMP) {
            if (null !== $this->jumped && abs($angle - $this->jumped[1]) <= self::JUMP) {
                $this->window = [$this->jumped, [$ms, $angle]];
                $this->jumped = null;
            } else {
                $this->jumped = [$ms, $angle];
            }

            return null;
        }
        $this->jumped = null;
        $this->window[] = [$ms, $angle];
        // The last sample from before the second stays: it says that the second is whole.
        while (isset($this->window[1]) && $ms - $this->window[1][0] >= self::FOR_MS) {
            array_shift($this->window);
        }

        return $this->settled($ms);
    }

    /** The line broke: nothing that came before counts towards the second. */
    public function lost(): void
    {
        $this->window = [];
        $this->jumped = null;
    }

    private function settled(int $ms): ?float
    {
        if (count($this->window) < self::FEWEST || $ms - $this->window[0][0] < self::FOR_MS) {
            return null;
        }
        $angles = array_column($this->window, 1);

        return max($angles) - min($angles) <= 6 * $this->noise ? array_sum($angles) / count($angles) : null;
    }
}
