<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\HalfLotusVerdict;

/** Where one side stands on the ladder now: its rung, the height of its prop, and how far up it may go. */
final readonly class Standing
{
    /**
     * @param Rung|null $rung null while the side is held, or has not been tested
     * @param float|null $propHeight in cm; null where the rung has no prop
     * @param Rung|null $highest the highest rung that may be practised now
     */
    private function __construct(public ?Rung $rung, public ?float $propHeight, public ?Rung $highest)
    {
    }

    /**
     * @param Rung|null $decided where the latest decision put this side
     * @param bool $testIsNewer whether the side was tested again since that decision
     */
    public static function of(Ladder $ladder, HalfLotusVerdict $verdict, ?Rung $decided, bool $testIsNewer): self
    {
        if (null === $verdict->gate) {
            return new self(null, null, null);
        }
        $highest = $ladder->first();
        foreach ($ladder->rungs as $rung) {
            if (!self::allowed($rung, $verdict)) {
                break;
            }
            $highest = $rung;
        }
        $entry = $ladder->rung($ladder->entries[$verdict->gate->value]);
        $rung = match (true) {
            null === $decided => $entry,
            // A new test can open a higher rung; what was practised since then speaks louder.
            $testIsNewer && $ladder->isAbove($entry, $decided) => $entry,
            default => $decided,
        };
        if ($ladder->isAbove($rung, $highest)) {
            $rung = $highest;
        }

        return new self($rung, self::propHeight($rung, $verdict), $highest);
    }

    public static function allowed(Rung $rung, HalfLotusVerdict $verdict): bool
    {
        return null !== $verdict->gate
            && $verdict->gate->allows($rung->gate)
            && (PropRule::KneeBlock !== $rung->prop || null !== $verdict->block || GateOutcome::MayTry === $verdict->gate);
    }

    private static function propHeight(Rung $rung, HalfLotusVerdict $verdict): ?float
    {
        return match ($rung->prop) {
            PropRule::None => null,
            PropRule::LevelSeat => $verdict->levelSeat,
            PropRule::KneeBlock => $verdict->block?->height,
        };
    }
}
