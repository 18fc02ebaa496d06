<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Json\AllowanceFields;
use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\App\Person\ToldCondition;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\Words\ReadWords;

/**
 * Conditions and events of a document, as the judge of holds takes them; one that cannot be read spoils no other, and
 * what it says of pain holds.
 */
final readonly class EventList
{
    /** Parts of a document that are read; pain that is said under any other key holds all the same. */
    private const PARTS = [
        'on',
        'body',
        'tests',
        'wanted',
        'purposes',
        'elsewhere',
        'conditions',
        'events',
        'seen',
        'gates',
        'school',
        'schools',
        'schoolByDay',
        'equipment',
        'pinned',
        'forbidden',
        'weeks',
        'days',
        'sportDays',
        'sequence',
        'goal',
        'minutes',
        'props',
        'sessions',
        'posture',
        'rung',
        'next',
        'side',
    ];

    /** What a condition of the list is called, where it has no name of its own. */
    private const LISTED = 'condition:';

    /** What an event may be, for the help of the commands that read them. */
    public const HELP = <<<'TEXT'
        Events, under "events", in any order; each may have an "id" (or is called events[0], events[1], …), "on" (a day;
        without it the document's own) and "side" (left, right or both; without it both are held):
          {"event":"pain","pain":{"level":3,"place":"knee","kind":"ache"},"side":"left",
          "during":{"posture":"half-lotus","rung":"half-lotus"}}
          {"event":"stop","side":"left","painless":true}
          {"event":"condition","condition":"knee-surgery","side":"right","until":"2026-06-01"}
          {"event":"condition","condition":"other","loads":["twist","neck"]}
                       in free words; without "loads", nothing deep is allowed
          {"event":"clearance","clears":["events[0]"],"by":"clinician","name":"Jo Marsh",
          "profession":"physiotherapist","allows":"all"}
                       by: teacher or clinician; with a teacher "asked":true says: no pain since, stairs and
                       squatting free of pain; allows: "all", "gentle" (rungs), "nothing" (yet), or a part:
                       {"without":["twist"],"upTo":{"kneeFlexion":115}}
          {"event":"mistake","of":"events[1]","by":"Ilka","why":"another person's"}
        Session logs, under "sessions":
          {"on":"2026-03-02","soreAtNight":false,"items":[{"posture":"pigeon","rung":"slanted","side":"left",
          "holdReached":true,"evenBreath":true,"compensations":[],"pain":{"level":0},
          "felt":{"place":"outer-seat","kind":"stretch"}}]}
                       or one such item with its day; "clean":true says: full hold, even breath. An item with a
                       "drill" proves no rung. "felt" is a place of the catalogue; in a knee, or anything but a
                       stretch, it is pain.
        A clearance and a mistake name what they are about: an event by its id, a test tests[0], something seen seen[0],
        a session sessions[0], a listed condition condition:knee-surgery.
        TEXT;

    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @return array{list<Entry>, list<array<string, mixed>>} the entries, and what could not be read */
    public function of(Fields $document, \DateTimeImmutable $today): array
    {
        $entries = $unread = $unreadable = [];
        $conditions = $document->has('conditions') ? $document->list('conditions') : [];
        $hasConsent = in_array(ToldCondition::GUARDIAN, $document->ids('conditions'), true);
        foreach ($conditions as $raw) {
            $this->condition($raw, $today, $hasConsent, $entries, $unread);
        }
        $events = $document->raw('events') ?? [];
        foreach (is_array($events) && array_is_list($events) ? $events : [$events] as $i => $raw) {
            $fields = null;
            try {
                $fields = Fields::of($raw, "events[$i]");
                array_push($entries, ...$this->event($fields, $i, $today, $unread));
            } catch (InvalidValue $e) {
                $said = PainFields::inUnreadable(FreeWords::without($raw));
                $condition = $fields?->raw('condition');
                $unread[] = [
                    'event' => "events[$i]",
                    'code' => 'bad-input',
                    'because' => $e->getMessage().match (true) {
                        null !== $condition => ' It holds all the same.',
                        [] !== $said => ' What it says of pain holds all the same.',
                        default => '',
                    },
                ];
                if (null !== $fields && null !== $condition) {
                    $this->condition(self::told($fields, "events[$i]"), $today, false, $entries, $unread);
                }
                foreach ($said as $pain) {
                    $entries[] = new PainTold(
                        "events[$i]",
                        $today,
                        $today,
                        $pain,
                        Side::tryFrom(is_string($fields?->raw('side')) ? $fields->raw('side') : ''),
                    );
                }
                // What ends a hold begins none, however it is put.
                if (null === $condition && !in_array($fields?->raw('event'), ['clearance', 'mistake'], true)) {
                    $unreadable["events[$i]"] = $raw;
                }
                // Somebody who cannot be read may have said stop.
                if ('stop' === $fields?->raw('event')) {
                    $entries[] = new StopDecided("events[$i]", $today, $today, null, false);
                }
            }
        }

        [$words, $unreadWords] = FreeWords::of($document, self::PARTS, $unreadable, $today);

        return [
            [...array_values($entries), ...self::elsewhere($document, $today), ...$words],
            [...array_values($unread), ...$unreadWords],
        ];
    }

    /**
     * Pain under keys that nobody reads.
     *
     * @return list<Entry>
     */
    private static function elsewhere(Fields $document, \DateTimeImmutable $today): array
    {
        $entries = [];
        foreach (array_diff($document->names(), self::PARTS) as $name) {
            $part = [$name => $document->raw($name)];
            foreach (
                FreeWords::isKey($name)
                    ? PainFields::everywhere($part)
                    : PainFields::inUnreadable(FreeWords::without($part)) as $pain
            ) {
                $entries[] = new PainTold($name, $today, $today, $pain, null);
            }
        }

        return $entries;
    }

    /**
     * @param array<array<string, mixed>> $unread
     *
     * @return list<Entry>
     *
     * @throws InvalidValue
     */
    private function event(Fields $event, int $i, \DateTimeImmutable $today, array &$unread): array
    {
        $on = $event->has('on') ? Day::of('on', $event->text('on')) : $today;
        $at = min($on, $today);
        $id = $event->text('id', "events[$i]");
        $sides = self::sides($event);
        $during = $event->has('during') ? $event->object('during') : null;
        [$posture, $rung] = [
            $during?->text('posture', '') ?? $event->text('posture', ''),
            $during?->text('rung', '') ?? $event->text('rung', ''),
        ];
        $work = $this->catalogue->rung($posture, $rung)?->work;
        switch ($event->text('event')) {
            case 'pain':
                $pain = PainFields::said($event->raw('pain'));
                if (null === $pain) {
                    // Asked, and nothing hurts; an event that says nothing at all is not read as that.
                    return is_array($event->raw('pain')) && 0 === ($event->raw('pain')['level'] ?? null)
                        ? []
                        : throw InvalidValue::missing('pain');
                }

                return array_map(
                    static fn (?Side $side): PainTold => new PainTold(
                        $id,
                        $at,
                        $on,
                        $pain,
                        $side,
                        $work,
                        $posture,
                        $rung,
                        $event->text('by', ''),
                    ),
                    $sides,
                );
            case 'stop':
                return array_map(
                    static fn (?Side $side): StopDecided => new StopDecided(
                        $id,
                        $at,
                        $on,
                        $side,
                        $event->flag('painless'),
                        $posture,
                        $rung,
                        $event->text('by', ''),
                    ),
                    $sides,
                );
            case 'condition':
                $entries = [];
                $event->text('condition');
                $this->condition(self::told($event, $id), $on, false, $entries, $unread, $at);

                return array_values($entries);
            case 'clearance':
                return [$this->clearance($event, $id, $at, $on)];
            case 'mistake':
                return [
                    new EnteredByMistake($id, $at, $event->text('of'), $event->text('by'), $event->text('why')),
                ];
            default:
                throw InvalidValue::because('event', 'is pain, stop, condition, clearance or mistake.');
        }
    }

    /** @return array<string, mixed> a condition that an event tells of, as a list of conditions would have it */
    private static function told(Fields $event, string $name): array
    {
        $condition = $event->raw('condition');

        return [
            'id' => is_string($condition) ? $condition : (string) json_encode($condition),
            'side' => $event->raw('side'),
            'until' => $event->raw('until'),
            'consent' => $event->raw('consent'),
            'loads' => $event->raw('loads'),
            'name' => $name,
            'by' => $event->raw('by'),
        ];
    }

    /** @throws InvalidValue without whose word it is, or what they allow */
    private function clearance(
        Fields $event,
        string $id,
        \DateTimeImmutable $at,
        \DateTimeImmutable $on,
    ): ClearanceGiven {
        $authority =
            ClearanceAuthority::tryFrom($event->text('by')) ??
            throw InvalidValue::because('by', 'is teacher or clinician.');
        $isTeacher = ClearanceAuthority::Teacher === $authority;
        self::said($event, 'name', $isTeacher ? $event->text('teacher', '') : '');
        self::said($event, 'profession', $isTeacher ? $authority->value : '');

        return new ClearanceGiven(
            $id,
            $at,
            $on,
            array_map(
                $this->called(...),
                is_string($event->raw('clears')) ? [$event->text('clears')] : $event->texts('clears'),
            ),
            $authority,
            $event->flag('asked'),
            $event->text('teacher', ''),
            AllowanceFields::of($event->raw('allows')),
        );
    }

    /** A listed condition goes by the catalogue's name for it; one that says more than its name is an id. */
    private function called(string $name): string
    {
        $condition = str_starts_with($name, self::LISTED) ? substr($name, strlen(self::LISTED)) : ':';

        return str_contains($condition, ':')
            ? $name
            : self::LISTED.($this->catalogue->conditionCalled($condition) ?? $condition);
    }

    /** @throws InvalidValue when nobody said it */
    private static function said(Fields $event, string $name, string $else): void
    {
        if ('' === trim($event->text($name, $else))) {
            throw InvalidValue::missing($name);
        }
    }

    /**
     * @param array<Entry> $entries
     * @param array<array<string, mixed>> $unread
     */
    private function condition(
        mixed $raw,
        \DateTimeImmutable $on,
        bool $hasConsent,
        array &$entries,
        array &$unread,
        ?\DateTimeImmutable $at = null,
    ): void {
        $given =
            is_array($raw) && is_string($raw['id'] ?? null)
                ? $raw
                : ['id' => is_string($raw) ? $raw : (string) json_encode($raw)];
        $id = $this->catalogue->conditionCalled($given['id']) ?? $given['id'];
        if (ToldCondition::GUARDIAN === $id) {
            return;
        }
        $name = Fields::textIn($given, 'name', self::LISTED.$id);
        $words = ReadWords::named($given['id']);
        $side = self::sideOf($given['side'] ?? '', $words->side);
        $at ??= $on;
        if (is_string($given['on'] ?? null)) {
            try {
                $on = Day::of('on', $given['on']);
                $at = min($on, $at);
            } catch (InvalidValue $e) {
                $unread[] = [
                    'condition' => $id,
                    'code' => 'bad-input',
                    'because' => $e->getMessage().' It holds all the same.',
                ];
            }
        }
        $pain = $this->catalogue->stopSigns()[$id] ?? null;
        if ($pain instanceof Pain) {
            $entries[] = new PainTold($name, $at, $on, $pain, $side);

            return;
        }
        if (isset($this->catalogue->conditions()[$id]) && !in_array($id, $this->catalogue->sided(), true)) {
            // What is in the middle of the body, or all of it, is of both sides, whichever is said.
            $side = null;
        }
        $consent = $hasConsent || true === ($given['consent'] ?? null);
        $condition = $this->catalogue->condition($id, $consent);
        if (!isset($this->catalogue->conditions()[$id])) {
            // "None" is an answer, and what is painless holds nothing.
            if (!$words->ask()) {
                return;
            }
            if (!$words->hold()) {
                $unread[] = ['condition' => $id, 'code' => 'ask', 'because' => FreeWords::ASKED];

                return;
            }
            $condition = Condition::unknown($id, $words->loads());
            $side = $words->areOfASide() ? $side : null;
            $unread[] = [
                'condition' => $id,
                'code' => 'unknown-condition',
                'because' => sprintf(
                    'No caution knows the condition "%s": nothing deep until somebody has said what it loads.',
                    $id,
                ),
            ];
        }
        if (is_array($given['loads'] ?? null)) {
            $loads = array_map(
                static fn (mixed $load): ?Load => is_string($load) ? Load::tryFrom($load) : null,
                array_values($given['loads']),
            );
            // One that nobody can read may be any: then nothing deep, as before anybody said.
            $condition = in_array(null, $loads, true) ? $condition : $condition->touching($loads);
            if (in_array(null, $loads, true)) {
                $unread[] = [
                    'condition' => $id,
                    'code' => 'unknown-load',
                    'because' => 'It names a load that the catalogue does not know: nothing deep until it says which.',
                ];
            }
        }
        $until = null;
        try {
            $until = is_string($given['until'] ?? null) ? Day::of('until', $given['until']) : null;
        } catch (InvalidValue $e) {
            $unread[] = [
                'condition' => $id,
                'code' => 'bad-input',
                'because' => $e->getMessage().' It holds all the same.',
            ];
        }
        $entries[] = new ConditionTold($name, $at, $on, $condition, $side, $until, Fields::textIn($given, 'by'));
    }

    /**
     * The side that a condition is of; null for both, or for none that was said. What its name says counts where
     * nothing else is said, and takes no side away from what is.
     */
    private static function sideOf(mixed $said, ?Side $named): ?Side
    {
        if ('' === $said) {
            return $named;
        }
        $side = is_string($said) ? Side::tryFrom($said) : null;

        return null === $named || $named === $side ? $side : null;
    }

    /** @return list<Side|null> null for both, or for none that was said */
    private static function sides(Fields $event): array
    {
        $side = $event->text('side', '');

        return 'both' === $side
            ? Side::cases()
            : [
                Side::tryFrom($side) ??
                ('' === $side ? null : throw InvalidValue::because('side', 'is left, right or both.')),
            ];
    }
}
