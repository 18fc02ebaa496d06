<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\PoseText;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\LegChain\Vector;

/** A standing body, from the front and from the back, with the places in which something was felt. */
final readonly class FeltMap
{
    /**
     * Where each place lies: from one point of the figure towards another, by a share of the way; how far outward, in
     * hundredths of the stature; and from which side it is seen.
     */
    private const PLACES = [
        'outer-seat' => ['hip', 'knee', 0.02, 2.0, 'back'],
        'deep-crease' => ['hip', 'knee', 0.05, 0.0, 'front'],
        'inner-thigh-bone' => ['hip', 'knee', 0.25, -2.0, 'front'],
        'inner-thigh-knee' => ['hip', 'knee', 0.8, -2.0, 'front'],
        'thigh-front' => ['hip', 'knee', 0.5, 0.5, 'front'],
        'thigh-back' => ['hip', 'knee', 0.5, 0.0, 'back'],
        'sitting-bone' => ['hip', 'knee', 0.2, -1.5, 'back'],
        'outer-thigh' => ['hip', 'knee', 0.45, 3.0, 'front'],
        'calf' => ['knee', 'ankle', 0.35, 0.0, 'back'],
        'knee' => ['knee', 'ankle', 0.0, 0.0, 'front'],
        'ankle' => ['ankle', 'knee', 0.02, 0.0, 'front'],
        'standing-leg' => ['knee', 'ankle', 0.5, 1.0, 'front'],
        'low-back' => ['pelvis', 'waist', 0.7, 0.0, 'back'],
        'upper-back' => ['chest', 'neck', 0.4, 0.0, 'back'],
        'side-body' => ['waist', 'chest', 0.5, 5.5, 'front'],
        'chest' => ['chest', 'neck', 0.3, 3.0, 'front'],
        'shoulder' => ['shoulder', 'elbow', 0.05, 0.0, 'front'],
        'abdomen' => ['pelvis', 'waist', 0.6, 0.0, 'front'],
        'arms' => ['shoulder', 'elbow', 0.6, 0.0, 'front'],
        'wrist' => ['wrist', 'elbow', 0.0, 0.0, 'front'],
        'neck' => ['neck', 'head', 0.4, 0.0, 'back'],
    ];
    private const SMALLEST = 2.2;
    private const LARGEST = 5.5;

    /**
     * @param list<array{place: string, side: Side, count: int, isRight: bool}> $felt
     *
     * @return array{front: string, back: string} as markup; the words beside it say what it shows
     */
    public static function of(Physique $body, array $felt): array
    {
        $figure = Figure::of(PoseText::pose(['base' => 'standing', 'source' => 'own']), $body, Side::Left);
        $spots = ['front' => [], 'back' => []];
        foreach ($felt as $one) {
            $place = self::PLACES[$one['place']] ?? null;
            if (null !== $place) {
                $spots[$place[4]][] = new Spot(
                    self::at($figure, $place, $one['side']),
                    min(self::LARGEST, self::SMALLEST + 0.7 * $one['count']),
                    $one['isRight'] ? 'spot' : 'spot is-wrong',
                );
            }
        }
        $draw = static fn (string $view): string => (new DrawnFigure(
            $figure,
            [],
            false,
            $view,
            new Overlay(spots: $spots[$view]),
        ))->svg(Size::Card);

        return ['front' => $draw('front'), 'back' => $draw('back')];
    }

    /** Whether a place is on it: nothing is nowhere. */
    public static function shows(string $place): bool
    {
        return isset(self::PLACES[$place]);
    }

    /** @param array{string, string, float, float, string} $place */
    private static function at(Figure $figure, array $place, Side $side): Vector
    {
        [$from, $to, $share, $outward] = $place;
        $point = static fn (string $name): Vector => $figure->points["$side->value-$name"] ?? $figure->points[$name];

        return $point($from)
            ->times(1.0 - $share)
            ->plus($point($to)->times($share))
            ->plus(new Vector(0.0, $side->outward() * $figure->physique->hundredths($outward), 0.0));
    }
}
