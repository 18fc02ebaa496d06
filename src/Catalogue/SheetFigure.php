<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Exchange\LegFigure;
use LucidAscent\App\Lab\LabFigure;
use LucidAscent\App\Lab\LabPosture;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\LegBehindHead;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/** The line drawing of a posture's sheet, out of the leg chain of a body of average proportions. */
final class SheetFigure
{
    private const STATURE = 170.0;
    private const TORSO = 0.30 * self::STATURE;
    private const TORSO_POINTS = 12;

    /**
     * @param array<string, mixed> $figure as written in the catalogue
     *
     * @return array<string, mixed> what js/figure.js draws
     */
    public static function of(array $figure): array
    {
        return (isset($figure['lab']) ? self::lab($figure) : self::angles($figure)) + ['fit' => true];
    }

    /**
     * @param array<string, mixed> $figure
     *
     * @return array<string, mixed>
     */
    private static function lab(array $figure): array
    {
        $kind = LabPosture::from($figure['lab']);
        $body = StandardBody::ofStature(self::STATURE);
        $posture = $kind->posture(Fields::of($figure['values']), new Capacity(140, 70, 115, 160), self::STATURE);
        $drawn = LabFigure::of($kind, $posture, $posture->angles($body), $body, self::TORSO);

        return ['legs' => ['left' => $drawn['leg'], 'right' => $drawn['other']], 'seat' => $drawn['seat'], 'torso' => $drawn['torso'], 'main' => 'left'];
    }

    /**
     * @param array<string, mixed> $figure
     *
     * @return array<string, mixed>
     */
    private static function angles(array $figure): array
    {
        $body = StandardBody::ofStature(self::STATURE);
        $sitting = new Sitting(max(0.0, $figure['hip_height'] - $body->seatedHipHeight), (float) $figure['pelvic_tilt']);
        $legs = [];
        foreach (['left', 'right'] as $side) {
            $legs[$side] = LegFigure::of(LegChain::forward($body, $sitting, new LegAngles(...$figure['angles'][$side])));
        }
        $torso = [];
        $root = new Vector(0.0, 0.0, $sitting->hipHeight($body));
        for ($i = 0; $i <= self::TORSO_POINTS; ++$i) {
            $share = $i / self::TORSO_POINTS;
            $torso[] = $root->plus($sitting->toGround(LegBehindHead::neck(max(0.01, self::TORSO * $share), $figure['back'] * $share)))->toArray();
        }

        return ['legs' => $legs, 'seat' => 0, 'torso' => $torso, 'main' => null];
    }
}
