<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Words\ReadWords;

/**
 * How far a word in writing goes, to JSON and back: "all", "gentle", "nothing", or {"gentle": true, "without": [loads],
 * "upTo": {ability: degrees}}. What cannot be read allows nothing.
 */
final class AllowanceFields
{
    private const ALL = ['all', 'all of it', 'everything'];
    private const GENTLE = ['gentle', 'gentle only', 'gentle rungs', 'only gentle rungs', 'gentle rungs only'];
    private const NOTHING = ['nothing', 'nothing yet', 'nothing for now', 'not yet', 'none', 'no'];
    private const PARTS = ['gentle', 'without', 'upTo'];
    private const MOST_DEGREES = 180.0;

    /** @throws InvalidValue when it says nothing that can be read */
    public static function of(mixed $allows): Allowance
    {
        if (is_string($allows)) {
            $said = trim(ReadWords::plain($allows), ' .');

            return match (true) {
                in_array($said, self::ALL, true) => new Allowance(),
                in_array($said, self::GENTLE, true) => new Allowance(isGentle: true),
                in_array($said, self::NOTHING, true) => Allowance::nothing(),
                default => throw self::unread(),
            };
        }
        if (!is_array($allows) || [] === $allows || [] !== array_diff(array_keys($allows), self::PARTS)) {
            throw self::unread();
        }
        $fields = Fields::of($allows, 'allows');
        $without = array_map(
            static fn (string $load): string => Load::tryFrom($load)->value ??
                throw InvalidValue::because('allows.without', sprintf('names "%s", which is no load.', $load)),
            $fields->texts('without'),
        );
        $upTo = [];
        $limits = $fields->has('upTo') ? $fields->object('upTo') : Fields::of([]);
        foreach ($limits->names() as $ability) {
            if (!isset(Allowance::LIMITS[$ability])) {
                throw InvalidValue::because(
                    "allows.upTo.$ability",
                    'cannot be limited; these can: '.implode(', ', array_keys(Allowance::LIMITS)).'.',
                );
            }
            $upTo[$ability] = Check::within(
                "allows.upTo.$ability",
                $limits->number($ability),
                0.0,
                self::MOST_DEGREES,
                'degrees',
            );
        }
        $allowance = new Allowance(false, $fields->flag('gentle'), array_values(array_unique($without)), $upTo);

        return $allowance->isAll() ? throw self::unread() : $allowance;
    }

    /** @return array<string, mixed> as a record keeps it */
    public static function write(Allowance $allowance): array
    {
        return match (true) {
            $allowance->isAll() => ['all' => true],
            $allowance->isNothing => ['nothing' => true],
            default => array_diff_key(
                ['gentle' => $allowance->isGentle, 'without' => $allowance->without, 'upTo' => $allowance->upTo],
                // An empty object would come back as a list.
                [] === $allowance->upTo ? ['upTo' => true] : [],
            ),
        };
    }

    /**
     * As a record keeps it.
     *
     * @param array<mixed>|null $kept null in a record of before, which has words alone
     *
     * @throws InvalidValue when it says nothing that can be read
     */
    public static function kept(?array $kept, string $words): Allowance
    {
        return match (true) {
            null === $kept => in_array(trim(ReadWords::plain($words), ' .'), self::NOTHING, true)
                ? Allowance::nothing()
                : new Allowance(),
            ['all' => true] === $kept => new Allowance(),
            ['nothing' => true] === $kept => Allowance::nothing(),
            default => self::of($kept),
        };
    }

    private static function unread(): InvalidValue
    {
        return InvalidValue::because(
            'allows',
            'says what is allowed: all, gentle, nothing, or an object with without (loads), upTo (degrees) or both.',
        );
    }
}
