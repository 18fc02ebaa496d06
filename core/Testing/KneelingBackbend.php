<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Uncertainty;

/**
 * How far the spine bends back when kneeling hands just reach a block, in degrees.
 *
 * The thighs stand upright, and the torso is an arc that bends evenly: the hands come down by what the arc is lower
 * than the straight torso. From where they hang with no bend at all nothing can be read, and the nearer to it, the
 * less: there a centimetre is many degrees. This product's own reckoning.
 */
final readonly class KneelingBackbend
{
    /** A step for slopes, in cm. */
    private const STEP = 0.01;

    /**
     * @param float $hanging height of the hands, kneeling upright with the arms hanging, in cm
     * @param float $torso in cm
     * @param float $torsoError one SD of it, in cm
     */
    private function __construct(private float $hanging, private float $torso, private float $torsoError)
    {
    }

    public static function of(Proportions $proportions): self
    {
        $upper = $proportions->upper(Side::Left);

        return new self(
            $proportions->length(Segment::KneelingHands, Side::Left)->cm,
            $upper->torso,
            $upper->isTorsoEstimated
                ? Segment::ESTIMATE_ERROR * $upper->torso
                : Segment::SeatToShoulder->measuringError(),
        );
    }

    /** @param float $block height that the hands reach, in cm; where it reads nothing, the nearest that can be read */
    public function degrees(float $block): float
    {
        $share = 1.0 - ($this->hanging - $block) / $this->torso;
        [$low, $high] = [0.0, M_PI];
        for ($i = 0; $i < 40; ++$i) {
            $middle = ($low + $high) / 2;
            sin($middle) / $middle > $share ? ($low = $middle) : ($high = $middle);
        }

        return rad2deg(($low + $high) / 2);
    }

    /**
     * @param Uncertainty $reading of the block, in cm
     *
     * @return array{float, Uncertainty} degrees
     */
    public function read(float $block, Uncertainty $reading): array
    {
        $degrees = $this->degrees($block);
        $perCm = ($degrees - $this->degrees($block - self::STEP)) / self::STEP;
        $longer = new self($this->hanging, $this->torso + self::STEP, $this->torsoError);
        $perTorso = ($longer->degrees($block) - $degrees) / self::STEP;

        return [
            $degrees,
            $reading
                ->times($perCm)
                ->plus(
                    new Uncertainty(
                        [Segment::KneelingHands->value => -$perCm],
                        ['torso' => $perTorso * $this->torsoError],
                    ),
                ),
        ];
    }
}
