<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * Stop at once: any pain in the knee; pain that is sharp, pinching or burning; numbness that stays;
 * clicking or locking with pain (common practice). Pain of 5 or more ends it too, wherever it is and
 * whatever its kind (this product's own limit, since nothing milder covers it).
 */
final class StopRule implements DecisionRule
{
    public const PAIN = 5;

    public function propose(History $history): ?Proposal
    {
        $check = $history->latest();
        $numbers = ['level' => $check->pain->level, 'place' => $check->pain->place->value, 'kind' => $check->pain->kind->value];
        $reason = match (true) {
            $check->pain->isInKnee() => new Reason('stop.knee', Source::Trade, $numbers),
            $check->pain->stops() => new Reason('stop.kind', Source::Trade, $numbers),
            $check->pain->level >= self::PAIN => new Reason('stop.level', Source::Own, $numbers + ['limit' => self::PAIN]),
            default => null,
        };

        return null === $reason ? null : new Proposal(Step::Stop, [$reason], [$check]);
    }
}
