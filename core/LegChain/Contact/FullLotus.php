<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\LegChain\Sitting;

/**
 * Full lotus. The first leg lies as in deep half lotus; the second comes over the first shin, so
 * that its ankle is a shin's thickness higher. A shin is taken to be 6 cm thick there (this
 * product's own constant).
 */
final class FullLotus
{
    private const SHIN_THICKNESS = 6.0;

    public static function first(Sitting $sitting): HalfLotus
    {
        return HalfLotus::deep($sitting);
    }

    public static function second(Sitting $sitting): HalfLotus
    {
        $first = self::first($sitting);

        return new HalfLotus($first->forward, $first->across, $first->above + self::SHIN_THICKNESS, $sitting);
    }
}
