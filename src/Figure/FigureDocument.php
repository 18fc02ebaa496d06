<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\Core\Figure\Segment;
use LucidAscent\Core\Figure\Solid;
use LucidAscent\Core\Figure\Touches;
use LucidAscent\Core\LegChain\Vector;

/** A figure in numbers: cm in the ground frame (x forward, y to the person's own left, z up), the floor at 0. */
final class FigureDocument
{
    /** What only the drawing needs. */
    private const INNER = [
        'thigh',
        'shin',
        'foot',
        'left-thigh',
        'right-thigh',
        'left-shin',
        'right-shin',
        'left-foot',
        'right-foot',
        'nose',
    ];

    /** @return array<string, mixed> */
    public static function of(DrawnFigure $drawn): array
    {
        $figure = $drawn->figure;
        $points = array_diff_key($figure->points, array_flip(self::INNER));

        return [
            'points' => array_map(
                static fn (Vector $p): array => array_map(self::rounded(...), $p->toArray()),
                $points,
            ),
            'segments' => array_map(
                static fn (Segment $s): array => [
                    'name' => $s->name,
                    'from' => $s->from,
                    'to' => $s->to,
                    'radii' => [self::rounded($s->startRadius), self::rounded($s->endRadius)],
                ],
                $figure->segments,
            ),
            'contacts' => array_map(
                static fn (array $touch): array => ['gap' => self::rounded($touch['gap'])] + $touch,
                Touches::ofBody($figure),
            ),
            'carries' => Touches::carrying($figure),
            'props' => array_map(
                static fn (Solid $prop): array => ['what' => $prop->what, 'height' => self::rounded($prop->height)],
                $drawn->props,
            ),
        ];
    }

    private static function rounded(float $value): float
    {
        return round($value, 2);
    }
}
