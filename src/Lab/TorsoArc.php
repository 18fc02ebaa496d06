<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Torso;
use LucidAscent\Core\LegChain\Vector;

/** The torso as it is drawn: an arc from between the hips to the base of the neck. */
final class TorsoArc
{
    private const POINTS = 12;

    /**
     * @param Vector $root between the hip joints, in cm
     * @param float $rounding degrees over its whole length, forward positive
     *
     * @return list<array{float, float, float}>
     */
    public static function points(Vector $root, Sitting $sitting, float $torso, float $rounding): array
    {
        $points = [];
        for ($i = 0; $i <= self::POINTS; ++$i) {
            $share = $i / self::POINTS;
            $points[] = $root->plus($sitting->toGround(Torso::neck(max(0.01, $torso * $share), $rounding * $share)))->toArray();
        }

        return $points;
    }
}
