<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\FeltFields;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day as CalendarDay;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\History\LoggedItem;
use LucidAscent\Core\History\ProvedByLog;

/**
 * Logs of sessions out of a document: {"on", "soreAtNight", "items": [{"posture", "rung", "side", "holdReached",
 * "evenBreath", "compensations", "pain", "felt"}]}, or one item with a day; "clean" says that it was held, on an even
 * breath, with nothing that compensates. A part that cannot be read spoils no other, and what it says of pain holds.
 */
final readonly class LogList
{
    /**
     * @param list<Entry> $entries
     * @param list<array<string, string>> $unread
     */
    private function __construct(public array $entries, public array $unread)
    {
    }

    public static function of(mixed $sessions, Catalogue $catalogue, \DateTimeImmutable $today): self
    {
        $entries = $unread = [];
        foreach (
            match (true) {
                null === $sessions => [],
                is_array($sessions) && array_is_list($sessions) => $sessions,
                default => [$sessions],
            } as $i => $session
        ) {
            $id = Fields::textIn($session, 'id', "sessions[$i]");
            $on = self::day($session, $today);
            $at = min($on, $today);
            $hasItems = is_array($session) && is_array($session['items'] ?? null);
            $isSore = is_array($session) && true === ($session['soreAtNight'] ?? false);
            $pains = static fn (mixed $said, mixed $of, string $posture, string $rung): array => self::pains(
                $id,
                $at,
                $on,
                PainFields::inUnreadable(FreeWords::without($said)),
                self::sides($of, $session),
                $catalogue,
                $posture,
                $rung,
            );
            $read = [];
            foreach ($hasItems ? $session['items'] : [$session] as $j => $item) {
                try {
                    Day::of('on', Fields::textIn($session, 'on', CalendarDay::of($today)));
                    $on <= $today || throw InvalidValue::because('on', 'has not been yet.');
                    $read[] = self::item(
                        Fields::of($item, $hasItems ? "sessions[$i].items[$j]" : "sessions[$i]"),
                        $catalogue,
                        PainFields::inUnreadable(FreeWords::without(FeltFields::without($item))),
                        self::sides($item, $session),
                    );
                    $isSore = $isSore || (is_array($item) && true === ($item['soreAtNight'] ?? false));
                } catch (InvalidValue $e) {
                    $said = PainFields::inUnreadable(FreeWords::without($item));
                    $unread[] = [
                        'session' => $id,
                        'code' => 'bad-input',
                        'because' => $e->getMessage().([] === $said ? '' : ' What it says of pain holds all the same.'),
                    ];
                    array_push(
                        $entries,
                        ...$pains($item, $item, Fields::textIn($item, 'posture'), Fields::textIn($item, 'rung')),
                    );
                }
            }
            // Nobody says when it was written down: its day is all that is known.
            array_push(
                $entries,
                ...ProvedByLog::of($id, $at, $on, '', $read, $catalogue->postures(), $isSore, null)->entries(),
            );
            if ($isSore) {
                $entries[] = new ConditionTold($id, $at, $on, $catalogue->condition('sore-today', false));
            }
            // What is said of a session and of none of its items.
            array_push($entries, ...$hasItems ? $pains(array_diff_key($session, ['items' => 0]), [], '', '') : []);
        }

        return new self($entries, $unread);
    }

    /**
     * @param list<Pain> $said
     * @param list<Side|null> $sides the item's, or its session's
     *
     * @throws InvalidValue
     */
    private static function item(Fields $fields, Catalogue $catalogue, array $said, array $sides): LoggedItem
    {
        $isRepeated = $fields->has('drill');
        [$posture, $shape] = $isRepeated
            ? [$fields->text('posture', ''), $fields->text('rung', '')]
            : [$fields->text('posture'), $fields->text('rung')];
        $isRepeated
            || isset(($catalogue->postures()[$posture] ?? null)?->shapes()[$shape])
            || throw InvalidValue::because('rung', sprintf('There is no rung "%s" of "%s".', $shape, $posture));
        $heights = [];
        foreach ($fields->has('values') ? $fields->object('values')->names() : [] as $name) {
            $heights[$name] = $fields->object('values')->number($name);
        }
        $isClean = $fields->flag('clean');
        in_array($fields->text('side', 'both'), ['both', 'left', 'right'], true)
            || throw InvalidValue::because('side', 'must be left, right or both.');
        // Where nobody says which, it was both; what hurt is of nobody's side all the same.
        $of = array_values(array_filter($sides));
        $felt = FeltFields::said($fields->raw(FeltFields::KEY));

        return new LoggedItem(
            $posture,
            $shape,
            [] === $of ? Side::cases() : $of,
            $isRepeated,
            ($fields->has('holdReached') ? $fields->flag('holdReached') : $isClean) && !CleanFields::isHelped($fields),
            $fields->has('evenBreath') ? $fields->flag('evenBreath') : $isClean,
            $fields->texts('compensations'),
            $said,
            $heights,
            [] !== $of,
            null === $felt ? null : $catalogue->feltPlace($felt[0]),
            $felt[1] ?? PainKind::Stretch,
        );
    }

    /**
     * @param list<Pain> $said
     * @param list<Side|null> $sides
     *
     * @return list<PainTold>
     */
    private static function pains(
        string $id,
        \DateTimeImmutable $at,
        \DateTimeImmutable $on,
        array $said,
        array $sides,
        Catalogue $catalogue,
        string $posture,
        string $rung,
    ): array {
        $pains = [];
        foreach ($said as $pain) {
            foreach ($sides as $side) {
                $pains[] = new PainTold(
                    $id,
                    $at,
                    $on,
                    $pain,
                    $side,
                    $catalogue->rung($posture, $rung)?->work,
                    $posture,
                    $rung,
                );
            }
        }

        return $pains;
    }

    /** @return list<Side|null> the item's, else its session's; nobody's when neither says */
    private static function sides(mixed $item, mixed $session): array
    {
        $side = Fields::textIn($item, 'side', Fields::textIn($session, 'side'));

        return 'both' === $side ? Side::cases() : [Side::tryFrom($side)];
    }

    private static function day(mixed $session, \DateTimeImmutable $today): \DateTimeImmutable
    {
        try {
            return Day::of('on', Fields::textIn($session, 'on', CalendarDay::of($today)));
        } catch (InvalidValue) {
            return $today;
        }
    }
}
