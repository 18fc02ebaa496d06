<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Readiness\HalfLotusReading;
use LucidAscent\Core\Readiness\HalfLotusVerdict;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * One side of one person, out of everything on record: the verdict, and the rung where it stands.
 *
 * A stop, from a test or from practice, holds the side until somebody lifts it in writing; then
 * the test comes first, and the way begins again at the first rung.
 */
final readonly class SideOnLadder
{
    private function __construct(public SideRecord $record, public HalfLotusVerdict $verdict, public Standing $standing)
    {
    }

    public static function of(Ladder $ladder, ?Proportions $proportions, SideRecord $record, \DateTimeImmutable $now): self
    {
        $verdict = self::verdict($proportions, $record, $now);
        // What was decided before a clearance no longer tells where to go on.
        $restart = null !== $record->clearedAt && (null === $record->decidedAt || $record->clearedSince($record->decidedAt));

        return new self($record, $verdict, Standing::of(
            $ladder,
            $verdict,
            $restart ? $ladder->first() : $record->decided,
            !$restart && $record->testIsNewerThanDecision(),
        ));
    }

    public function isHeld(): bool
    {
        return State::Held === $this->verdict->state;
    }

    private static function verdict(?Proportions $proportions, SideRecord $record, \DateTimeImmutable $now): HalfLotusVerdict
    {
        if (Step::Stop === $record->step && null !== $record->decidedAt && !$record->clearedSince($record->decidedAt)) {
            return HalfLotusVerdict::held($record->side, new Reason('held.decision', Source::Trade, ['on' => $record->decidedAt->format('Y-m-d')]));
        }
        if (null === $record->test) {
            return HalfLotusVerdict::unknown($record->side, new Reason('unknown.no-test', Source::Own));
        }
        if (null === $proportions) {
            return HalfLotusVerdict::unknown($record->side, new Reason('unknown.no-body', Source::Own));
        }
        if ($record->clearedSince($record->test->on)) {
            return HalfLotusVerdict::unknown($record->side, new Reason('unknown.since-clearance', Source::Own));
        }

        return HalfLotusReading::of($record->test, $proportions, $now);
    }
}
