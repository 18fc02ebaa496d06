<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/**
 * How the whole body is held in a contact of the leg chain, as a pose of the catalogue would write it: for the lab,
 * and for a rung of one's own that says nothing of its pose. Angles and places are this product's own.
 */
final class ContactPose
{
    private const FOLDED_ASIDE = ['foot' => [13, -10, 3.4], 'knee' => [1, 0.9, 0.02], 'toes' => [0.3, -1, 0]];
    /** A foot that lies on a thigh is pointed along it. */
    private const FOOT_ON_THIGH = ['demanded' => true, 'pointed' => 80];
    private const FOLDED_IN_FRONT = ['foot' => [12, -10, 3], 'knee' => [0.5, 1, 0], 'toes' => [0.2, -1, 0]];

    private const POSES = [
        'cow-face' => [
            'base' => 'sitting',
            'leg' => 'demanded',
            'other' => [
                'contact' => 'cow-face',
                'values' => ['kneeHeight' => 5, 'heelAhead' => 4, 'seat' => 0, 'pelvicTilt' => 0],
            ],
            'arms' => ['to' => 'other-foot', 'elbow' => [-0.2, 1, -0.4]],
        ],
        'cradle' => [
            'base' => 'long-sitting',
            'leg' => 'demanded',
            'other' => ['long' => 4],
            'arm' => ['to' => 'knee', 'from' => [0.8, 0.5, -0.3], 'elbow' => [0, 1, -0.4]],
            'other_arm' => ['to' => 'other-ankle', 'from' => [1, 0.6, -0.2], 'elbow' => [-0.1, 1, -0.5]],
        ],
        'deep-pigeon-back' => [
            'base' => 'all-fours',
            'hips' => 'demanded',
            'tilt' => 0,
            'neck' => -10,
            'leg' => 'demanded',
            'other' => [
                'contact' => 'pigeon-front',
                'values' => ['hipHeight' => 17, 'shinAngle' => 45, 'pelvicTilt' => 0],
            ],
            'arms' => ['angles' => [176, 2, 0, 70], 'strap' => true],
        ],
        'deep-squat' => [
            'base' => 'squat',
            'hips' => 'demanded',
            'legs' => ['demanded' => true, 'flat' => true],
            'arms' => ['to' => 'nose', 'by' => [4, -1, -14], 'elbow' => [0.2, 1, -0.4]],
        ],
        'easy-cross-leg' => [
            'base' => 'sitting',
            'leg' => 'demanded',
            'other' => ['foot' => [23, -9, 3.4], 'knee' => [0.6, 1, 0.2], 'toes' => [0.2, -1, 0]],
        ],
        'frog' => [
            'base' => 'all-fours',
            'hips' => 'demanded',
            'tilt' => 92,
            'legs' => 'demanded',
            'arms' => ['floor' => [10, -4], 'forearm' => true],
            'neck' => -16,
        ],
        'full-lotus' => ['base' => 'sitting', 'leg' => 'demanded', 'other' => ['demanded' => true, 'lifted' => 6.5]],
        'half-lotus' => ['base' => 'sitting', 'leg' => self::FOOT_ON_THIGH, 'other' => self::FOLDED_ASIDE],
        'half-lotus-easy' => ['base' => 'sitting', 'leg' => self::FOOT_ON_THIGH, 'other' => self::FOLDED_ASIDE],
        'heel-to-seat' => ['base' => 'on-the-front', 'leg' => 'demanded'],
        'knee-hug' => [
            'base' => 'on-the-back',
            'leg' => 'demanded',
            'arms' => ['to' => 'thigh', 'by' => [2, 1, 0], 'from' => [1, 0.3, -0.2]],
            'other_arm' => ['floor' => [28, 8]],
        ],
        'leg-behind-head' => [
            'base' => 'long-sitting',
            'leg' => 'demanded',
            'other' => self::FOLDED_IN_FRONT,
            'neck' => 16,
            'arms' => ['floor' => [10, 10]],
        ],
        'leg-over-shoulder' => [
            'base' => 'long-sitting',
            'leg' => 'demanded',
            'other' => self::FOLDED_IN_FRONT,
            'neck' => 10,
            'arm' => ['floor' => [14, 14]],
            'other_arm' => ['floor' => [4, 9]],
        ],
        'leg-raise' => ['base' => 'on-the-back', 'leg' => 'demanded'],
        'pigeon-front' => [
            'base' => 'all-fours',
            'hips' => 'demanded',
            'tilt' => 30,
            'back' => 0,
            'neck' => -14,
            'leg' => 'demanded',
            'other' => ['long' => 180, 'down' => true],
            'arms' => ['floor' => [18, 6], 'elbow' => [-0.4, 1, 0]],
        ],
        'planted-foot' => [
            'base' => 'long-sitting',
            'hips' => 'demanded',
            'leg' => ['demanded' => true, 'flat' => true],
            'other' => ['long' => 4],
            'arms' => ['floor' => [-12, 10]],
        ],
        'shins-stacked' => [
            'base' => 'sitting',
            'leg' => 'demanded',
            'other' => [
                'contact' => 'shins-stacked',
                'values' => ['kneeHeight' => 5, 'ankleHeight' => 4, 'seat' => 0, 'pelvicTilt' => 0],
                'pointed' => 10,
            ],
            'arms' => ['to' => 'thigh'],
        ],
        'soles-together' => ['base' => 'sitting', 'legs' => 'demanded', 'arms' => ['to' => 'shin']],
        'wide-legs' => ['base' => 'on-the-back', 'legs' => 'demanded', 'arms' => ['floor' => [20, 14]]],
    ];

    /** From which side each is seen best, where that is not the front. */
    private const VIEWS = [
        'deep-pigeon-back' => 'side',
        'pigeon-front' => 'three-quarter',
        'frog' => 'above',
        'heel-to-seat' => 'side',
        'knee-hug' => 'side',
        'leg-raise' => 'side',
        'figure-four-seated' => 'side',
        'figure-four-standing' => 'side',
        'deep-squat' => 'three-quarter',
        'planted-foot' => 'side',
    ];

    /**
     * @param array<string, float|int> $values the contact's own numbers, in cm and degrees
     *
     * @return array<string, mixed>|null null where nobody has said
     */
    public static function of(string $contact, array $values): ?array
    {
        $folded = (float) ($values['otherFlexion'] ?? 90.0);
        $pose = match ($contact) {
            'figure-four-lying' => [
                'base' => 'on-the-back',
                'leg' => 'demanded',
                'other' => [$folded, 0, 0, $folded > 75.0 ? 96 : 102, 0],
                'arm' => ['to' => 'thigh'],
                'other_arm' => ['floor' => [24, 8]],
            ],
            'figure-four-seated' => [
                'base' => 'long-sitting',
                'hips' => 'sits',
                'leg' => 'demanded',
                'other' => [$folded, 0, 0, self::planted($folded), 0],
                'arms' => ['floor' => [-17, 4]],
            ],
            'figure-four-standing' => self::standing($folded),
            default => self::POSES[$contact] ?? null,
        };
        // The other leg sits on the same seat.
        if (null !== $pose && isset($pose['other']['values']['seat'], $values['seat'])) {
            $pose['other']['values']['seat'] = $values['seat'];
        }

        return null === $pose ? null : $pose + ['view' => self::VIEWS[$contact] ?? 'front', 'pressed' => 1];
    }

    /** How far the knee of a planted foot bends in sitting, in degrees, with usual lengths. */
    private static function planted(float $flexion): float
    {
        $drop = 5.3 + 24.5 * sin(deg2rad($flexion - 90.0)) - 3.9;

        return $flexion - rad2deg(acos(max(-1.0, min(1.0, $drop / 24.6))));
    }

    /** @return array<string, mixed> the pelvis tips forward by half of what the standing thigh is folded */
    private static function standing(float $flexion): array
    {
        $thigh = $flexion / 2.0;
        $knee = max(10.0, 2.0 * $thigh - 5.0);

        return [
            'base' => 'standing',
            'hips' => 24.5 * cos(deg2rad($thigh)) + 24.6 * cos(deg2rad($knee - $thigh)) + 3.9,
            'tilt' => $flexion - $thigh,
            'back' => 10,
            'leg' => 'demanded',
            'other' => [$flexion, 0, 0, $knee, 0],
            'arms' => ['to' => 'nose', 'by' => [6, -1, -16], 'elbow' => [0, 1, -0.4]],
        ];
    }
}
