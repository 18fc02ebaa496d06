<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Body\Side;

/** What a figure lies on, and which of its parts lie on each other. */
final readonly class Touches
{
    /** Nearer than this, in cm, two things touch. */
    private const NEAR = 3.0;

    /** What of each side may lie on which parts of the body. */
    private const ONTO = [
        'foot' => ['other-thigh', 'other-shin', 'other-foot'],
        'hand' => ['thigh', 'shin', 'foot', 'other-thigh', 'other-shin', 'other-foot', 'head'],
    ];

    /**
     * @return list<array{what: string, to: string, gap: float}> gaps in cm, below zero where they press
     */
    public static function ofBody(Figure $figure): array
    {
        $touches = [];
        foreach (Side::cases() as $side) {
            foreach (self::ONTO as $what => $parts) {
                foreach ($parts as $part) {
                    $to = self::named($part, $side);
                    $segment = $figure->segment($to);
                    $gap = $figure->segment("$side->value-$what")->gap($segment);
                    if (abs($gap) <= self::NEAR) {
                        $touches[] = ['what' => "$side->value-$what", 'to' => $to, 'gap' => $gap];
                    }
                }
            }
        }

        return $touches;
    }

    /** @return list<string> the parts that the floor or a prop carries */
    public static function carrying(Figure $figure): array
    {
        $low = static fn (string $segment): bool => $figure->segment($segment)->clearance() < self::NEAR;
        $up = $figure->frames['pelvis']->up->z;
        $forward = $figure->frames['pelvis']->forward->z;
        $carried = [];
        if ($figure->isSeated || $low('hips')) {
            $carried[] = match (true) {
                $up > 0.5 => 'seat',
                $forward > 0.7 => 'back',
                $forward < -0.7 => 'front',
                default => 'side',
            };
        }
        foreach (Side::cases() as $side) {
            $name = $side->value;
            if ($figure->point("$name-knee")->z < $figure->physique->radii('shin')[0] + 1.5) {
                $carried[] = "$name-knee";
            }
            if ($low("$name-foot")) {
                $carried[] = "$name-foot";
            }
            if ($low("$name-hand")) {
                $carried[] = "$name-hand";
            }
        }
        if ($figure->segment('head')->clearance() < self::NEAR) {
            $carried[] = 'head';
        }

        return $carried;
    }

    private static function named(string $part, Side $side): string
    {
        return match (true) {
            'head' === $part => 'head',
            str_starts_with($part, 'other-') => $side->opposite()->value.'-'.substr($part, 6),
            default => "$side->value-$part",
        };
    }
}
