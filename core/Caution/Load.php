<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/**
 * What a shape loads, by the names that catalogue and cautions share.
 *
 * What a leg's angles can tell is derived from them, never left to whoever writes an entry; the limits
 * are this product's own.
 */
enum Load: string
{
    case KneeFolded = 'knee-folded';
    case WeightOnKnee = 'weight-on-knee';
    case TurnOut = 'turn-out';
    case TurnIn = 'turn-in';
    case Crossing = 'crossing';
    case HipFlexedEnd = 'hip-flexed-end';
    case HipExtendedEnd = 'hip-extended-end';
    case LegsWideEnd = 'legs-wide-end';
    case HamstringEnd = 'hamstring-end';
    case LoadedFold = 'loaded-fold';
    case Backbend = 'backbend';
    case Twist = 'twist';
    case Neck = 'neck';
    case HeadLow = 'head-low';
    case Prone = 'prone';
    case OnTheBack = 'on-the-back';
    case Abdomen = 'abdomen';
    case Balance = 'balance';
    case WeightOnHands = 'weight-on-hands';
    case SplitLegged = 'split-legged';
    case ShoulderBind = 'shoulder-bind';
    /** No load: lying at rest. */
    case LyingRest = 'lying-rest';

    /** Degrees beyond which an angle is a load. */
    private const KNEE_FOLDED = 90.0;
    private const TURNED_OUT = 45.0;
    private const TURNED_IN = 15.0;
    private const CROSSED = 10.0;
    private const FLEXED = 100.0;
    private const EXTENDED = 10.0;
    private const WIDE = 40.0;
    private const HAMSTRING_FLEXION = 80.0;
    private const STRAIGHT_KNEE = 15.0;

    /** @return list<string> to the end of what a hip does */
    public static function endRanges(): array
    {
        return [
            self::HipFlexedEnd->value,
            self::HipExtendedEnd->value,
            self::LegsWideEnd->value,
            self::HamstringEnd->value,
        ];
    }

    /** @return list<string> what no shape asks in which one rests */
    public static function noRest(): array
    {
        return [
            ...self::endRanges(),
            self::KneeFolded->value,
            self::TurnOut->value,
            self::TurnIn->value,
            self::Crossing->value,
            self::Twist->value,
        ];
    }

    /**
     * What angles of one leg load.
     *
     * @param array<string, float> $angles degrees by component of the leg chain, as far as they are asked
     *
     * @return list<string>
     */
    public static function ofLeg(array $angles): array
    {
        $flexion = $angles['flexion'] ?? 0.0;
        $abduction = $angles['abduction'] ?? 0.0;
        $rotation = $angles['rotation'] ?? 0.0;
        $knee = $angles['kneeFlexion'] ?? null;

        return self::those([
            [self::KneeFolded, null !== $knee && $knee > self::KNEE_FOLDED],
            [self::TurnOut, $rotation > self::TURNED_OUT],
            [self::TurnIn, $rotation < -self::TURNED_IN],
            [self::Crossing, $abduction < -self::CROSSED],
            [self::HipFlexedEnd, $flexion > self::FLEXED],
            [self::HipExtendedEnd, $flexion < -self::EXTENDED],
            [self::LegsWideEnd, $abduction > self::WIDE],
            [self::HamstringEnd, $flexion > self::HAMSTRING_FLEXION && null !== $knee && $knee < self::STRAIGHT_KNEE],
        ]);
    }

    /**
     * What asking for so much of each ability loads.
     *
     * @param array<string, float> $least degrees, cm or seconds by ability
     *
     * @return list<string>
     */
    public static function ofThresholds(array $least): array
    {
        $asks = static fn (string $ability, float $more): bool => isset($least[$ability]) && $least[$ability] > $more;

        return array_values(
            array_unique([
                ...self::ofLeg(
                    array_intersect_key($least, [
                        'flexion' => 0,
                        'abduction' => 0,
                        'rotation' => 0,
                        'kneeFlexion' => 0,
                    ]),
                ),
                ...self::those([
                    [self::KneeFolded, $asks('quadriceps', self::KNEE_FOLDED)],
                    [self::TurnIn, $asks('internal-rotation', self::TURNED_IN)],
                    [self::Crossing, $asks('adduction', self::CROSSED)],
                    [self::HipExtendedEnd, $asks('extension', self::EXTENDED)],
                    [self::LegsWideEnd, $asks('straight-abduction', self::WIDE)],
                    [self::HamstringEnd, $asks('hamstrings', self::HAMSTRING_FLEXION)],
                    [self::Balance, $asks('balance', 0.0)],
                ]),
            ]),
        );
    }

    /**
     * @param list<array{self, bool}> $loads
     *
     * @return list<string>
     */
    private static function those(array $loads): array
    {
        $names = [];
        foreach ($loads as [$load, $isThere]) {
            if ($isThere) {
                $names[] = $load->value;
            }
        }

        return $names;
    }
}
