<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Figure\Arm\ArmPlacement;
use LucidAscent\Core\Figure\Arm\ByAngles as ArmByAngles;
use LucidAscent\Core\Figure\Arm\Reaches;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Leg\AsDemanded;
use LucidAscent\Core\Figure\Leg\ByAngles;
use LucidAscent\Core\Figure\Leg\FootAt;
use LucidAscent\Core\Figure\Leg\Kneels;
use LucidAscent\Core\Figure\Leg\LegPlacement;
use LucidAscent\Core\Figure\Leg\Long;
use LucidAscent\Core\Figure\Pose;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Vector;
use LucidAscent\Core\Posture\RungDemand;

/**
 * A pose as the catalogue writes it: a base position, and what differs. Angles in degrees, places in hundredths of
 * the stature; "leg" and "arm" are those of the side that works, "legs" and "arms" both.
 */
final class PoseText
{
    private const UPRIGHT = [
        'hips' => 'stands',
        'tilt' => 0,
        'lean' => 0,
        'turn' => 0,
        'roll' => 0,
        'back' => 0,
        'side' => 0,
        'twist' => 0,
        'neck' => 0,
        'raised' => 0,
    ];

    /** What poses are built on. */
    public const BASES = [
        'on-the-back' => ['hips' => 'lies', 'tilt' => -90, 'legs' => ['long' => 2], 'arms' => ['floor' => [28, 8]]],
        'on-the-front' => [
            'hips' => 'lies',
            'tilt' => 90,
            'legs' => ['long' => 178, 'down' => true],
            'arms' => ['floor' => [13, -4], 'elbow' => [0.3, 1, 0]],
            'neck' => -6,
        ],
        'on-the-side' => [
            'hips' => 'lies-on-side',
            'lean' => 90,
            'side' => 14,
            'leg' => [20, 0, 0, 30],
            'other' => [10, 0, 0, 20],
            'arm' => ['floor' => [16, 4]],
            'other_arm' => [150, 0, 0, 90],
        ],
        'sitting' => [
            'hips' => 'sits',
            'leg' => ['foot' => [11, -9, 3], 'knee' => [0.5, 1, 0.1], 'toes' => [0.3, -1, -0.1]],
            'other' => ['foot' => [20, -9, 3], 'knee' => [0.5, 1, 0.1], 'toes' => [0.3, -1, -0.1]],
            'arms' => ['to' => 'thigh'],
        ],
        'long-sitting' => ['hips' => 'sits', 'legs' => ['long' => 2], 'arms' => ['floor' => [-6, 5]]],
        'kneeling' => ['hips' => 'kneels', 'legs' => ['kneels' => [0, 180]], 'arms' => [4, 7, 0, 12]],
        'heel-sitting' => [
            'hips' => 11,
            'legs' => ['kneels' => [4, 178]],
            'arms' => ['to' => 'knee', 'by' => [-8, 0, 4]],
        ],
        'all-fours' => [
            'hips' => 'kneels',
            'tilt' => 80,
            'legs' => ['kneels' => [0, 180]],
            'arms' => ['floor' => [0, 0]],
            'neck' => -25,
        ],
        'standing' => ['hips' => 'stands', 'legs' => ['foot' => [0, 1]], 'arms' => [3, 8, 0, 10]],
        'lunge' => [
            'hips' => 26,
            'leg' => ['foot' => [25, 1]],
            'other' => ['kneels' => [180, 180]],
            'arms' => ['to' => 'hip'],
        ],
        'squat' => [
            'hips' => 14,
            'legs' => ['foot' => [7, 5], 'knee' => [1, 0.5, 0.6]],
            'arms' => ['to' => 'other-knee'],
            'tilt' => 20,
            'back' => 20,
        ],
    ];

    /**
     * @param array<string, mixed> $text
     * @param RungDemand|null $demand what "demanded" means for the leg that works
     * @param RungDemand|null $other likewise for the other leg
     */
    public static function pose(array $text, ?RungDemand $demand = null, ?RungDemand $other = null): Pose
    {
        $whole =
            self::limbs($text) +
            self::limbs(
                self::BASES[$text['base'] ?? 'standing'] ??
                    throw new \DomainException(sprintf('There is no base position "%s".', $text['base'])),
            ) +
            self::UPRIGHT;

        // On the back and standing the pelvis carries the legs along; sitting it tips over them.
        $isInPelvis =
            (is_string($whole['hips']) && str_starts_with($whole['hips'], 'lies'))
            || 'standing' === ($text['base'] ?? '');
        $leg = self::leg($whole['leg'], $demand, $isInPelvis);
        $otherLeg = self::leg($whole['other'], $other ?? $demand, $isInPelvis);
        // Where the chain says how the pelvis is tipped and the back rounded, it is drawn so.
        $values =
            ($leg instanceof AsDemanded ? $leg->values() : []) +
            ($otherLeg instanceof AsDemanded ? $otherLeg->values() : []);
        if (!isset($text['tilt']) && 'sits' === $whole['hips']) {
            $whole['tilt'] = $values['pelvicTilt'] ?? $whole['tilt'];
        }
        $whole['back'] = $text['back'] ?? ($values['rounding'] ?? $whole['back']);
        if (!isset($text['hips']) && 'sits' === $whole['hips'] && [] !== $values) {
            $whole['hips'] = 'demanded';
        }

        return new Pose(
            is_string($whole['hips']) ? HipHeight::from($whole['hips']) : (float) $whole['hips'],
            (float) $whole['tilt'],
            (float) $whole['lean'],
            (float) $whole['turn'],
            (float) $whole['roll'],
            (float) $whole['back'],
            (float) $whole['side'],
            (float) $whole['twist'],
            (float) $whole['neck'],
            (float) $whole['raised'],
            $leg,
            $otherLeg,
            self::arm($whole['arm']),
            self::arm($whole['other_arm']),
            isset($whole['pressed']) ? (float) $whole['pressed'] : null,
        );
    }

    /**
     * @param array<string, mixed> $text
     *
     * @return array<string, mixed> with each limb by itself
     */
    private static function limbs(array $text): array
    {
        if (isset($text['legs'])) {
            $text += ['leg' => $text['legs'], 'other' => $text['legs']];
        }
        if (isset($text['arms'])) {
            $text += ['arm' => $text['arms'], 'other_arm' => $text['arms']];
        }

        return $text;
    }

    /** @param array<array-key, mixed>|string $leg */
    private static function leg(array|string $leg, ?RungDemand $demand, bool $isInPelvis): LegPlacement
    {
        if (is_string($leg)) {
            $leg = ['demanded' => true];
        }
        if (isset($leg['contact'])) {
            $demand =
                CatalogueDemand::find($leg['contact'], $leg['values'] ?? []) ??
                throw new \DomainException(sprintf('There is no contact "%s".', $leg['contact']));
        }

        return match (true) {
            array_is_list($leg) => new ByAngles(
                new LegAngles((float) $leg[0], (float) $leg[1], (float) $leg[2], (float) $leg[3]),
                (float) ($leg[4] ?? 20),
            ),
            isset($leg['demanded']) || isset($leg['contact']) => new AsDemanded(
                $demand ?? throw new \DomainException('The rung asks nothing of this leg that could be drawn.'),
                (float) ($leg['pointed'] ?? 35),
                (float) ($leg['lifted'] ?? 0),
                $leg['flat'] ?? false,
                $isInPelvis,
            ),
            isset($leg['foot']) => new FootAt(
                (float) $leg['foot'][0],
                (float) $leg['foot'][1],
                isset($leg['foot'][2]) ? (float) $leg['foot'][2] : null,
                self::vector($leg['knee'] ?? [1, 0, 0.3]),
                isset($leg['toes']) ? self::vector($leg['toes']) : null,
            ),
            isset($leg['kneels']) => new Kneels(
                (float) $leg['kneels'][0],
                (float) $leg['kneels'][1],
                $leg['tucked'] ?? false,
                (float) ($leg['up'] ?? 0),
            ),
            isset($leg['long']) => new Long((float) $leg['long'], $leg['down'] ?? false, (float) ($leg['raised'] ?? 0)),
            default => throw new \DomainException('This does not say where a leg is.'),
        };
    }

    /** @param array<array-key, mixed> $arm */
    private static function arm(array $arm): ArmPlacement
    {
        $elbow = isset($arm['elbow']) ? self::vector($arm['elbow']) : null;

        return match (true) {
            array_is_list($arm) => new ArmByAngles(
                (float) $arm[0],
                (float) $arm[1],
                (float) ($arm[2] ?? 0),
                (float) ($arm[3] ?? 0),
            ),
            isset($arm['angles']) => new ArmByAngles(
                (float) $arm['angles'][0],
                (float) $arm['angles'][1],
                (float) ($arm['angles'][2] ?? 0),
                (float) ($arm['angles'][3] ?? 0),
                $arm['strap'] ?? false,
            ),
            isset($arm['to']) => new Reaches(
                $arm['to'],
                self::vector($arm['by'] ?? [0, 0, 0]),
                $elbow,
                false,
                $arm['strap'] ?? false,
                isset($arm['from']) ? self::vector($arm['from']) : null,
            ),
            isset($arm['floor']) => new Reaches(
                null,
                self::vector([$arm['floor'][0], $arm['floor'][1], $arm['floor'][2] ?? 0]),
                $elbow,
                $arm['forearm'] ?? false,
            ),
            default => throw new \DomainException('This does not say where an arm is.'),
        };
    }

    /** @param list<int|float> $parts */
    private static function vector(array $parts): Vector
    {
        return new Vector((float) $parts[0], (float) $parts[1], (float) $parts[2]);
    }
}
