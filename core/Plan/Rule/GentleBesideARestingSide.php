<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Rule;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** While everything of one side is held, the other goes on in lying and unloaded shapes alone (this product's own). */
final class GentleBesideARestingSide implements SessionRule
{
    public function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $broken = [];
        foreach ($session->items as $item) {
            foreach (null === $item->side ? Side::cases() : [$item->side] as $side) {
                if (!self::allows($item->rung->rung, $side, $poses)) {
                    $broken[$item->rung->name] = new Reason('rule.gentle-beside', Source::Own, ['posture' => $item->rung->name]);
                }
            }
        }

        return array_values($broken);
    }

    public static function allows(RungDefinition $rung, Side $side, ReadPoses $poses): bool
    {
        return $rung->isGentle() || !$poses->person->holds->isWholeSideHeld($side->opposite());
    }
}
