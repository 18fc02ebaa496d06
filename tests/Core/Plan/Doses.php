<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Plan\Dose;
use LucidAscent\Core\Plan\HoldRange;

/** Three ways of practising: minutes, pressing and yielding, and breaths. */
final class Doses
{
    public static function longAndStill(int $daysApart): Dose
    {
        return new Dose('long-still', HoldRange::in('minutes', 2, 8), HoldRange::in('minutes', 3, 15),
            $daysApart);
    }

    public static function workingMuscle(int $daysApart): Dose
    {
        $range = HoldRange::in('repetitions', 3, 7, HoldRange::PRESS_AND_YIELD);

        return new Dose('working-muscle', $range, $range, $daysApart);
    }

    public static function countedBreath(int $daysApart, bool $lotusLast = false): Dose
    {
        $range = HoldRange::in('breaths', 12, 30);

        return new Dose('counted-breath', $range, $range, $daysApart, $lotusLast);
    }
}
