<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day as CalendarDay;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\Entry\DoneElsewhere;
use LucidAscent\Core\History\Entry\GateAnswered;
use LucidAscent\Core\History\Entry\PosesWanted;
use LucidAscent\Core\History\Entry\RungSeen;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\Posture\Purpose;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Practice\ElsewhereKind;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\ToolErrors;
use Psr\Clock\ClockInterface;

/** A whole person out of one JSON document, as a history; a part that cannot be read is named, and spoils no other. */
final readonly class PersonDocument
{
    public function __construct(
        private Catalogue $catalogue,
        private EventList $events,
        private ClockInterface $clock,
    ) {
    }

    /** @throws InvalidValue when the document has no body, no tests, or no day */
    public function read(Fields $document): ReadDocument
    {
        $on = $document->has('on') ? Day::of('on', $document->text('on')) : CalendarDay::midnight($this->clock->now());
        $proportions = PersonBody::of($document->object('body'));
        $tests = TestList::of($document->list('tests'), $proportions, $this->catalogue->tests(), $on);
        [$events, $unreadEvents] = $this->events->of($document, $on);
        [$seen, $unreadSeen] = $this->seen($document, $on);
        [$gates, $unreadGates] = $this->gates($document, $on);
        $logs = LogList::of($document->raw('sessions'), $this->catalogue, $on);
        $wanted = $document->ids('wanted');
        $known = array_values(array_filter($wanted, fn (string $id): bool => isset($this->catalogue->postures()[$id])));
        $unread = $tests->unread;
        foreach (array_diff($wanted, $known) as $id) {
            $unread[] = [
                'wanted' => $id,
                'code' => 'unknown-pose',
                'because' => sprintf('There is no pose "%s".', $id),
            ];
        }
        array_push($unread, ...$unreadEvents);
        if ($document->has('school') && !isset($this->catalogue->all(Kind::School)[$document->text('school')])) {
            $unread[] = [
                'school' => $document->text('school'),
                'code' => 'unknown-school',
                'because' => sprintf('There is no school "%s".', $document->text('school')),
            ];
        }
        // A document has one body, and nobody says since when: as long as anything it tells of.
        $ever = new \DateTimeImmutable('@0');
        $body = new BodyMeasured('body', $ever, $ever, '', $proportions);
        $history = new History(
            [
                $body,
                $this->purposes($document, $on, $unread),
                ...$events,
                ...$tests->entries,
                ...$seen,
                ...$gates,
                ...$logs->entries,
                ...$this->elsewhere($document, $on, $unread),
            ],
            ToolErrors::usual(),
        );
        // Whatever the document says was known by the end of its day.
        $person =
            (new ReadHistory($this->catalogue->postures(), $this->catalogue->tests()))->snapshot($history, $on) ??
            throw InvalidValue::missing('body');

        return new ReadDocument(
            new ReadPoses($this->catalogue->postures(), $person, $this->catalogue->tests()),
            $history,
            $known,
            [...$unread, ...$unreadSeen, ...$unreadGates, ...$logs->unread],
        );
    }

    /**
     * What was done elsewhere: [{"kind": "lesson", "minutes": 75, "on": "2026-03-01"}].
     *
     * @param list<array<string, mixed>> $unread
     *
     * @return list<DoneElsewhere>
     */
    private function elsewhere(Fields $document, \DateTimeImmutable $today, array &$unread): array
    {
        $done = [];
        $list = $document->raw('elsewhere') ?? [];
        foreach (is_array($list) && array_is_list($list) ? $list : [$list] as $i => $raw) {
            try {
                $fields = Fields::of($raw, "elsewhere[$i]");
                $on = $fields->has('on') ? Day::of('on', $fields->text('on')) : $today;
                $on <= $today || throw InvalidValue::because('on', 'has not been yet.');
                $kind =
                    ElsewhereKind::tryFrom($fields->text('kind')) ??
                    throw InvalidValue::because(
                        'kind',
                        'is one of '.implode(', ', array_column(ElsewhereKind::cases(), 'value')).'.',
                    );
                $what = new Elsewhere($kind, (int) $fields->number('minutes'), $on);
                $done[] = new DoneElsewhere("elsewhere[$i]", $on, $on, '', $what);
            } catch (InvalidValue $e) {
                $unread[] = ['elsewhere' => "elsewhere[$i]", 'code' => 'bad-input', 'because' => $e->getMessage()];
            }
        }

        return $done;
    }

    /**
     * What the wanted poses are for: {"pigeon": "back-of-hip"}.
     *
     * @param list<array<string, mixed>> $unread
     */
    private function purposes(Fields $document, \DateTimeImmutable $on, array &$unread): PosesWanted
    {
        $purposes = [];
        $raw = $document->raw('purposes');
        foreach (is_array($raw) ? $raw : [] as $pose => $purpose) {
            $known = is_string($purpose) ? Purpose::tryFrom($purpose) : null;
            if (null !== $known) {
                $purposes[(string) $pose] = $known;
            } else {
                $unread[] = [
                    'purpose' => (string) $pose,
                    'code' => 'unknown-purpose',
                    'because' => sprintf('There is no such purpose of "%s".', $pose),
                ];
            }
        }

        return new PosesWanted('wanted', $on, $on, '', $purposes);
    }

    /**
     * @return array{list<Entry>, list<array<string, string>>} what was seen, with what hurt; and what could not be read
     */
    private function seen(Fields $document, \DateTimeImmutable $today): array
    {
        $entries = $unread = [];
        $list = $document->raw('seen') ?? [];
        foreach (is_array($list) && array_is_list($list) ? $list : [$list] as $i => $raw) {
            $said = PainFields::inUnreadable(FreeWords::without($raw));
            $id = Fields::textIn($raw, 'id', "seen[$i]");
            $posture = Fields::textIn($raw, 'posture');
            $rung = Fields::textIn($raw, 'rung');
            $definition = $this->catalogue->rung($posture, $rung);
            $on = $today;
            $sides = [Side::tryFrom(Fields::textIn($raw, 'side'))];
            try {
                $fields = Fields::of($raw, "seen[$i]");
                $on = $fields->has('on') ? Day::of('on', $fields->text('on')) : $today;
                $sides =
                    'both' === $fields->text('side')
                        ? Side::cases()
                        : [
                            Side::tryFrom($fields->text('side')) ??
                            throw InvalidValue::because('side', 'must be left, right or both.'),
                        ];
                null !== $definition
                    || throw InvalidValue::because("seen[$i]", sprintf('names no rung "%s" of "%s".', $rung, $posture));
                $on <= $today || throw InvalidValue::because('on', 'is in the future.');
                $heights = [];
                foreach ($fields->has('values') ? $fields->object('values')->names() : [] as $name) {
                    $heights[$name] = $fields->object('values')->number($name);
                }
                foreach ($sides as $side) {
                    $entries[] = new RungSeen(
                        $id,
                        $on,
                        $on,
                        '',
                        $posture,
                        $rung,
                        $side,
                        CleanFields::of($fields),
                        self::worst($said),
                        $heights,
                        $fields->flag('hangs'),
                        null,
                    );
                }
            } catch (InvalidValue $e) {
                $unread[] = [
                    'seen' => "$posture $rung",
                    'code' => 'bad-input',
                    'because' => $e->getMessage().([] === $said ? '' : ' What it says of pain holds all the same.'),
                ];
            }
            foreach ($said as $pain) {
                foreach ($sides as $side) {
                    $entries[] = new PainTold(
                        $id,
                        min($on, $today),
                        $on,
                        $pain,
                        $side,
                        $definition?->work,
                        $posture,
                        $rung,
                    );
                }
            }
        }

        return [$entries, $unread];
    }

    /** @return array{list<Entry>, list<array<string, string>>} */
    private function gates(Fields $document, \DateTimeImmutable $today): array
    {
        $entries = $unread = [];
        $list = $document->raw('gates') ?? [];
        foreach (is_array($list) && array_is_list($list) ? $list : [$list] as $i => $raw) {
            $said = PainFields::inUnreadable(FreeWords::without($raw));
            $side = Side::tryFrom(Fields::textIn($raw, 'side'));
            foreach ($said as $pain) {
                $entries[] = new PainTold("gates[$i]", $today, $today, $pain, $side);
            }
            try {
                $fields = Fields::of($raw, "gates[$i]");
                $on = $fields->has('on') ? Day::of('on', $fields->text('on')) : $today;
                isset($this->catalogue->tests()[$fields->text('gate')])
                    || throw InvalidValue::because('gate', sprintf('"%s" is not known.', $fields->text('gate')));
                $on <= $today || throw InvalidValue::because('on', 'is in the future.');
                foreach (
                    'both' === $fields->text('side', 'both')
                        ? Side::cases()
                        : [$side ?? throw InvalidValue::because('side', 'must be left, right or both.')] as $one
                ) {
                    $entries[] = new GateAnswered(
                        "gates[$i]",
                        $on,
                        $on,
                        '',
                        $fields->text('gate'),
                        $one,
                        $fields->flag('met'),
                        self::worst($said),
                    );
                }
            } catch (InvalidValue $e) {
                $unread[] = [
                    'gate' => Fields::textIn($raw, 'gate'),
                    'code' => 'bad-input',
                    'because' => $e->getMessage(),
                ];
            }
        }

        return [$entries, $unread];
    }

    /**
     * What spoils it, of all that was said with one thing.
     *
     * @param list<Pain> $said
     */
    private static function worst(array $said): Pain
    {
        return array_values(array_filter($said, static fn (Pain $pain): bool => $pain->spoils()))[0] ??
            ($said[0] ?? Pain::none());
    }
}
