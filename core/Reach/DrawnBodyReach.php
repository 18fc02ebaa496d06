<?php

declare(strict_types=1);

namespace LucidAscent\Core\Reach;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\DrawnAngles;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Limb;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Vector;
use LucidAscent\Core\Posture\BodyReach;
use LucidAscent\Core\Posture\JointAsked;
use LucidAscent\Core\Posture\ReachKind;

/**
 * A body in a shape as it is drawn: from the shoulder, past what the arm goes round, to where the hand is to get, less
 * the length of the arm. What a joint does not give turns the trunk back from the leg, the shoulders back to the
 * pelvis, or the arm down. Lengths in cm.
 */
final readonly class DrawnBodyReach implements BodyReach
{
    /** How far fingers go past the middle of a foot to hold it, in cm. This product's own. */
    private const HOLD = 3.0;
    /** A knee bent less than this leaves the leg long: the back of the thigh is asked, and not the hip alone. */
    private const LONG = 45.0;
    /** Less than this of a bend or a turn is asked of nobody, and so is an arm that is raised less; degrees. */
    private const SLIGHT = 10.0;
    private const RAISED = 110.0;
    /** More no hip bends: a leg that is drawn so is out to the side, where bending and spreading are one. */
    private const MOST = 150.0;
    /** Where an arm lies round a leg: so far from the knee, as a share of shin or thigh. */
    private const ROUND = 0.25;

    public function __construct(
        private DrawnReach $of,
        private Proportions $body,
        private Figure $figure,
        private Side $arm,
    ) {
    }

    public function asks(): array
    {
        [$figure, $arm, $pose] = [$this->figure, $this->arm, $this->of->pose];
        $working = $figure->working;
        $asks = [];
        foreach ($this->legs() as $leg) {
            $angles = DrawnAngles::asAbilities($figure, $leg);
            $ability = $angles[Ability::KneeFlexion->value] < self::LONG ? Ability::Hamstrings : Ability::Flexion;
            if ($angles[$ability->value] > self::SLIGHT && $angles[$ability->value] < self::MOST) {
                $asks[] = new JointAsked($ability, $leg, $angles[$ability->value]);
            }
        }
        if (abs($pose->twist) > self::SLIGHT) {
            $asks[] = new JointAsked(
                Ability::SpineRotation,
                $pose->twist > 0.0 ? $working : $working->opposite(),
                abs($pose->twist),
            );
        }
        if (abs($pose->side) > self::SLIGHT) {
            $asks[] = new JointAsked(
                Ability::SideBend,
                $pose->side > 0.0 ? $working : $working->opposite(),
                abs($pose->side),
            );
        }
        if (ReachKind::Hold === $this->of->kind) {
            $raised = self::raised(
                $figure,
                $this->point($arm, $this->of->to)->minus($this->point($arm, 'shoulder')),
            );
            if ($raised > self::RAISED) {
                $asks[] = new JointAsked(Ability::ShoulderFlexion, $arm, $raised);
            }
        }
        if (ReachKind::Clasp === $this->of->kind) {
            $asks[] = new JointAsked(Ability::ShoulderReach, $arm, OverUnder::free($this->body));
        }

        return $asks;
    }

    public function gap(array $short): float
    {
        [$figure, $arm, $body] = [$this->figure, $this->arm, $this->body];
        // Who gives more than is drawn is as drawn.
        $short = array_map(static fn (float $missing): float => max(0.0, $missing), $short);
        $shoulder = $this->shoulder($arm, $short);
        $long = $body->toFingertips($arm);
        $away = fn (): float => $this->point($arm, $this->of->to)->minus($shoulder)->length();

        return match ($this->of->kind) {
            ReachKind::Hold => self::HOLD +
                self::hanging(
                    $away(),
                    $long,
                    $short[Ability::ShoulderFlexion->value." $arm->value"] ?? 0.0,
                ),
            ReachKind::Floor => $shoulder->z - $long,
            ReachKind::Elbow => $away()
                - $figure->physique->thickness($this->of->to)
                - $body->upper($arm)->upperArm,
            default => $this->clasped($shoulder, $short)
                - $long
                - $body->toFingertips($arm->opposite())
                + ($short[Ability::ShoulderReach->value." $arm->value"] ?? 0.0),
        };
    }

    /** What is missing along a line of this length for an arm that stays so many degrees beside it, in cm. */
    private static function hanging(float $distance, float $arm, float $beside): float
    {
        $reached = min($arm, $distance);

        return $reached
            - $arm
            + sqrt($distance ** 2 + $reached ** 2 - 2.0 * $distance * $reached * cos(deg2rad($beside)));
    }

    /**
     * From shoulder to shoulder, past the far side of the leg where the arm goes round one, and behind the waist, in
     * cm.
     *
     * @param array<string, float> $short
     */
    private function clasped(Vector $shoulder, array $short): float
    {
        [$figure, $arm] = [$this->figure, $this->arm];
        $body = $figure->physique;
        $pelvis = $figure->frames['pelvis'];
        $waist = $figure->point('waist');
        $deep = $body->radii('waist')[0] + $body->radii('hand')[0];
        $behind = $waist->plus($pelvis->forward->times(-$deep));
        $beside = static fn (Side $side): Vector => $waist->plus($pelvis->left->times($side->outward() * $deep));
        $around = static fn (Vector $from, Side $side): float => $from->minus($beside($side))->length()
            + $beside($side)->minus($behind)->length();
        $other = $this->shoulder($arm->opposite(), $short);
        if (null === $this->of->round) {
            return $around($shoulder, $arm) + $around($other, $arm->opposite());
        }
        $of = str_starts_with($this->of->round, 'other-') ? 'other-' : '';
        $part = substr($this->of->round, strlen($of));
        $knee = $this->point($arm, "{$of}knee");
        $end = $this->point($arm, $of.('thigh' === $part ? 'hip' : 'ankle'));
        $near = $knee->plus($end->minus($knee)->times(self::ROUND));
        $away = Limb::across(Limb::unit($end->minus($knee)), $near->minus($behind));
        $far = $near->plus($away->times($body->thickness($part) + $body->radii('forearm')[0]));

        return $far->minus($shoulder)->length() + $around($far, $arm) + $around($other, $arm->opposite());
    }

    /**
     * Where a shoulder is when joints give less than what is drawn: the trunk is so much further back from the leg, and
     * its shoulders are turned or bent so much less.
     *
     * @param array<string, float> $short
     */
    private function shoulder(Side $arm, array $short): Vector
    {
        $at = $this->point($arm, 'shoulder');
        $figure = $this->figure;
        $pelvis = $figure->frames['pelvis'];
        $root = $figure->point('pelvis');
        $sign = $figure->working->outward();
        $pose = $this->of->pose;
        $back = 0.0;
        foreach ($short as $name => $missing) {
            [$ability] = explode(' ', $name);
            match (Ability::from($ability)) {
                Ability::SpineRotation => $at = self::about(
                    $at,
                    $root,
                    $pelvis->up,
                    -$sign * ($pose->twist <=> 0.0) * $missing,
                ),
                Ability::SideBend => $at = self::about(
                    $at,
                    $root,
                    $pelvis->forward,
                    $sign * ($pose->side <=> 0.0) * $missing,
                ),
                // Of two legs the one that gives less decides.
                Ability::Hamstrings, Ability::Flexion => $back = max($back, $missing),
                default => null,
            };
        }

        return self::about($at, $root, $pelvis->left, -$back);
    }

    /** A point turned about a line through another, in degrees, by the right hand. */
    private static function about(Vector $point, Vector $root, Vector $axis, float $degrees): Vector
    {
        $v = $point->minus($root);
        [$s, $c] = [sin(deg2rad($degrees)), cos(deg2rad($degrees))];

        return $root
            ->plus($v->times($c))
            ->plus($axis->cross($v)->times($s))
            ->plus($axis->times($axis->dot($v) * (1.0 - $c)));
    }

    /** How far a direction is raised from hanging down along the chest, in degrees. */
    private static function raised(Figure $figure, Vector $direction): float
    {
        return rad2deg(acos(max(-1.0, min(1.0, -Limb::unit($direction)->dot($figure->frames['chest']->up)))));
    }

    /** @return list<Side> the legs that decide how far the trunk comes */
    private function legs(): array
    {
        $named = ReachKind::Clasp === $this->of->kind ? $this->of->round : $this->of->to;

        return match (true) {
            ReachKind::Floor === $this->of->kind => Side::cases(),
            null === $named => [],
            default => [str_starts_with($named, 'other-') ? $this->arm->opposite() : $this->arm],
        };
    }

    /** A point by its name from an arm's side: "foot" is that side's. */
    private function point(Side $arm, string $name): Vector
    {
        $isOther = str_starts_with($name, 'other-');
        $side = $isOther ? $arm->opposite() : $arm;

        return $this->figure->points["$side->value-".($isOther ? substr($name, 6) : $name)];
    }
}
