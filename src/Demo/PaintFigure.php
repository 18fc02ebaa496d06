<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

use LucidAscent\App\Figure\DrawnFigure;
use LucidAscent\App\Figure\View;
use LucidAscent\Core\Figure\Segment;

/** A figure as a picture in pixels, where a camera would have been: nobody real is ever shown. */
final class PaintFigure
{
    private const WIDTH = 900;
    private const HEIGHT = 900;
    /** Pixels for each cm, and cm below the floor that are seen. */
    private const SCALE = 5.6;
    private const BELOW = 22.0;
    /** In cm. */
    private const HALO = 0.7;
    private const PAPER = [228, 224, 214];
    private const FLOOR = [203, 196, 180];
    private const COLOURS = [
        'trunk' => [163, 176, 184],
        'arm' => [137, 150, 158],
        'leg' => [104, 117, 125],
        'work' => [166, 83, 46],
    ];
    private const TRUNK = ['hips', 'pelvis', 'waist', 'chest', 'shoulders', 'neck', 'head', 'chin', 'face'];

    /** @return string a PNG */
    public static function png(DrawnFigure $drawn, string $view): string
    {
        $image = imagecreatetruecolor(self::WIDTH, self::HEIGHT);
        $colour = static fn (array $rgb): int => (int) imagecolorallocate($image, ...$rgb);
        imagefill($image, 0, 0, $colour(self::PAPER));
        $floor = (int) (self::HEIGHT - self::BELOW * self::SCALE);
        imagefilledrectangle($image, 0, $floor - 40, self::WIDTH, self::HEIGHT, $colour(self::FLOOR));
        $figure = $drawn->figure;
        $seen = View::of($view, $figure->working, $drawn->isLying);
        $middle = $seen->at($figure->point('pelvis'))[0];
        $at = static fn ($point): array => [
            self::WIDTH / 2 + self::SCALE * ($seen->at($point)[0] - $middle),
            $floor + self::SCALE * $seen->at($point)[1],
        ];
        $segments = $figure->segments;
        usort(
            $segments,
            static fn (Segment $a, Segment $b): int => [!self::isTrunk($a), $seen->depth($a->middle())] <=> [
                !self::isTrunk($b),
                $seen->depth($b->middle()),
            ],
        );
        foreach ($segments as $one) {
            $ends = [$at($one->start), $at($one->end)];
            $halo = self::isTrunk($one) ? 0.0 : self::HALO;
            $own = self::colour($one, $figure->working->value);
            foreach ([[$halo, self::PAPER], [0.0, $own]] as [$more, $rgb]) {
                self::capsule(
                    $image,
                    $ends,
                    [self::SCALE * ($one->startRadius + $more), self::SCALE * ($one->endRadius + $more)],
                    $colour($rgb),
                );
            }
        }
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }

    private static function isTrunk(Segment $one): bool
    {
        return in_array($one->name, self::TRUNK, true);
    }

    /** @return array{int, int, int} */
    private static function colour(Segment $one, string $working): array
    {
        $isLeg = 1 === preg_match('/-(thigh|shin|foot)$/', $one->name);

        return self::COLOURS[match (true) {
            self::isTrunk($one) => 'trunk',
            $isLeg => str_starts_with($one->name, $working) ? 'work' : 'leg',
            default => 'arm',
        }];
    }

    /**
     * @param array{array{float, float}, array{float, float}} $ends in pixels
     * @param array{float, float} $radii likewise
     */
    private static function capsule(\GdImage $image, array $ends, array $radii, int $colour): void
    {
        foreach ($ends as $i => [$x, $y]) {
            imagefilledellipse($image, (int) $x, (int) $y, (int) (2 * $radii[$i]), (int) (2 * $radii[$i]), $colour);
        }
        [[$ax, $ay], [$bx, $by]] = $ends;
        $length = hypot($bx - $ax, $by - $ay);
        if ($length < 1.0) {
            return;
        }
        [$nx, $ny] = [($ay - $by) / $length, ($bx - $ax) / $length];
        imagefilledpolygon(
            $image,
            array_map(intval(...), [
                $ax + $radii[0] * $nx, $ay + $radii[0] * $ny,
                $bx + $radii[1] * $nx, $by + $radii[1] * $ny,
                $bx - $radii[1] * $nx, $by - $radii[1] * $ny,
                $ax - $radii[0] * $nx, $ay - $radii[0] * $ny,
            ]),
            $colour,
        );
    }
}
