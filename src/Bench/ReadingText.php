<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\Core\Body\Length;

/**
 * A number as it is written down beside the mat. A comma is a decimal point, never a thousand;
 * inches may carry a fraction, as tapes show them: 7 1/4.
 */
final class ReadingText
{
    public const UNITS = ['cm', 'in'];

    /**
     * @param string $unit the unit of the answer: cm, degrees, seconds, or "yes or no"
     * @param string $lengths the unit in which lengths are written: cm or in
     *
     * @return float|null null when it is no number
     */
    public static function value(string $text, string $unit, string $lengths): ?float
    {
        $text = trim($text);
        if (1 === preg_match('/^-?\d{1,6}([.,]\d{1,4})?$/', $text)) {
            $value = (float) str_replace(',', '.', $text);
        } elseif (
            'in' === $lengths
            && 'cm' === $unit
            && 1 === preg_match('~^(-?)(?:(\d{1,3}) )?(\d{1,2})/([1-9]\d?)$~', $text, $m)
        ) {
            $value = ('-' === $m[1] ? -1 : 1) * ((float) $m[2] + (float) $m[3] / (float) $m[4]);
        } else {
            return null;
        }

        return 'cm' === $unit && 'in' === $lengths ? Length::inches($value)->cm : $value;
    }
}
