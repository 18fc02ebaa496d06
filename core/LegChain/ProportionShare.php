<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

/**
 * The part of a high knee that comes from a long shin: this person's lowest knee, less that of a
 * body whose thigh and shin are equally long, and together as long as this person's, with the same
 * capacity and in the same contact. In cm; positive when the proportion raises the knee.
 */
final class ProportionShare
{
    /** From this ratio of shin to thigh on the knee is raised enough to say so (common practice). */
    public const LONG_SHIN = 1.05;

    /** @return float|null null when one of the two has no knee height that fits */
    public static function of(AnkleContact $contact, Body $body, Capacity $capacity): ?float
    {
        $own = LowestKnee::search($contact, $body, $capacity);
        $other = LowestKnee::search($contact, self::even($body), $capacity);

        return null === $own || null === $other ? null : $own->height() - $other->height();
    }

    /** As long a leg, with thigh and shin alike. */
    public static function even(Body $body): Body
    {
        $half = ($body->thigh + $body->shin) / 2;

        return new Body($half, $half, $body->hipSpacing, $body->seatedHipHeight, $body->ankleAboveSole);
    }
}
