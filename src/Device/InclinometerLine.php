<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

/**
 * The line protocol: "LA1 <milliseconds> <degrees> <checksum>", ended by a line feed. Degrees have
 * two decimals and are between -180 and 180; the checksum is the sum of the bytes before its
 * space, modulo 256, as two lower-case hexadecimal digits. docs/instruments.md says all of it.
 */
final class InclinometerLine
{
    /** A line longer than this is none. */
    public const LONGEST = 64;

    public static function of(AngleSample $sample): string
    {
        $text = sprintf('LA1 %d %.2f', $sample->ms, $sample->angle);

        return $text.' '.self::checksum($text)."\n";
    }

    /** @return AngleSample|null null when it is no line of this protocol, or was damaged on its way */
    public static function read(string $line): ?AngleSample
    {
        $line = rtrim($line, "\r\n");
        if (
            strlen($line) > self::LONGEST
            || 1 !== preg_match('/^(LA1 (\d{1,12}) (-?\d{1,3}\.\d{2})) ([0-9a-f]{2})$/', $line, $m)
        ) {
            return null;
        }

        return self::checksum($m[1]) === $m[4] && abs((float) $m[3]) <= 180.0
            ? new AngleSample((int) $m[2], (float) $m[3])
            : null;
    }

    private static function checksum(string $text): string
    {
        return sprintf('%02x', array_sum(array_map(ord(...), str_split($text))) % 256);
    }
}
