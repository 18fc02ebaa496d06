<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;

/**
 * Whether a document says that something was done clean. "clean" is an opinion: what was observed beside it, a hold not
 * reached, an uneven breath, a compensation, somebody's hands, takes it away.
 */
final class CleanFields
{
    /** Under these somebody writes that another's hands or weight were in it. */
    private const HANDS = ['hands', 'handsOn', 'helped', 'assisted', 'assistance', 'adjusted', 'pressed', 'pushed'];

    /** @throws InvalidValue when one of them is not read */
    public static function of(Fields $fields): bool
    {
        return $fields->flag('clean')
            && self::holds($fields, 'holdReached')
            && self::holds($fields, 'evenBreath')
            && [] === ($fields->has('compensations') ? $fields->texts('compensations') : [])
            && !self::isHelped($fields);
    }

    /** Whether somebody's hands were in it. */
    public static function isHelped(Fields $fields): bool
    {
        foreach (self::HANDS as $name) {
            if (!in_array($fields->raw($name), [null, false, 0, '', [], 'no', 'none', 'nobody'], true)) {
                return true;
            }
        }

        return false;
    }

    private static function holds(Fields $fields, string $name): bool
    {
        return !$fields->has($name) || $fields->flag($name);
    }
}
