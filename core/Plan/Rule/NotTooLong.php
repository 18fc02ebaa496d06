<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Body\Side;
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
 * What is gentle is held as long as its range has it, what is deep as long as it has grown by what was reached, and what
 * has to keep short no longer than at the beginning.
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
                $broken[$item->key()] = new Reason('rule.too-long', Source::Trade, ['posture' => $item->drill->name ?? $item->rung->name, 'most' => $most]);
            }
        }

        return array_values($broken);
    }

    /** @return int seconds that an item of work may last at most */
    public static function most(PlannedItem $item, Dose $dose, ReadPoses $poses): int
    {
        $begun = $item->lasting(\PHP_INT_MAX)->begun($dose)->seconds;
        $isShort = [] !== array_filter(null === $item->side ? Side::cases() : [$item->side], static fn (Side $side): bool => $poses->person->holds->keepsShort($item->rung->rung->work, $side));

        return match (true) {
            $isShort => $begun,
            $item->rung->rung->isGentle() => FillTime::grain($item->most($dose)),
            null !== $item->drill => $begun,
            default => PlannedSession::CHANGE + FillTime::grain(min($dose->most($item->rung), $dose->seconds($item->rung) * Growth::now($poses, $item->rung, $item->side))),
        };
    }
}
