<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\LegChain\Ability;

/**
 * What a figure loads, whoever wrote what about it: angles of its legs by the limits of Load, and what carries it. What
 * a picture cannot tell (an abdomen that works, a neck that holds) is not in it.
 */
final readonly class DrawnLoads
{
    /** A picture shows an angle as nearly as this, in degrees: what is less beyond a limit is not drawn to be so. */
    private const SHOWN = 10.0;
    /** A knee that is bent less bears its weight straight, in degrees. */
    private const BENT = 30.0;
    /** Two knees that are folded further than this, with nothing else below, are stood on, in degrees. */
    private const SQUATS = 90.0;
    /** A leg is seen to turn where its knee is bent at least so, and it is not wider than this, in degrees. */
    private const TURNS_FROM = 60.0;
    private const TURNS_UP_TO = 55.0;
    /** A trunk that leans further forward than this puts weight on hands that stand, in degrees from upright. */
    private const LEANS = 40.0;
    /** A trunk whose neck is lower than this lies on the floor or on the thighs, in cm. */
    private const LIES = 30.0;
    /** Knees that are folded further than this have the seat on the heels, in degrees. */
    private const FOLDED = 130.0;
    /** A pelvis that leans to one side further than this shows no folding of a hip, in degrees. */
    private const ASIDE = 20.0;
    /** A spine that turns further than this is drawn to do so, in degrees. */
    private const TURNED = 20.0;
    /** A spine that rounds further than this over its length, with nothing to lie on, is drawn to fold, in degrees. */
    private const ROUNDED = 50.0;

    /**
     * @param list<string> $own of the side that works, and of the whole body
     * @param list<string> $other of the other leg
     * @param bool $isLying whether back, front or side carries it
     * @param array<string, float> $angles degrees by ability that the side that works is drawn with
     * @param array<string, float> $otherAngles likewise the other leg
     */
    private function __construct(
        public array $own,
        public array $other,
        public bool $isLying,
        public array $angles,
        public array $otherAngles,
    ) {
    }

    public static function of(Figure $figure, Pose $pose): self
    {
        $carried = Touches::carrying($figure);
        $isLying = [] !== array_intersect($carried, ['back', 'front', 'side']);
        $whole = [
            Load::Prone->value => in_array('front', $carried, true),
            Load::OnTheBack->value => in_array('back', $carried, true),
            Load::WeightOnHands->value => !$isLying
                && !in_array('seat', $carried, true)
                && [] !== array_intersect($carried, ['left-hand', 'right-hand'])
                && self::leansOnHands($figure),
            Load::Twist->value => abs($pose->twist) > self::TURNED,
            Load::LoadedFold->value => !$isLying && $pose->back > self::ROUNDED,
        ];
        $isAside = abs($pose->lean) > self::ASIDE && !$isLying;

        return new self(
            [...self::ofLeg($figure, $figure->working, $carried, $isAside), ...array_keys(array_filter($whole))],
            self::ofLeg($figure, $figure->working->opposite(), $carried, $isAside),
            $isLying,
            self::asAbilities($figure, $figure->working),
            self::asAbilities($figure, $figure->working->opposite()),
        );
    }

    /** @return array<string, float> degrees by ability, of a leg as it is drawn: a turn where a bent knee shows it */
    private static function asAbilities(Figure $figure, Side $side): array
    {
        $angles = DrawnAngles::asAbilities($figure, $side);
        $knee = $angles[Ability::KneeFlexion->value];
        if ($knee < self::BENT) {
            // How much a soft knee slackens is not taken for granted where it loads.
            $angles[Ability::Hamstrings->value] = $angles[Ability::Flexion->value];
        }
        $turns = [Ability::ExternalRotation->value => 0.0, Ability::InternalRotation->value => 0.0];

        return $knee > self::TURNS_FROM ? $angles : [...$angles, ...$turns];
    }

    /**
     * @param list<string> $carried
     *
     * @return list<string>
     */
    private static function ofLeg(Figure $figure, Side $side, array $carried, bool $isAside): array
    {
        [$flexion, $abduction, $rotation, $knee] = DrawnAngles::ofLeg($figure, $side);
        $turns = $knee > self::TURNS_FROM && abs($abduction) < self::TURNS_UP_TO && !$isAside;
        $loads = Load::ofLeg([
            'flexion' => $isAside ? 0.0 : self::shown($flexion),
            'abduction' => self::shown($abduction),
            'rotation' => $turns ? self::shown($rotation) : 0.0,
            // A knee that is seen to bend is not straight.
            'kneeFlexion' => $knee < self::SHOWN ? 0.0 : max(self::SHOWN * 2.0, self::shown($knee)),
        ]);
        if ($side !== $figure->working && in_array('back', $carried, true)) {
            // Whoever lies with the foot on the floor rests that knee.
            $loads = array_values(array_diff($loads, [Load::KneeFolded->value]));
        }
        $isCarriedBelow = [] === array_intersect($carried, ['back', 'front', 'side', 'seat']);
        $isOnKnee = $knee > self::BENT && in_array("$side->value-knee", $carried, true);

        return $isCarriedBelow && ($isOnKnee || self::isSquat($figure, $carried))
            ? [...$loads, Load::WeightOnKnee->value]
            : $loads;
    }

    /**
     * Whoever stands on two folded knees has the weight on them.
     *
     * @param list<string> $carried
     */
    private static function isSquat(Figure $figure, array $carried): bool
    {
        $others = ['left-knee', 'right-knee', 'left-hand', 'right-hand'];
        $folded = array_filter(
            Side::cases(),
            static fn (Side $side): bool => self::shown(DrawnAngles::ofLeg($figure, $side)[3]) > self::SQUATS,
        );

        return [] === array_intersect($carried, $others) && 2 === count($folded);
    }

    /** So much of an angle is there for certain. */
    private static function shown(float $degrees): float
    {
        return $degrees > 0.0 ? max(0.0, $degrees - self::SHOWN) : min(0.0, $degrees + self::SHOWN);
    }

    private static function leansOnHands(Figure $figure): bool
    {
        $neck = $figure->point('neck');
        $trunk = $neck->minus($figure->point('pelvis'));
        $knees = max(array_map(static fn (Side $side): float => DrawnAngles::ofLeg($figure, $side)[3], Side::cases()));

        // Face up the shoulders carry, and on folded knees the heels.
        return $neck->z > self::LIES
            && $figure->frames['chest']->forward->z < 0.0
            && $knees < self::FOLDED
            && rad2deg(acos(max(-1.0, min(1.0, $trunk->z / max(1e-6, $trunk->length()))))) > self::LEANS;
    }
}
