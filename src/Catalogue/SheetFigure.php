<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Exchange\LegFigure;
use LucidAscent\App\Lab\LabFigure;
use LucidAscent\App\Lab\TorsoArc;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\SetUp;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/** The line drawing of a posture's sheet, out of the leg chain of a body of average proportions. */
final class SheetFigure
{
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
        $contact = Contacts::find($figure['lab']) ?? throw new \OutOfBoundsException(sprintf('There is no contact "%s".', $figure['lab']));
        $body = StandardBody::leg();
        $posture = $contact::of(new SetUp(Fields::of($figure['values']), capacity: StandardBody::openHips(), stature: StandardBody::STATURE));
        $drawn = LabFigure::of($contact::about(), $posture, $body, UpperBody::Torso->ofStature(StandardBody::STATURE));

        return ['legs' => ['left' => $drawn['leg'], 'right' => $drawn['other']], 'seat' => $drawn['seat'], 'torso' => $drawn['torso'], 'main' => 'left'];
    }

    /**
     * @param array<string, mixed> $figure
     *
     * @return array<string, mixed>
     */
    private static function angles(array $figure): array
    {
        $body = StandardBody::leg();
        $sitting = new Sitting(max(0.0, $figure['hip_height'] - $body->seatedHipHeight), (float) $figure['pelvic_tilt']);
        $legs = [];
        foreach (['left', 'right'] as $side) {
            $legs[$side] = LegFigure::of(LegChain::forward($body, $sitting, new LegAngles(...$figure['angles'][$side])));
        }
        $root = new Vector(0.0, 0.0, $sitting->hipHeight($body));
        $torso = TorsoArc::points($root, $sitting, UpperBody::Torso->ofStature(StandardBody::STATURE), (float) $figure['back']);

        return ['legs' => $legs, 'seat' => 0, 'torso' => $torso, 'main' => null];
    }
}
