<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Plan\PropStack;

/** What is asked of a plan, in the JSON shape in which commands take it and plans keep it. */
final readonly class RequestCodec
{
    public const DAYS = ['mon' => 1, 'tue' => 2, 'wed' => 3, 'thu' => 4, 'fri' => 5, 'sat' => 6, 'sun' => 7];

    /**
     * @param \DateTimeImmutable $from the first day
     *
     * @throws InvalidValue when there are no weeks, days or minutes, or something is no day, piece or whole number
     */
    public static function read(Fields $document, \DateTimeImmutable $from): PlanningRequest
    {
        $props = $document->has('props') ? $document->object('props') : null;
        $sizes = $document->has('sizes') ? self::sizes($document->object('sizes')) : [];

        return new PlanningRequest(
            new PlanRequest(
                $from,
                self::whole('weeks', $document->number('weeks')),
                self::days('days', $document->list('days')),
                self::whole('minutes', $document->number('minutes')),
                $document->has('equipment')
                    ? self::pieces(
                        array_map(
                            static fn (mixed $piece): string => is_string($piece)
                                ? $piece
                                : (string) json_encode($piece),
                            $document->list('equipment'),
                        ),
                    )
                    : new Equipment(
                        self::whole('props.blocks', $props?->number('blocks', 0.0) ?? 0.0),
                        self::whole('props.blankets', $props?->number('blankets', 0.0) ?? 0.0),
                        $props?->flag('strap') ?? false,
                        array_values(
                            array_filter(
                                Equipment::THERE_OR_NOT,
                                static fn (string $kind): bool => true === $props?->has($kind)
                                    && !$props->flag($kind),
                            ),
                        ),
                    ),
                $document->ids('pinned'),
                $document->ids('forbidden'),
                $document->has('sportDays') ? self::days('sportDays', $document->list('sportDays')) : [],
                $document->ids('sequence'),
            ),
            $document->has('school') ? $document->text('school') : null,
            self::schools($document),
            $sizes,
            self::time($document->text('time', PlanningRequest::TIME)),
            self::zone($document->text('zone', 'UTC')),
        );
    }

    /**
     * @return array<string, float> in cm, by name
     *
     * @throws InvalidValue when one is none
     */
    private static function sizes(Fields $written): array
    {
        $sizes = array_combine($written->names(), array_map($written->number(...), $written->names()));
        PropStack::check($sizes);

        return $sizes;
    }

    /** @return array<string, mixed> */
    public static function write(PlanningRequest $asked): array
    {
        $request = $asked->request;
        $names = array_flip(self::DAYS);
        $day = static fn (int $number): string => $names[$number];
        $there = array_map(
            static fn (string $kind): bool => !in_array($kind, $request->equipment->without, true),
            array_combine(Equipment::THERE_OR_NOT, Equipment::THERE_OR_NOT),
        );

        return [
            'from' => $request->from->format('Y-m-d'),
            'weeks' => $request->weeks,
            'days' => array_map($day, $request->days),
            'minutes' => $request->minutes,
            'props' => [
                'blocks' => $request->equipment->blocks,
                'blankets' => $request->equipment->blankets,
                'strap' => $request->equipment->strap,
            ] + $there,
            'sizes' => $asked->sizes,
            'school' => $asked->school,
            'schools' => [] === $asked->schools
                    ? null
                    : array_combine(array_map($day, array_keys($asked->schools)), array_values($asked->schools)),
            'pinned' => $request->pinned,
            'forbidden' => $request->forbidden,
            'sportDays' => array_map($day, $request->sportDays),
            'sequence' => $request->sequence,
            'time' => $asked->time,
            'zone' => $asked->zone,
        ];
    }

    /**
     * @param list<mixed> $names
     *
     * @return list<int> in their order, 1 for Monday
     *
     * @throws InvalidValue when one is none
     */
    private static function days(string $field, array $names): array
    {
        $days = array_map(
            static fn (mixed $day): int => self::DAYS[is_string($day) ? strtolower($day) : ''] ??
                throw InvalidValue::because($field, 'are mon, tue, wed, thu, fri, sat or sun.'),
            $names,
        );
        sort($days);

        return array_values(array_unique($days));
    }

    /**
     * @param list<mixed> $pieces one name for each piece that is there
     *
     * @throws InvalidValue when there is no such thing
     */
    private static function pieces(array $pieces): Equipment
    {
        $unknown = array_diff($pieces, ['block', 'blanket', 'strap', ...Equipment::THERE_OR_NOT]);
        if ([] !== $unknown) {
            $others = implode(', ', Equipment::THERE_OR_NOT);
            $because = sprintf('has no "%s": it is block, blanket, strap, %s.', current($unknown), $others);
            throw InvalidValue::because('equipment', $because);
        }
        $many = array_count_values($pieces);

        return new Equipment(
            $many['block'] ?? 0,
            $many['blanket'] ?? 0,
            isset($many['strap']),
            array_values(array_diff(Equipment::THERE_OR_NOT, $pieces)),
        );
    }

    /**
     * @return array<int, string> by weekday from 1 for Monday
     *
     * @throws InvalidValue when a day is none
     */
    private static function schools(Fields $document): array
    {
        $name = $document->has('schoolByDay') ? 'schoolByDay' : 'schools';
        if (!$document->has($name)) {
            return [];
        }
        $schools = [];
        $asked = $document->object($name);
        foreach ($asked->names() as $day) {
            isset(self::DAYS[$day])
                || throw InvalidValue::because($name, 'are by day: mon, tue, wed, thu, fri, sat or sun.');
            $schools[self::DAYS[$day]] = $asked->text($day);
        }

        return $schools;
    }

    /** @throws InvalidValue when no clock shows it */
    private static function time(string $time): string
    {
        return 1 === preg_match('/^([01]\d|2[0-3]):[0-5]\d$/', $time)
            ? $time
            : throw InvalidValue::because('time', 'must be a time of the day such as 18:00.');
    }

    /** @throws InvalidValue when there is none of that name */
    private static function zone(string $zone): string
    {
        return in_array($zone, timezone_identifiers_list(\DateTimeZone::ALL_WITH_BC), true)
            ? $zone
            : throw InvalidValue::because('zone', 'must be a time zone such as Europe/Berlin.');
    }

    /** @throws InvalidValue when it is a part of one */
    private static function whole(string $name, float $number): int
    {
        return floor($number) === $number
            ? (int) $number
            : throw InvalidValue::because($name, 'must be a whole number.');
    }
}
