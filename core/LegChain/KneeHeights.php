<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

/**
 * The knee heights of a contact, on a grid of a tenth of a centimetre from the floor up, and where
 * on it a search has to look closely.
 *
 * The worst margin over height is the least of a few smooth curves. Looked at every centimetre it
 * shows where it rises above zero, and where it has a peak; only there, and at the ends of what the
 * leg can reach, are the tenths looked at.
 *
 * @internal
 */
final class KneeHeights
{
    public const STEPS_PER_CM = 10;

    /** The floor, in steps. */
    public const FIRST = self::STEPS_PER_CM * LegChain::HALF_KNEE;

    public function __construct(
        private readonly AnkleContact $contact,
        private readonly Body $body,
        private readonly Capacity $capacity,
    ) {
    }

    public function pose(int $step): ?LegPose
    {
        try {
            return (new KneeAtHeight($this->contact, $step / self::STEPS_PER_CM))->tryPose($this->body);
        } catch (StraightKnee) {
            return null;
        }
    }

    /**
     * Ranges of steps, the lowest first, of which one holds the lowest height that fits, and the best one.
     *
     * @return iterable<array{int, int}>
     */
    public function candidates(): iterable
    {
        $last = (int) floor(self::STEPS_PER_CM * ($this->contact->sitting()->hipHeight($this->body) + $this->body->thigh));
        $before = $here = null;
        for ($step = self::FIRST; $step <= $last + self::STEPS_PER_CM; $step += self::STEPS_PER_CM) {
            $next = $step <= $last ? $this->margin($step) : null;
            $isEdge = (null === $next) !== (null === $here);
            $isPeak = null !== $here && $here >= ($before ?? -INF) && $here >= ($next ?? -INF);
            $rises = null !== $next && $next >= 0.0 && ($here ?? -1.0) < 0.0;
            if ($isEdge || $isPeak || $rises) {
                yield [max(self::FIRST, $step - 2 * self::STEPS_PER_CM), min($last, $step)];
            }
            [$before, $here] = [$here, $next];
        }
    }

    private function margin(int $step): ?float
    {
        $pose = $this->pose($step);

        return null === $pose ? null : $this->capacity->worstMargin($pose->angles);
    }
}
