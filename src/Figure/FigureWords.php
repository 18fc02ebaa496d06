<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Shapes;

/** What a figure shows, for whoever does not see it: the pose by name, and how one comes to be in it. */
final class FigureWords
{
    /** @param string $side which side works, in words */
    public static function of(Catalogue $catalogue, string $posture, string $rung, string $side): string
    {
        $entry = $catalogue->entry(Kind::Posture, $posture) ?? [];
        foreach (Shapes::of($entry) as $shape) {
            if ($shape['id'] === $rung) {
                return sprintf(
                    '%s, %s (%s): %s',
                    $entry['name'],
                    lcfirst($shape['name']),
                    $side,
                    implode(' ', $shape['position']),
                );
            }
        }

        return '';
    }
}
