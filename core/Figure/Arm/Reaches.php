<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure\Arm;

use LucidAscent\Core\Figure\Joint;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\LegChain\Vector;

/** The hand goes to a part of the body, or to a place; the elbow where it is told to. */
final readonly class Reaches implements ArmPlacement
{
    /**
     * @param string|null $part by name, "foot" or "other-knee"; null for a place of its own
     * @param Vector $by from there, or from the floor under the shoulder: ahead, outward, up, in hundredths of the
     *                   stature
     * @param Vector|null $elbow which way the elbow points: ahead, outward, up; outward, back and down where nothing is
     *     said
     * @param Vector|null $from on which side of the part the hand lies, as a direction; on the shoulder's where nothing
     *     is said
     * @param bool $isForearm whether the forearm lies on the floor, elbow and all
     * @param bool $isStrapped whether a strap may bridge what the hand does not reach
     */
    public function __construct(
        private ?string $part,
        private Vector $by,
        private ?Vector $elbow = null,
        private bool $isForearm = false,
        public bool $isStrapped = false,
        private ?Vector $from = null,
    ) {
    }

    public function place(Joint $shoulder): Limb
    {
        $body = $shoulder->physique;
        $arm = $body->upper($shoulder->side);
        $outward = $shoulder->outward();
        $from =
            null === $this->part
                ? new Vector($shoulder->at->x, $shoulder->at->y, $shoulder->propHeight + $body->radii('hand')[0] * 0.8)
                : $shoulder->point($this->part);
        $from ??= throw new \LogicException(sprintf('There is nothing called "%s" to take hold of.', $this->part));
        $target = $from->plus(
            new Vector(
                $body->hundredths($this->by->x),
                $outward * $body->hundredths($this->by->y),
                $body->hundredths($this->by->z),
            ),
        );
        if ($this->isForearm) {
            return $this->lying($shoulder, $target);
        }
        $inside = $target;
        if (null !== $this->part) {
            // A hand lies on the surface, on the side that it comes from.
            $side =
                null === $this->from
                    ? $shoulder->at->minus($target)
                    : new Vector($this->from->x, $outward * $this->from->y, $this->from->z);
            $target = $target->plus(
                Limb::unit($side)->times($body->thickness($this->part) + $body->radii('hand')[0] * 0.8),
            );
        }
        $pole = $this->elbow ?? new Vector(-0.6, 0.7, -0.5);
        if (null === $this->part) {
            $target = self::within($shoulder->at, $target, $arm->upperArm + $arm->forearm - 0.5);
        }
        $low = $body->radii('forearm')[0] - 0.5;
        $lift = 0.0;
        do {
            // An elbow is not pushed through the floor: it turns up instead.
            [$elbow, $wrist, $miss] = Limb::reach(
                $shoulder->at,
                $target,
                $arm->upperArm,
                $arm->forearm,
                new Vector($pole->x, $outward * $pole->y, $pole->z + $lift),
            );
            $lift += 0.5;
        } while ($elbow->z < $low && $lift < 2.6);
        $on = Limb::unit($wrist->minus($elbow));
        $hand = match (true) {
            null !== $this->part && !$this->isStrapped => Limb::across(Limb::unit($inside->minus($wrist)), $on),
            // A hand on the floor lies flat and points ahead.
            null === $this->part && 0.0 === $this->by->z => Limb::unit(new Vector($on->x + 0.4, $on->y, 0.0)),
            default => $on,
        };

        return new Limb(
            $shoulder->at,
            $elbow,
            $wrist,
            $wrist->plus($hand->times($body->hand())),
            $this->isStrapped ? 0.0 : $miss,
            isStrapped: $this->isStrapped,
        );
    }

    /** A place on the floor is where the hand goes, or as near to it as the arm is long. */
    private static function within(Vector $shoulder, Vector $place, float $longest): Vector
    {
        $flat = sqrt(max(0.0, $longest ** 2 - ($shoulder->z - $place->z) ** 2));
        $dx = $place->x - $shoulder->x;
        $dy = $place->y - $shoulder->y;
        $share = min(1.0, $flat / max(1e-9, sqrt($dx * $dx + $dy * $dy)));

        return new Vector($shoulder->x + $share * $dx, $shoulder->y + $share * $dy, $place->z);
    }

    /** The elbow goes to the place, and the forearm lies ahead of it. */
    private function lying(Joint $shoulder, Vector $target): Limb
    {
        $body = $shoulder->physique;
        $arm = $body->upper($shoulder->side);
        $low = $shoulder->propHeight + $body->radii('forearm')[0];
        $target = new Vector($target->x, $target->y, $low);
        $drop = $shoulder->at->z - $low;
        $flat = sqrt(max(0.0, $arm->upperArm ** 2 - $drop ** 2));
        $over = Limb::unit(new Vector($target->x - $shoulder->at->x + 1e-6, $target->y - $shoulder->at->y, 0.0));
        $elbow = new Vector(
            $shoulder->at->x + $flat * $over->x,
            $shoulder->at->y + $flat * $over->y,
            max($low, $shoulder->at->z - $arm->upperArm),
        );
        $way = Limb::unit($this->elbow ?? new Vector(1.0, 0.0, 0.0));
        $way = new Vector($way->x, $shoulder->outward() * $way->y, 0.0);
        $wrist = $elbow->plus($way->times($arm->forearm));

        return new Limb(
            $shoulder->at,
            $elbow,
            $wrist,
            $wrist->plus($way->times($body->hand())),
            max(0.0, $drop - $arm->upperArm),
        );
    }
}
