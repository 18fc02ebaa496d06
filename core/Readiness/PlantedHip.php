<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Contact\PlantedFoot;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\ProportionShare;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;

/**
 * How high the sitting bone hangs over a planted foot: what a hip that bends so far leaves, and how much of that comes
 * of a long shin. Lengths in cm, angles in degrees.
 */
final class PlantedHip
{
    public const TEST = 'planted-hip';

    /** Of the hip, in degrees: a foot that stands before its own sitting bone. This product's own. */
    private const PLANTED = 110.0;
    /** The breadth of the hips as a share of stature, after Drillis and Contini (1966), from memory. */
    private const HIP_BREADTH = 0.191;
    /** No sitting bone is looked for higher than this. */
    private const HIGHEST = 40.0;
    private const HALVINGS = 40;
    /** A share of the shin that is smaller than this is not named. This product's own. */
    private const WORTH_NAMING = 0.5;

    /** Whether the other leg of a rung is planted: its hip is bent this far and more. */
    public static function isAskedBy(RungDefinition $rung): bool
    {
        return ($rung->otherLeg[Ability::Flexion->value] ?? 0.0) >= self::PLANTED;
    }

    /**
     * @param float $heel from the groin to the heel
     * @param float $tuck how far the pelvis is tucked back
     *
     * @return float|null null where no height is enough
     */
    public static function lift(Body $body, float $flexion, float $heel, float $tuck): ?float
    {
        $isEnough = static function (float $height) use ($body, $flexion, $heel, $tuck): bool {
            try {
                return (new PlantedFoot($height, $heel, (new Sitting())->tucked($tuck)))->angles($body)['flexion']
                    <= $flexion;
            } catch (OutOfReach) {
                // A long shin over a foot that is close asks for more than any hip bends.
                return false;
            }
        };
        if ($isEnough(0.0)) {
            return 0.0;
        }
        if (!$isEnough(self::HIGHEST)) {
            return null;
        }
        [$low, $high] = [0.0, self::HIGHEST];
        for ($i = 0; $i < self::HALVINGS; ++$i) {
            $middle = ($low + $high) / 2.0;
            $isEnough($middle) ? ($high = $middle) : ($low = $middle);
        }

        return $high;
    }

    /** The part of it that comes of a shin longer than the thigh; null where one of the two has no height. */
    public static function ofLongShin(Body $body, float $flexion, float $heel, float $tuck): ?float
    {
        $own = self::lift($body, $flexion, $heel, $tuck);
        $even = self::lift(ProportionShare::even($body), $flexion, $heel, $tuck);

        return null === $own || null === $even ? null : $own - $even;
    }

    /**
     * Where the foot stands, to the side of the middle of the body: ahead of its own hip joint, and no wider than the
     * hips.
     */
    private static function place(Snapshot $person, Side $side): Reason
    {
        return new Reason('planted.place', Source::Trade, [
            'least' => $person->proportions->body($side)->hipSpacing / 2.0,
            'most' => $person->proportions->stature->cm * self::HIP_BREADTH / 2.0,
        ]);
    }

    /**
     * Where the foot of a planted side stands, what was measured of it, what of that is the shin's, and what
     * the hip's own bend leads one to expect.
     *
     * @return non-empty-list<Reason> the place alone while the sitting bone was not measured
     */
    public static function reasons(Snapshot $person, Side $side): array
    {
        $taken = $person->newest(self::TEST, $side);
        if (null === $taken || !$taken->isClean() || !$taken->has(PlantedFoot::HEEL)) {
            return [self::place($person, $side)];
        }
        $heel = $taken->measure(PlantedFoot::HEEL)->mean();
        $bone = $taken->measure(PlantedFoot::BONE)->mean();
        $reasons = [
            self::place($person, $side),
            new Reason('planted.measured', Source::Computed, ['bone' => $bone, 'heel' => $heel]),
        ];
        $flexion = $person->capacities($side)->get(Ability::Flexion);
        if (null === $flexion || Bound::Exact !== $flexion->bound || !$taken->has(PlantedFoot::TUCK)) {
            return $reasons;
        }
        $body = $person->proportions->body($side);
        $tuck = $taken->measure(PlantedFoot::TUCK)->mean();
        $expected = self::lift($body, $flexion->value, $heel, $tuck);
        if (null !== $expected) {
            $reasons[] = new Reason('planted.expected', Source::Computed, [
                'flexion' => $flexion->value,
                'cm' => $expected,
            ]);
        }
        $shin = self::ofLongShin($body, $flexion->value, $heel, $tuck);
        if (null !== $shin && $shin >= self::WORTH_NAMING) {
            $reasons[] = new Reason('planted.shin', Source::Computed, ['cm' => $shin]);
        }

        return $reasons;
    }
}
