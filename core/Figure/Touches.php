<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Vector;

/** What a figure lies on, and which of its parts lie on each other. */
final readonly class Touches
{
    /** Nearer than this, in cm, two things touch. */
    private const NEAR = 3.0;

    /** What of each side may lie on which parts of the body: the middle of an ankle (as the leg chain has it), and the hands. */
    private const ONTO = ['ankle' => ['other-thigh', 'other-shin', 'other-foot'], 'hand' => ['thigh', 'shin', 'foot', 'other-thigh', 'other-shin', 'other-foot', 'head']];

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
                    $point = $figure->point("$side->value-$what");
                    $gap = self::distance($point, $segment) - ('hand' === $what ? $figure->physique->radii('hand')[1] : 0.0);
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

    private static function distance(Vector $point, Segment $segment): float
    {
        $line = $segment->end->minus($segment->start);
        $share = min(1.0, max(0.0, $point->minus($segment->start)->dot($line) / max(1e-9, $line->dot($line))));

        return $point->minus($segment->at($share))->length() - $segment->radius($share);
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
