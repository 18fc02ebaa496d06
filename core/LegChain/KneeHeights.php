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

    private readonly Vector $hip;
    private readonly Vector $ankle;
    private readonly float $tilt;

    public function __construct(
        private readonly AnkleContact $contact,
        private readonly Body $body,
        private readonly Capacity $capacity,
    ) {
        $this->hip = $contact->hip($body);
        $this->ankle = $contact->ankle($body);
        $this->tilt = $contact->sitting()->pelvicTilt;
    }

    /** The leg with its knee at a height at which there is one. */
    public function pose(int $step): LegPose
    {
        return (new KneeAtHeight($this->contact, $step / self::STEPS_PER_CM))->pose($this->body);
    }

    /**
     * Ranges of steps, the lowest first, of which one holds the lowest height that fits, and the best one.
     *
     * @return iterable<array{int, int}>
     */
    public function candidates(): iterable
    {
        $last = (int) floor(
            self::STEPS_PER_CM * ($this->contact->sitting()->hipHeight($this->body) + $this->body->thigh),
        );
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

    /** The worst margin at a height, in degrees; null where no leg can be made there, or its rotation not be read. */
    public function margin(int $step): ?float
    {
        // Searches pass many heights: nothing is built at any of them.
        $height = $step / self::STEPS_PER_CM;
        $hip = $this->hip;
        $ankle = $this->ankle;
        $knee = KneeAtHeight::knee(
            $hip->x,
            $hip->y,
            $hip->z,
            $ankle->x,
            $ankle->y,
            $ankle->z,
            $this->body->thigh,
            $this->body->shin,
            $height,
        );
        $angles =
            null === $knee
                ? null
                : LegChain::angles(
                    $knee[0] - $hip->x,
                    $knee[1] - $hip->y,
                    $height - $hip->z,
                    $ankle->x - $knee[0],
                    $ankle->y - $knee[1],
                    $ankle->z - $height,
                    $this->tilt,
                );

        return null === $angles ? null : $this->capacity->worstOf($angles[0], $angles[1], $angles[2], $angles[3]);
    }
}
