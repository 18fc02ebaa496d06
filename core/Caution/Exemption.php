<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** What a caution that holds everything leaves. */
enum Exemption: string
{
    case Nothing = 'nothing';
    case LyingRest = 'lying-rest';

    public function has(Work $work): bool
    {
        return match ($this) {
            self::Nothing => false,
            self::LyingRest => $work->isLyingRest(),
        };
    }
}
