<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Words\Meaning;
use LucidAscent\Core\Caution\Words\ReadWords;

/**
 * Pain out of JSON: nothing, or {"where", "kind", "level"}. Nothing that was said of pain is dropped: what
 * cannot be read, or is not on a list, counts as a sharp pain.
 */
final class PainFields
{
    /** Keys under which people write of pain. */
    private const MENTIONS = '/pain|hurt|numb|tingl/i';
    private const NOTHING = [null, false, 0, 0.0, []];

    /** The pain beside other fields; none when nothing was said. */
    public static function of(Fields $beside): Pain
    {
        return self::said($beside->raw('pain')) ?? Pain::none();
    }

    /** @return Pain|null null when nothing was said */
    public static function said(mixed $pain): ?Pain
    {
        if (
            is_string($pain)
                ? !ReadWords::named($pain)->ask() || self::isDenied($pain)
                : in_array($pain, self::NOTHING, true)
        ) {
            return null;
        }
        if (!is_array($pain) || array_is_list($pain)) {
            return Pain::unreadable();
        }
        $level = $pain['level'] ?? null;
        $where = $pain['where'] ?? ($pain['place'] ?? null);
        $place = is_string($where) ? PainPlace::named($where) : PainPlace::Unknown;
        $kind = is_string($pain['kind'] ?? null) ? PainKind::named($pain['kind']) : null;
        if (
            (!is_int($level) && !is_float($level))
            || $level < 0
            || $level > 10
            || floor((float) $level) !== (float) $level
        ) {
            return PainKind::LastingNumbness === $kind ? new Pain(1, $place, $kind) : Pain::unreadable($place);
        }
        if (is_string($pain['kind'] ?? null) && 0 === (int) $level && null === PainKind::known($pain['kind'])) {
            // Words of one's own say more than a number does, unless they say that nothing hurts.
            return ReadWords::named($pain['kind'])->hold() && !self::isDenied($pain['kind'])
                ? Pain::unreadable($place)
                : null;
        }
        // Nobody said what it is like: at a level of nothing that says nothing, above it the worst is taken.
        $kind ??= 0 === (int) $level ? PainKind::Ache : PainKind::Sharp;
        $said = new Pain((int) $level, $place, $kind);

        return $said->isFelt() ? $said : null;
    }

    /** Whether words under a key for pain say that there is none. */
    private static function isDenied(string $pain): bool
    {
        return Meaning::Nothing === ReadWords::of("$pain pain")->meaning
            || (1 === preg_match('/\b(?:pain|hurt)/i', $pain) && Meaning::Nothing === ReadWords::of($pain)->meaning);
    }

    /**
     * Everything that something says of pain, at whatever depth and under whatever key.
     *
     * @return list<Pain>
     */
    public static function everywhere(mixed $value): array
    {
        $found = [];
        self::gather($value, $found);

        return $found;
    }

    /** @param list<Pain> $found */
    private static function gather(mixed $value, array &$found): void
    {
        foreach (is_array($value) ? $value : [] as $key => $inner) {
            $pain = match (true) {
                FeltFields::KEY === $key => FeltFields::painInUnreadable($inner, $value['kind'] ?? null),
                1 === preg_match(self::MENTIONS, (string) $key) => self::said($inner),
                default => null,
            };
            if (null !== $pain) {
                $found[] = $pain;
            } else {
                self::gather($inner, $found);
            }
        }
    }

    /** Whether a part that cannot be read speaks of pain at all. */
    public static function isMentioned(mixed $value): bool
    {
        return [] !== self::everywhere($value) || self::isWritten($value);
    }

    /** Whether some text in it does. */
    private static function isWritten(mixed $value): bool
    {
        if (is_string($value)) {
            return in_array(ReadWords::of($value)->meaning, [Meaning::Pain, Meaning::Unclear], true);
        }
        foreach (is_array($value) ? $value : [] as $inner) {
            if (self::isWritten($inner)) {
                return true;
            }
        }

        return false;
    }

    /**
     * What a part that cannot be read says of pain.
     *
     * @return list<Pain>
     */
    public static function inUnreadable(mixed $value): array
    {
        $found = self::everywhere($value);

        return [] === $found && self::isWritten($value) ? [Pain::unreadable()] : $found;
    }
}
