<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day as CalendarDay;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Seen;

/**
 * Logs of sessions out of a document: {"on", "soreAtNight", "items": [{"posture", "rung", "side", "holdReached", "evenBreath",
 * "compensations", "pain"}]}, or one item with a day; "clean" says that it was held, on an even breath, with nothing that
 * compensates. A part that cannot be read spoils no other, and what it says of pain holds.
 */
final readonly class LogList
{
    /**
     * @param array<string, list<ReadinessCheck>> $checks by posture and side: "half-lotus left"
     * @param list<Seen> $seen
     * @param list<Entry> $entries what the judge of holds has to know
     * @param list<array<string, string>> $unread
     */
    private function __construct(public array $checks, public array $seen, public array $entries, public array $unread)
    {
    }

    public static function of(mixed $sessions, Catalogue $catalogue, \DateTimeImmutable $today): self
    {
        $checks = $seen = $entries = $unread = [];
        foreach (match (true) {
            null === $sessions => [],
            is_array($sessions) && array_is_list($sessions) => $sessions,
            default => [$sessions],
        } as $i => $session) {
            $id = Fields::textIn($session, 'id', "sessions[$i]");
            $on = self::day($session, $today);
            $hasItems = is_array($session) && is_array($session['items'] ?? null);
            $items = $hasItems ? $session['items'] : [$session];
            $isSore = is_array($session) && true === ($session['soreAtNight'] ?? false);
            foreach ($items as $j => $item) {
                $said = PainFields::inUnreadable($item);
                [$posture, $rung] = [Fields::textIn($item, 'posture'), Fields::textIn($item, 'rung')];
                $sides = self::sides($item, $session);
                try {
                    Day::of('on', Fields::textIn($session, 'on', CalendarDay::of($today)));
                    $on <= $today || throw InvalidValue::because('on', 'has not been yet.');
                    $fields = Fields::of($item, $hasItems ? "sessions[$i].items[$j]" : "sessions[$i]");
                    // What is repeated, and a form beside a rung, proves no rung.
                    $shape = PracticeRung::named("$posture/$rung", $catalogue->practice());
                    if ($fields->has('drill') || '' !== ($shape->purpose ?? '')) {
                        continue;
                    }
                    $heights = [];
                    foreach ($fields->has('values') ? $fields->object('values')->names() : [] as $name) {
                        $heights[$name] = $fields->object('values')->number($name);
                    }
                    foreach (self::read($fields, $catalogue, $on, $isSore, $said) as [$side, $check]) {
                        $checks["$posture $side->value"][] = $check;
                        $seen[] = Seen::ofCheck($posture, $side, $check, $heights);
                    }
                } catch (InvalidValue $e) {
                    $unread[] = ['session' => $id, 'code' => 'bad-input', 'because' => $e->getMessage().([] === $said ? '' : ' What it says of pain holds all the same.')];
                } finally {
                    array_push($entries, ...self::pains($id, $said, $sides, $on, $today, $catalogue, $posture, $rung));
                }
            }
            if ($isSore) {
                $entries[] = new ConditionTold($id, min($on, $today), $on, $catalogue->condition('sore-today', false));
            }
            // What is said of a session and of none of its items.
            array_push($entries, ...self::pains($id, $hasItems ? PainFields::inUnreadable(array_diff_key($session, ['items' => 0])) : [], self::sides($session, []), $on, $today, $catalogue, '', ''));
        }

        return new self($checks, array_values(array_filter($seen)), $entries, $unread);
    }

    /**
     * @param list<Pain> $said
     *
     * @return list<array{Side, ReadinessCheck}>
     *
     * @throws InvalidValue
     */
    private static function read(Fields $fields, Catalogue $catalogue, \DateTimeImmutable $on, bool $isSore, array $said): array
    {
        [$posture, $rung] = [$fields->text('posture'), $fields->text('rung')];
        null !== $catalogue->rung($posture, $rung) || throw InvalidValue::because('rung', sprintf('There is no rung "%s" of "%s".', $rung, $posture));
        $isClean = $fields->flag('clean');
        $sides = match ($fields->text('side', 'both')) {
            'both' => Side::cases(),
            default => [Side::tryFrom($fields->text('side')) ?? throw InvalidValue::because('side', 'must be left, right or both.')],
        };
        $check = new ReadinessCheck($rung, $on, $fields->has('holdReached') ? $fields->flag('holdReached') : $isClean, $fields->has('evenBreath') ? $fields->flag('evenBreath') : $isClean, $said[0] ?? Pain::none(), $fields->texts('compensations'), $isSore || $fields->flag('soreAtNight'));

        return array_map(static fn (Side $side): array => [$side, $check], $sides);
    }

    /**
     * @param list<Pain> $said
     * @param list<Side|null> $sides
     *
     * @return list<PainTold>
     */
    private static function pains(string $id, array $said, array $sides, \DateTimeImmutable $on, \DateTimeImmutable $today, Catalogue $catalogue, string $posture, string $rung): array
    {
        $pains = [];
        foreach ($said as $pain) {
            foreach ($sides as $side) {
                $pains[] = new PainTold($id, min($on, $today), $on, $pain, $side, $catalogue->rung($posture, $rung)?->work, $posture, $rung);
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
