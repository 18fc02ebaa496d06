<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Posture\FeltPlace;

/**
 * Where something was felt, out of JSON or the fields of a form: {"place", "kind"}; a kind that nobody said is a
 * stretch.
 */
final class FeltFields
{
    public const KEY = 'felt';

    /** @return array{string, PainKind}|null place and kind; null when nothing was said */
    public static function said(mixed $felt): ?array
    {
        $place = is_string($felt) ? $felt : Fields::textIn($felt, 'place');
        $place = strtolower(trim($place));
        $kind = is_array($felt) ? $felt['kind'] ?? null : null;
        $kind = match (true) {
            null === $kind, '' === $kind => PainKind::Stretch,
            default => is_string($kind) ? PainKind::named($kind) : PainKind::Sharp,
        };
        if ('' === $place) {
            // What hurts without a place hurts all the same.
            return $kind->isMild() ? null : [PainPlace::Unknown->value, $kind];
        }

        return [mb_substr($place, 0, 20), $kind];
    }

    /** The same without it: it is read by itself, and said once. */
    public static function without(mixed $item): mixed
    {
        return is_array($item) ? array_diff_key($item, [self::KEY => 0]) : $item;
    }

    /**
     * What something says of pain by saying where it is felt, in a part that cannot be read: a knee, or anything but a
     * stretch.
     */
    public static function painInUnreadable(mixed $felt, mixed $kind = null): ?Pain
    {
        $said = self::said(is_string($felt) ? ['place' => $felt, 'kind' => $kind] : $felt);
        if (null === $said || FeltPlace::NOTHING === $said[0]) {
            return null;
        }
        [$place, $kind] = $said;
        $at = PainPlace::named($place);
        if (str_contains($place, PainPlace::Knee->value) && !$at->isKnee()) {
            $at = PainPlace::Knee;
        }

        return PainKind::Stretch === $kind && !$at->isKnee() ? null : new Pain(1, $at, $kind);
    }
}
