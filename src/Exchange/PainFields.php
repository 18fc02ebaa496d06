<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;

/** Pain out of JSON: null, or {"where", "kind", "level"}. */
final class PainFields
{
    /** @throws InvalidValue when the level is no whole number from 0 to 10 */
    public static function of(Fields $beside): Pain
    {
        if (!$beside->has('pain')) {
            return Pain::none();
        }
        $pain = $beside->object('pain');
        $level = $pain->number('level');
        if ($level !== floor($level) || abs($level) > 10) {
            throw InvalidValue::outside('pain.level', $level, 0.0, 10.0, 'of 10');
        }
        // A place that is not on the list is still a place; a kind that is not counts as one that stops.
        $place = PainPlace::tryFrom($pain->text('where', PainPlace::Elsewhere->value)) ?? PainPlace::Elsewhere;
        $kind = PainKind::tryFrom($pain->text('kind', PainKind::Ache->value)) ?? PainKind::Sharp;

        return new Pain((int) $level, $place, $kind);
    }
}
