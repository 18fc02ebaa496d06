<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Leg\AsDemanded;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\Vector;

/**
 * One person's body in one pose: points in cm in the ground frame (x forward, y to the person's own left, z up, floor
 * at 0, the pelvis above the origin), and the solids between them. Where a part lies on the floor, soft parts yield.
 */
final readonly class Figure
{
    /** How far a soft part may seem to sink in before it yields, in cm. */
    private const SINKS = 0.8;
    /** How low the bone of a foot comes, and by how much a foot bends to get there, in cm. */
    private const LEAST = 1.4;
    private const SETTLES = 3.0;

    /**
     * @param array<string, Vector> $points
     * @param list<Segment> $segments
     * @param array<string, float> $misses what reaches for something, by its point: how far that is out of reach, in cm
     * @param array<string, Frame> $frames of pelvis, chest and head
     * @param list<string> $strapped the hands that hold a strap
     * @param bool $isSeated whether seat or back are carried, by the floor or by what lies on it
     */
    private function __construct(
        public array $points,
        public array $segments,
        public array $misses,
        public array $frames,
        public Side $working,
        public Physique $physique,
        public ?float $pressed,
        public array $strapped,
        public bool $isSeated,
    ) {
    }

    /**
     * @param LegPose|null $demanded what the rung asks of the leg that works, where the leg chain says so
     * @param LegPose|null $otherDemanded likewise of the other
     * @param float|null $raised what lies under the pelvis, in cm; as the pose has it where nothing is said
     * @param float $underHands what lies under the hands, in cm
     */
    public static function of(
        Pose $pose,
        Physique $body,
        Side $working,
        ?LegPose $demanded = null,
        ?LegPose $otherDemanded = null,
        ?float $raised = null,
        float $underHands = 0.0,
    ): self {
        $sign = $working->outward();
        $demanded ??= $pose->leg instanceof AsDemanded ? $pose->leg->leg($body, $working) : null;
        $otherDemanded ??=
            $pose->otherLeg instanceof AsDemanded ? $pose->otherLeg->leg($body, $working->opposite()) : null;
        $raised ??= $pose->raised;
        $height = is_float($pose->hips)
            ? $body->hundredths($pose->hips)
            : $pose->hips->of($body, $demanded ?? $otherDemanded, $raised);
        if (HipHeight::Lies === $pose->hips) {
            // Rolled to one side, the lower hip is under the pelvis.
            $height = max(
                $height,
                $body->radii('hips')[0] +
                    (abs(sin(deg2rad($pose->roll))) * $body->leg($working)->hipSpacing) / 2.0,
            );
        }
        $pelvis = Frame::upright()
            ->turned($sign * $pose->turn)
            ->tipped($pose->tilt)
            ->leaned($sign * $pose->lean)
            ->turned($sign * $pose->roll);
        $root = new Vector(0.0, 0.0, $height);
        $points = ['pelvis' => $root];
        $misses = $hips = $strapped = [];
        foreach (Side::cases() as $side) {
            $half = $body->leg($side)->hipSpacing / 2.0;
            $hips[$side->value] = $root->plus($pelvis->left->times($side->outward() * $half));
            $points[$side->value.'-hip'] = $hips[$side->value];
        }
        foreach (
            [
                [$working, $pose->leg, $demanded],
                [$working->opposite(), $pose->otherLeg, $otherDemanded],
            ] as [$side, $placement, $asked]
        ) {
            $limb = $placement->place(new Joint($hips[$side->value], $pelvis, $side, $body, $points, $asked));
            $points += self::leg($limb, $side, $body);
            $misses[$side->value.'-foot'] = $limb->miss;
        }

        // Three chords of the arc in which a spine bends: its end is where the leg chain has it (Torso::neck).
        $bent = static fn (float $share): Frame => $pelvis
            ->turned($sign * $pose->twist * $share)
            ->leaned(-$sign * $pose->side * $share)
            ->tipped($pose->back * $share);
        $sixth = deg2rad($pose->back) / 6.0;
        $part = $body->spinePart() * (abs($sixth) < 1e-9 ? 1.0 : sin($sixth) / $sixth);
        $at = $root;
        foreach (['waist' => 1.0 / 6.0, 'chest' => 0.5, 'neck' => 5.0 / 6.0] as $name => $share) {
            $at = $at->plus($bent($share)->up->times($part));
            $points[$name] = $at;
        }
        $chest = $bent(1.0);
        $head = $chest->tipped($pose->neck);
        $points['head'] = $points['neck']->plus($chest->tipped($pose->neck / 2.0)->up->times($body->neck()));
        $points['chin'] = $points['head']->plus(
            $head->toGround($body->hundredths(2.6), 0.0, -$body->hundredths(3.4)),
        );
        $points['nose'] = $points['head']->plus(
            $head->toGround($body->hundredths(5.6), 0.0, -$body->hundredths(0.8)),
        );
        $points['crown'] = $points['head']->plus(
            $head->toGround(-$body->hundredths(0.9), 0.0, $body->hundredths(0.9)),
        );
        foreach (Side::cases() as $side) {
            $points[$side->value.'-shoulder'] = $points['neck']->plus(
                $chest->toGround(0.0, $side->outward() * $body->shoulder(), -$body->hundredths(3.0)),
            );
        }
        foreach ([[$working, $pose->arm], [$working->opposite(), $pose->otherArm]] as [$side, $placement]) {
            $limb = $placement->place(
                new Joint($points[$side->value.'-shoulder'], $chest, $side, $body, $points, null, $underHands),
            );
            $points[$side->value.'-elbow'] = $limb->middle;
            $points[$side->value.'-wrist'] = $limb->end;
            $points[$side->value.'-hand'] = $limb->tip;
            $misses[$side->value.'-hand'] = $limb->miss;
            if ($limb->isStrapped) {
                $strapped[] = $side->value.'-hand';
            }
        }

        return new self(
            $points,
            self::segments($points, $body),
            $misses,
            ['pelvis' => $pelvis, 'chest' => $chest, 'head' => $head],
            $working,
            $body,
            $pose->pressed,
            $strapped,
            $pose->hips instanceof HipHeight
                && ($pose->hips->carriesPelvis() || (HipHeight::Demanded === $pose->hips && $pelvis->up->z > 0.5)),
        );
    }

    public function point(string $name): Vector
    {
        return $this->points[$name];
    }

    public function segment(string $name): Segment
    {
        foreach ($this->segments as $segment) {
            if ($segment->name === $name) {
                return $segment;
            }
        }
        throw new \OutOfBoundsException(sprintf('A body has no "%s".', $name));
    }

    /** A point of the side that works, or of the other: "knee", "other-knee". */
    public function ofWorking(string $name): Vector
    {
        return str_starts_with($name, 'other-')
            ? $this->points[$this->working->opposite()->value.'-'.substr($name, 6)]
            : $this->points[$this->working->value.'-'.$name];
    }

    /** @return array<string, Vector> */
    private static function leg(Limb $limb, Side $side, Physique $body): array
    {
        $along = Limb::unit($limb->tip->minus($limb->end));
        $shin = Limb::unit($limb->end->minus($limb->middle));
        $front = Limb::across($shin, $limb->front ?? $along);
        $down = $shin->times($along->dot($front))->minus($front->times($along->dot($shin)));
        $name = $side->value;

        return [
            "$name-knee" => $limb->middle,
            "$name-ankle" => $limb->end,
            "$name-toe" => self::settled($limb->tip->plus($down->times($body->hundredths(2.5)))),
            "$name-heel" => self::settled(
                $limb->end->minus($along->times($body->heel()))->plus($down->times($body->hundredths(1.7))),
            ),
            "$name-thigh" => $limb->root->plus($limb->middle->minus($limb->root)->times(0.6)),
            "$name-shin" => $limb->middle->plus($limb->end->minus($limb->middle)->times(0.5)),
            "$name-foot" => $limb->end->plus($limb->tip->minus($limb->end)->times(0.7)),
        ];
    }

    /**
     * @param array<string, Vector> $points
     *
     * @return list<Segment>
     */
    private static function segments(array $points, Physique $body): array
    {
        $segments = [];
        $add = static function (string $name, string $kind, string $from, string $to) use (
            &$segments,
            $points,
            $body,
        ): void {
            [$start, $end] = $body->radii($kind);
            $segments[] = new Segment(
                $name,
                $from,
                $to,
                $points[$from],
                $points[$to],
                self::yielding($start, $points[$from]),
                self::yielding($end, $points[$to]),
            );
        };
        $add('hips', 'hips', 'left-hip', 'right-hip');
        $add('pelvis', 'pelvis', 'pelvis', 'waist');
        $add('waist', 'waist', 'waist', 'chest');
        $add('chest', 'chest', 'chest', 'neck');
        $add('shoulders', 'shoulders', 'left-shoulder', 'right-shoulder');
        $add('neck', 'neck', 'neck', 'head');
        $add('head', 'head', 'crown', 'chin');
        foreach (['left', 'right'] as $side) {
            $add("$side-thigh", 'thigh', "$side-hip", "$side-knee");
            $add("$side-shin", 'shin', "$side-knee", "$side-ankle");
            $add("$side-foot", 'foot', "$side-heel", "$side-toe");
            $add("$side-upper-arm", 'upper-arm', "$side-shoulder", "$side-elbow");
            $add("$side-forearm", 'forearm', "$side-elbow", "$side-wrist");
            $add("$side-hand", 'hand', "$side-wrist", "$side-hand");
        }

        return $segments;
    }

    /** A foot on its edge settles on the floor: it bends by as much as it would sink. */
    private static function settled(Vector $point): Vector
    {
        return $point->z < self::LEAST && $point->z > self::LEAST - self::SETTLES
            ? new Vector($point->x, $point->y, self::LEAST)
            : $point;
    }

    /** Flesh on the floor is as thin as what is under the bone; the bone itself never goes lower. */
    private static function yielding(float $radius, Vector $at): float
    {
        return max(0.45 * $radius, min($radius, $at->z + self::SINKS));
    }
}
