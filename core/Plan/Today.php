<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;

/**
 * A session that was planned earlier, as it may be done now: what may not is taken out, and what undoes nothing goes
 * with it; what has to keep short since it was made is no longer than at the beginning.
 */
final readonly class Today
{
    /**
     * @param PlannedSession $session what is left of it
     * @param array<int, May|null> $out by the place of what was taken out: why it may not be done; null for a
     *     counterpose without its work
     * @param list<int> $places of what is left, in the session as it was planned
     */
    private function __construct(public PlannedSession $session, public array $out, public array $places)
    {
    }

    /**
     * @param ReadPoses|null $poses what is known of the person; null when nobody measured the body: then nothing says
     *     that anything may be done
     * @param bool $isAtHome whether no teacher is there: then nobody tries for the first time what is for a teacher
     *     first
     */
    public static function of(PlannedSession $session, ?ReadPoses $poses, bool $isAtHome = false): self
    {
        $session = self::keepingShort($session, $poses);
        $near = Elsewhere::tooNear($poses->person->elsewhere ?? [], $session->on, $session->dose->daysApart ?? 1);
        $left = $out = [];
        $hasWork = false;
        foreach ($session->items as $i => $item) {
            $may = self::may($item, $poses);
            if (null !== $near && $may->isYes() && $item->isWork() && !$item->rung->rung->isForAnybody()) {
                $may = May::tooSoonAfter($near, $session->on, $session->dose->daysApart ?? 1);
            }
            if ($isAtHome && $may->isYes() && self::waitsForLesson($item, $poses)) {
                $may = May::firstWithTeacher();
            }
            $isOut = !$may->isYes() || (Phase::Counter === $item->phase && !$hasWork);
            $isOut ? ($out[$i] = $may->isYes() ? null : $may) : ($left[$i] = $item);
            $hasWork = match ($item->phase) {
                Phase::Work => $hasWork || !$isOut,
                Phase::Counter => false,
                default => $hasWork,
            };
        }
        // Without any work there is nothing to warm up for.
        if (!$session->doing(array_values($left))->hasWork()) {
            foreach ($left as $i => $item) {
                if (Phase::Rest !== $item->phase) {
                    $out[$i] = null;
                    unset($left[$i]);
                }
            }
            ksort($out);
        }

        return new self($session->doing(array_values($left)), $out, array_keys($left));
    }

    /** Whether it is for a teacher first, and was never tried while one was there. */
    public static function waitsForLesson(PlannedItem $item, ?ReadPoses $poses): bool
    {
        return $item->isWork()
            && PracticeLevel::Anyone !== $item->rung->level
            && !$item->rung->rung->isForAnybody()
            && true !== $poses?->person->hasTriedWithTeacher($item->rung->posture, $item->rung->rung->id, $item->side);
    }

    /** The same with holds of today alone, and after much elsewhere; nothing is taken out. */
    public static function keepingShort(PlannedSession $session, ?ReadPoses $poses): PlannedSession
    {
        if (null === $poses || null === $session->dose) {
            return $session;
        }
        $isMuch = Elsewhere::isMuch($poses->person->elsewhere, $session->on);

        return $session->doing(
            array_map(
                static fn (PlannedItem $item): PlannedItem => $item->isWork()
                && ($isMuch || $poses->person->holds->keepsShort($item->rung->rung->work, $item->side))
                    ? $item->begun($session->dose)
                    : $item,
                $session->items,
            ),
        );
    }

    public static function may(PlannedItem $item, ?ReadPoses $poses): May
    {
        return null === $poses ? May::unmeasured() : $item->may($poses);
    }
}
