<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;

/**
 * What an ended assessment kept of somebody's progress. A file may bring in anything: what is no rate and no forecast
 * is passed over where it is shown, and refused where it comes in.
 *
 * @phpstan-type Rate array{ability: string, side: string, month: float, sd: float, chance: float, isAsked: bool,
 *     start: float}
 * @phpstan-type Foretold array{ability: string, side: string, posture: string, asked: float,
 *     from: \DateTimeImmutable, to: \DateTimeImmutable|null, chance: int}
 */
final readonly class KeptProgress
{
    /** @return list<Rate> */
    public static function rates(mixed $kept): array
    {
        return self::read($kept, 'rates', self::rate(...));
    }

    /** @return list<Foretold> */
    public static function forecasts(mixed $kept): array
    {
        return self::read($kept, 'forecasts', self::forecast(...));
    }

    /** @throws InvalidValue when one of its parts cannot be read */
    public static function check(mixed $kept): void
    {
        $progress = Fields::of($kept, 'progress');
        foreach (['rates' => self::rate(...), 'forecasts' => self::forecast(...)] as $name => $read) {
            array_map($read, $progress->has($name) ? $progress->list($name) : []);
        }
    }

    /**
     * @template T
     *
     * @param callable(mixed): T $read
     *
     * @return list<T>
     */
    private static function read(mixed $kept, string $name, callable $read): array
    {
        $all = [];
        $parts = is_array($kept) ? $kept[$name] ?? [] : [];
        foreach (is_array($parts) ? $parts : [] as $one) {
            try {
                $all[] = $read($one);
            } catch (InvalidValue) {
                continue;
            }
        }

        return $all;
    }

    /**
     * @return Rate
     *
     * @throws InvalidValue
     */
    private static function rate(mixed $one): array
    {
        $rate = Fields::of($one, 'rates');

        return [
            ...self::whose($rate),
            'month' => $rate->number('month'),
            'sd' => $rate->number('sd'),
            'chance' => $rate->number('chance', 0.0),
            'isAsked' => $rate->flag('isAsked'),
            'start' => $rate->number('start'),
        ];
    }

    /**
     * @return Foretold
     *
     * @throws InvalidValue
     */
    private static function forecast(mixed $one): array
    {
        $forecast = Fields::of($one, 'forecasts');

        return [
            ...self::whose($forecast),
            'posture' => $forecast->text('posture'),
            'asked' => $forecast->number('asked'),
            'from' => Day::of('from', $forecast->text('from')),
            'to' => $forecast->has('to') ? Day::of('to', $forecast->text('to')) : null,
            'chance' => (int) max(0.0, min(100.0, $forecast->number('chance'))),
        ];
    }

    /**
     * @return array{ability: string, side: string}
     *
     * @throws InvalidValue
     */
    private static function whose(Fields $one): array
    {
        return [
            'ability' => Ability::tryFrom($one->text('ability'))->value ??
                throw InvalidValue::because('ability', 'is none that is known here.'),
            'side' => Side::tryFrom($one->text('side'))->value ??
                throw InvalidValue::because('side', 'must be left or right.'),
        ];
    }
}
