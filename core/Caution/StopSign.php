<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** Which caution a pain is, when it is one that ends the work at once (common practice). */
final class StopSign
{
    /** @return string|null the caution's id; null for an ache that is watched and no more */
    public static function of(Pain $pain): ?string
    {
        return match (true) {
            !$pain->stops() => null,
            PainPlace::Knee === $pain->place => 'knee-pain',
            PainKind::LastingNumbness === $pain->kind => 'lasting-numbness',
            PainKind::Clicking === $pain->kind && PainPlace::Groin === $pain->place => 'groin-clicking',
            default => 'sharp-pain',
        };
    }
}
