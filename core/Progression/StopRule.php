<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Caution\Ending;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Stop at once when anything holds the rung; what holds it, and until when, is for the judge of holds to say. */
final class StopRule implements DecisionRule
{
    public function propose(LadderPractice $history): ?Proposal
    {
        // What is over with the day asks for less today, and for no word.
        $stops = array_values(
            array_filter($history->heldBy, static fn (Hold $hold): bool => Ending::Day !== $hold->holds->ending),
        );

        return [] === $stops
            ? null
            : new Proposal(Step::Stop, array_map(self::reason(...), $stops), [$history->latest()]);
    }

    private static function reason(Hold $hold): Reason
    {
        $entry = $hold->entry;
        if (!$entry instanceof PainTold) {
            return new Reason('stop.held', Source::Trade, [
                'name' => $hold->holds->name,
                'ends' => $hold->endedBy(),
            ]);
        }
        $numbers = [
            'level' => $entry->pain->level,
            'place' => $entry->pain->place->value,
            'kind' => $entry->pain->kind->value,
        ];

        return match ($hold->holds->id) {
            'knee-pain' => new Reason('stop.knee', Source::Trade, $numbers),
            'strong-ache' => new Reason('stop.level', Source::Own, $numbers),
            default => new Reason('stop.kind', Source::Trade, $numbers),
        };
    }
}
