<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

/**
 * What cannot be right about a figure: under the floor, through itself, out of reach, or a joint that does not go
 * there.
 */
final readonly class FigureFaults
{
    private const UNDER_FLOOR = 1.0;
    private const OUT_OF_REACH = 1.0;

    /**
     * How far a part may press into another: so much of the thinner one's thickness, or of the thickness of what is
     * soft.
     */
    private const PRESSED = 1.0 / 3.0;
    private const GRIP = 3.2;
    private const SOFT_PARTS = [
        'hips',
        'pelvis',
        'waist',
        'chest',
        'left-thigh',
        'right-thigh',
        'left-shin',
        'right-shin',
    ];

    /** Parts that meet in a joint, or are one mass. */
    private const JOINED = [
        'chest head',
        'chest neck',
        'chest pelvis',
        'chest shoulders',
        'chest upper-arm',
        'chest waist',
        'foot shin',
        'forearm hand',
        'forearm upper-arm',
        'head neck',
        'head shoulders',
        'hand hand',
        'hips pelvis',
        'hips thigh',
        'hips waist',
        'neck shoulders',
        'neck upper-arm',
        'pelvis thigh',
        'pelvis waist',
        'shin thigh',
        'shoulders upper-arm',
        'shoulders waist',
        'thigh thigh',
        'thigh waist',
    ];

    /** @return list<string> in plain words; nothing when it is sound */
    public static function of(Figure $figure): array
    {
        $faults = [];
        foreach ($figure->segments as $segment) {
            if ($segment->clearance() < -self::UNDER_FLOOR) {
                $faults[] = sprintf('%s is %.1f cm under the floor', $segment->name, -$segment->clearance());
            }
        }
        foreach ($figure->misses as $what => $miss) {
            if ($miss > self::OUT_OF_REACH) {
                $faults[] = sprintf('%s misses what it reaches for by %.1f cm', $what, $miss);
            }
        }

        return [...$faults, ...self::pressed($figure)];
    }

    /** @return list<string> */
    private static function pressed(Figure $figure): array
    {
        $faults = [];
        foreach ($figure->segments as $i => $one) {
            foreach (array_slice($figure->segments, $i + 1) as $two) {
                if (self::areJoined($one->name, $two->name)) {
                    continue;
                }
                // A hand gives way, and takes hold.
                $allowed = max(
                    self::yields($one, $two, $figure->pressed) +
                        (self::isAnkleLaid($one->name, $two->name) ? $figure->physique->thickness('ankle') : 0.0),
                    str_contains($one->name.$two->name, 'hand') ? self::GRIP : 0.0,
                );
                $gap = $one->gap($two);
                if ($gap < -$allowed) {
                    $faults[] = sprintf('%s goes %.1f cm into %s', $one->name, -$gap, $two->name);
                }
            }
        }

        return $faults;
    }

    private static function yields(Segment $one, Segment $two, ?float $pressed): float
    {
        $thick = static fn (Segment $s): float => $s->startRadius + $s->endRadius;
        $soft = array_map(
            $thick,
            array_filter([$one, $two], static fn (Segment $s): bool => in_array($s->name, self::SOFT_PARTS, true)),
        );

        return ($pressed ?? self::PRESSED) * max([min($thick($one), $thick($two)), ...$soft]);
    }

    /** The leg chain lays the middle of an ankle on what carries it. */
    private static function isAnkleLaid(string $one, string $two): bool
    {
        [$sideOne, $bareOne] = self::parted($one);
        [$sideTwo, $bareTwo] = self::parted($two);
        $laid = ['shin', 'foot'];
        $carries = ['thigh', 'shin', 'foot', 'hips', 'pelvis', 'waist'];

        return $sideOne !== $sideTwo
            && ((in_array($bareOne, $laid, true) && in_array($bareTwo, $carries, true))
                || (in_array($bareTwo, $laid, true) && in_array($bareOne, $carries, true)));
    }

    private static function areJoined(string $one, string $two): bool
    {
        [$sideOne, $bareOne] = self::parted($one);
        [$sideTwo, $bareTwo] = self::parted($two);
        $pair = [$bareOne, $bareTwo];
        sort($pair);
        $isSameSide = '' === $sideOne || '' === $sideTwo || $sideOne === $sideTwo;

        return in_array(implode(' ', $pair), self::JOINED, true) && ($isSameSide || $bareOne === $bareTwo);
    }

    /** @return array{string, string} */
    private static function parted(string $name): array
    {
        return 1 === preg_match('/^(left|right)-(.+)$/', $name, $m) ? [$m[1], $m[2]] : ['', $name];
    }
}
