<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Vector;

/**
 * Two segments and what ends them: hip, knee, ankle and foot, or shoulder, elbow, wrist and hand. Points in cm, ground
 * frame.
 */
final readonly class Limb
{
    /** Below this sine the two segments are in one line, and the pole tells which way they would bend. */
    private const IN_LINE = 1e-6;

    /**
     * @param Vector $tip of the ball of the foot, or of the fingers
     * @param Vector|null $front where the front of a shin points, where the foot does not tell: one that is pointed,
     *     say
     * @param bool $isStrapped whether a strap bridges what the hand does not reach
     * @param float $miss how far what it reaches for is out of reach, in cm
     */
    public function __construct(
        public Vector $root,
        public Vector $middle,
        public Vector $end,
        public Vector $tip,
        public float $miss = 0.0,
        public ?Vector $front = null,
        public bool $isStrapped = false,
    ) {
    }

    /**
     * The two directions of a limb by its angles (see LegAngles) in a part of the body, and the front of its second
     * segment. An elbow bends to the front, a knee to the back.
     *
     * @param float $outward 1 on the left side, -1 on the right
     *
     * @return array{Vector, Vector, Vector} unit vectors in the ground frame
     */
    public static function directions(Frame $frame, float $outward, LegAngles $angles, bool $isArm = false): array
    {
        $f = deg2rad($angles->flexion);
        $a = deg2rad($angles->abduction);
        $r = deg2rad($angles->rotation);
        $k = deg2rad($angles->kneeFlexion) * ($isArm ? -1.0 : 1.0);
        $first = $frame->toGround(cos($a) * sin($f), $outward * sin($a), -cos($a) * cos($f));
        $front = $frame->toGround(cos($f), 0.0, sin($f));
        $outside = $frame->toGround(-sin($a) * sin($f), $outward * cos($a), sin($a) * cos($f));
        $turned = $front->times(cos($r))->plus($outside->times(sin($r)));

        return [
            $first,
            $first->times(cos($k))->minus($turned->times(sin($k))),
            $turned->times(cos($k))->plus($first->times(sin($k))),
        ];
    }

    /**
     * Where the middle joint is when both ends are known: on the circle about the line between them, towards the pole.
     *
     * @param Vector $pole a direction
     *
     * @return array{Vector, Vector, float} the middle, the end as far as it is reached, and by how much it is missed
     */
    public static function reach(Vector $root, Vector $target, float $first, float $second, Vector $pole): array
    {
        $line = $target->minus($root);
        $distance = max($line->length(), 1e-9);
        $along = $line->times(1.0 / $distance);
        $reached = min(max($distance, abs($first - $second) + 1e-6), $first + $second - 1e-6);
        $cos = ($first ** 2 + $reached ** 2 - $second ** 2) / (2.0 * $first * $reached);
        $sin = sqrt(max(0.0, 1.0 - $cos ** 2));
        $middle = $root->plus($along->times($cos * $first))->plus(self::across($along, $pole)->times($sin * $first));

        return [$middle, $root->plus($along->times($reached)), abs($distance - $reached)];
    }

    /** The part of a direction at right angles to a line, as a unit vector; any such where it is in line. */
    public static function across(Vector $along, Vector $direction): Vector
    {
        foreach ([$direction, new Vector(0.0, 0.0, 1.0), new Vector(1.0, 0.0, 0.0)] as $tried) {
            $part = $tried->minus($along->times($tried->dot($along)));
            if ($part->length() > self::IN_LINE) {
                return $part->times(1.0 / $part->length());
            }
        }

        return new Vector(0.0, 1.0, 0.0);
    }

    public static function unit(Vector $v): Vector
    {
        return $v->times(1.0 / max(1e-9, $v->length()));
    }

    public function moved(Vector $by): self
    {
        return new self(
            $this->root->plus($by),
            $this->middle->plus($by),
            $this->end->plus($by),
            $this->tip->plus($by),
            $this->miss,
            $this->front,
            $this->isStrapped,
        );
    }
}
