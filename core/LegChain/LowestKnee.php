<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

/**
 * The lowest knee height at which no angle exceeds its capacity: how low this knee may come, and
 * so how high a block under it has to be.
 */
final readonly class LowestKnee
{
    private function __construct(public LegPose $pose, public ?Component $limiter)
    {
    }

    /** Of the middle of the knee above the floor, in cm. */
    public function height(): float
    {
        return $this->pose->knee->z;
    }

    /** @throws NoUprightKnee when no knee height keeps every angle within its capacity */
    public static function of(AnkleContact $contact, Body $body, Capacity $capacity): self
    {
        $found = self::search($contact, $body, $capacity);
        if (null === $found) {
            throw NoUprightKnee::unless(Tuck::of($contact, $body, $capacity));
        }

        return $found;
    }

    /** The same answer, or null in place of the exception. */
    public static function search(AnkleContact $contact, Body $body, Capacity $capacity): ?self
    {
        $heights = new KneeHeights($contact, $body, $capacity);
        foreach ($heights->candidates() as [$from, $to]) {
            for ($step = $from; $step <= $to; ++$step) {
                if (($heights->margin($step) ?? -INF) >= 0.0) {
                    $below =
                        $step > KneeHeights::FIRST && null !== $heights->margin($step - 1)
                            ? $heights->pose($step - 1)
                            : null;

                    return new self($heights->pose($step), null === $below ? null : $capacity->limiter($below->angles));
                }
            }
        }

        return null;
    }
}
