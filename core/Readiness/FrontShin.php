<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Contact\PigeonFront;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;

/**
 * How far the front shin of pigeon is turned from the front edge of the mat: 0 is parallel. Read by tape as how much
 * further back the ankle lies than the knee. Lengths in cm, angles in degrees.
 */
final class FrontShin
{
    public const TEST = 'pigeon-shin';
    public const SLANT = 'slant';
    /** Of the prop under the front hip; the floor is 0. */
    public const PROP = 'hipGap';

    private const CONTACT = 'pigeon-front';
    private const FURTHEST = 89.0;
    private const HALVINGS = 40;

    public static function isAskedBy(RungDefinition $rung): bool
    {
        return self::CONTACT === $rung->demand?->contact();
    }

    /** @return float|null null where the ankle is said to lie further back than a shin is long */
    public static function angle(float $slant, float $shin): ?float
    {
        return $slant > $shin ? null : rad2deg(asin($slant / $shin));
    }

    /**
     * How near to parallel a hip that turns so far lets the shin come.
     *
     * @return float|null null where it does not turn far enough for pigeon with this prop
     */
    public static function within(Body $body, float $rotation, float $prop): ?float
    {
        if (self::asks($body, $prop, self::FURTHEST) > $rotation) {
            return null;
        }
        if (self::asks($body, $prop, 0.0) <= $rotation) {
            return 0.0;
        }
        [$near, $far] = [0.0, self::FURTHEST];
        for ($i = 0; $i < self::HALVINGS; ++$i) {
            $middle = ($near + $far) / 2.0;
            self::asks($body, $prop, $middle) <= $rotation ? ($far = $middle) : ($near = $middle);
        }

        return $far;
    }

    /** @return float the external rotation of a shin so far from parallel; INF where no such leg comes to the floor */
    private static function asks(Body $body, float $prop, float $angle): float
    {
        try {
            return (new PigeonFront($prop + PropRule::HipGap->below($body), $angle))->angles($body)['rotation'];
        } catch (OutOfReach) {
            return INF;
        }
    }

    /**
     * What was measured of a side, what parallel would ask there, and what the hip's own turn leads one to expect.
     *
     * @return list<Reason> none while the slant was not measured
     */
    public static function reasons(Snapshot $person, Side $side): array
    {
        $taken = $person->newest(self::TEST, $side);
        if (null === $taken || !$taken->isClean() || !$taken->has(self::SLANT)) {
            return [];
        }
        $body = $person->proportions->body($side);
        $angle = self::angle($taken->measure(self::SLANT)->mean(), $body->shin);
        if (null === $angle) {
            return [];
        }
        $reasons = [
            new Reason('front-shin.measured', Source::Computed, [
                'degrees' => $angle,
                'error' => rad2deg(Reading::TAPE_ERROR / $body->shin) / max(0.1, cos(deg2rad($angle))),
            ]),
        ];
        if (!$taken->has(self::PROP)) {
            return $reasons;
        }
        $prop = $taken->measure(self::PROP)->mean();
        $parallel = self::asks($body, $prop, 0.0);
        if (INF !== $parallel) {
            $reasons[] = new Reason('front-shin.parallel', Source::Computed, ['cm' => $prop, 'rotation' => $parallel]);
        }
        $turn = $person->capacities($side)->get(Ability::ExternalRotation);
        $expected =
            null === $turn || Bound::Exact !== $turn->bound ? null : self::within($body, $turn->value, $prop);
        if (null !== $turn && null !== $expected) {
            $reasons[] = new Reason('front-shin.expected', Source::Computed, [
                'rotation' => $turn->value,
                'degrees' => $expected,
            ]);
        }

        return $reasons;
    }
}
