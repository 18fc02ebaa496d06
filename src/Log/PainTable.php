<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\PainRule;

/** What a pain ends for the rest of a session, for every answer that there is: a session goes on without a network, and asks nobody. */
final class PainTable
{
    private const LEVELS = 10;

    /** @return array<string, array<string, list<array{all: bool, side: bool, loads: list<string>}>>> by place, kind and level from 0 */
    public static function ofSession(): array
    {
        $table = [];
        foreach (PainPlace::choices() as $place) {
            foreach (PainKind::cases() as $kind) {
                for ($level = 0; $level <= self::LEVELS; ++$level) {
                    $rule = PainRule::of(new Pain($level, $place, $kind), Side::Left, null);
                    $isEverything = null !== $rule && in_array(Condition::ALL, $rule->holds->holds, true);
                    $table[$place->value][$kind->value][] = [
                        'all' => $isEverything && null === $rule->side,
                        'side' => $isEverything && null !== $rule->side,
                        'loads' => null === $rule || $isEverything ? [] : $rule->holds->holds,
                    ];
                }
            }
        }

        return $table;
    }
}
