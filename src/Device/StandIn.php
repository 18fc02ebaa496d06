<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * What an inclinometer on a leg would show, sample by sample, the same for the same seed: the leg
 * moves towards a position, settles, is held, and moves on; the tool adds noise and drifts. A rough
 * scenario also damages lines, makes values jump, and breaks the line off.
 */
final class StandIn
{
    public const SAMPLES_PER_SECOND = 20;
    public const SCENARIOS = ['calm', 'rough'];

    private const HELD_SECONDS = 7;
    private const SETTLING_SECONDS = 0.45;
    private const NOISE = 0.12;
    private const DRIFT_PER_SECOND = 0.01;
    /** How long the line is held before it breaks, and how long it is broken then. */
    private const WHOLE_SECONDS = 6;
    private const BROKEN_SECONDS = 2;
    /** A leg does not always settle where it is asked to, in degrees. */
    private const POSITIONS = [28.0, 96.0];

    private Randomizer $random;
    private int $count = 0;
    private float $angle = 0.0;
    private float $target = 0.0;
    private float $drift = 0.0;

    public function __construct(int $seed, private readonly string $scenario)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** @return string|null what goes on the line now; null when it breaks off */
    public function next(): ?string
    {
        $second = intdiv($this->count, self::SAMPLES_PER_SECOND);
        if (0 === $this->count % (self::HELD_SECONDS * self::SAMPLES_PER_SECOND)) {
            $this->target = self::POSITIONS[0] + (self::POSITIONS[1] - self::POSITIONS[0]) * $this->uniform();
        }
        $this->angle +=
            ($this->target - $this->angle) * (1 - exp(-1 / self::SAMPLES_PER_SECOND / self::SETTLING_SECONDS));
        $this->drift += (self::DRIFT_PER_SECOND / self::SAMPLES_PER_SECOND) * ($this->random->getInt(0, 1) * 2 - 1);
        $shown = $this->angle + $this->drift + self::NOISE * $this->normal();
        $ms = (int) ((++$this->count * 1000) / self::SAMPLES_PER_SECOND);
        if ('rough' === $this->scenario) {
            if ($second % (self::WHOLE_SECONDS + self::BROKEN_SECONDS) >= self::WHOLE_SECONDS) {
                return null;
            }
            $chance = $this->random->getInt(1, 60);
            if (1 === $chance) {
                return bin2hex($this->random->getBytes(6))."\n";
            }
            if (2 === $chance) {
                $shown = min(180.0, $shown + 60.0);
            }
        }

        return InclinometerLine::of(new AngleSample($ms, round($shown, 2)));
    }

    private function normal(): float
    {
        return sqrt(-2 * log($this->uniform())) * cos(2 * M_PI * $this->uniform());
    }

    /** Above 0, and up to 1. */
    private function uniform(): float
    {
        return $this->random->getInt(1, 1 << 30) / (1 << 30);
    }
}
