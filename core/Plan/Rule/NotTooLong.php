<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Plan\Dose;
use LucidAscent\Core\Plan\FillTime;
use LucidAscent\Core\Plan\Growth;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * What is gentle is held as long as its range has it, what is deep as long as it has grown by what was reached, and
 * what has to keep short no longer than at the beginning.
 */
final class NotTooLong implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $broken = [];
        $dose = $session->dose;
        foreach ($session->items as $item) {
            $most = null !== $dose && Phase::Work === $item->phase ? self::most($item, $dose, $poses) : $item->seconds;
            if ($item->seconds > $most) {
                $broken[$item->key()] = new Reason('rule.too-long', Source::Trade, [
                    'posture' => $item->drill->id ?? $item->rung->posture,
                    'most' => $most,
                ]);
            }
        }

        return array_values($broken);
    }

    /** @return int seconds that an item of work may last at most */
    public static function most(PlannedItem $item, Dose $dose, ReadPoses $poses): int
    {
        return match (true) {
            $poses->person->holds->keepsShort($item->rung->rung->work, $item->side) => $item->least($dose),
            $item->rung->rung->isForAnybody() => FillTime::grain($item->most($dose)),
            null !== $item->drill => $item->least($dose),
            default => PlannedSession::CHANGE +
                $dose
                    ->range($item->rung)
                    ->hold(Growth::seconds($poses, $item->rung, $item->side, $dose)),
        };
    }
}
