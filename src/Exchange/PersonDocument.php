<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Person\SeenInTests;
use LucidAscent\App\Person\SeenReadings;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day as CalendarDay;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\Observed;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\TakenTest;
use Psr\Clock\ClockInterface;

/** A whole person out of one JSON document; a part that cannot be read is named, and spoils no other. */
final readonly class PersonDocument
{
    public function __construct(private Catalogue $catalogue, private EventList $events, private SeenInTests $seenInTests, private SeenReadings $seenReadings, private ClockInterface $clock)
    {
    }

    /**
     * @return array{ReadPoses, list<string>, list<array<string, mixed>>} the person, the wanted poses that there are, and what could not be read
     *
     * @throws InvalidValue when the document has no body, no tests, or no day
     */
    public function read(Fields $document): array
    {
        $on = $document->has('on') ? Day::of('on', $document->text('on')) : CalendarDay::midnight($this->clock->now());
        $proportions = PersonBody::of($document->object('body'));
        $tests = TestList::of($document->list('tests'), $proportions, $this->catalogue->tests(), $on);
        [$entries, $unreadEvents] = $this->events->of($document, $on);
        $unread = $tests->unread;
        [$seen, $pains, $unreadSeen] = $this->seen($document, $on);
        [$observed, $unreadGates, $gatePains] = $this->gates($document, $on);
        $logs = LogList::of($document->raw('sessions'), $this->catalogue, $on);
        $entries = [...$entries, ...$tests->pains, ...$pains, ...$gatePains, ...$logs->entries];
        $taken = array_column($tests->taken, 1);
        usort($taken, static fn (TakenTest $a, TakenTest $b): int => $b->on <=> $a->on);
        $seen = [...$seen, ...$logs->seen, ...$this->seenInTests->of($taken)];
        $wanted = self::ids($document, 'wanted');
        $known = array_values(array_filter($wanted, fn (string $id): bool => isset($this->catalogue->postures()[$id])));
        foreach (array_diff($wanted, $known) as $id) {
            $unread[] = ['wanted' => $id, 'code' => 'unknown-pose', 'because' => sprintf('There is no pose "%s".', $id)];
        }
        array_push($unread, ...$unreadEvents);
        if ($document->has('school') && !isset($this->catalogue->all(Kind::School)[$document->text('school')])) {
            $unread[] = ['school' => $document->text('school'), 'code' => 'unknown-school', 'because' => sprintf('There is no school "%s".', $document->text('school'))];
        }
        $person = new Snapshot(
            $proportions,
            $this->evidence($tests, $seen, $proportions),
            // Whatever the document says was known by the end of its day.
            Holds::of($entries, $on),
            $taken,
            $on,
            $seen,
            $logs->checks,
            [],
            [...$observed, ...$tests->observed],
        );

        return [new ReadPoses($this->catalogue->postures(), $person, $this->catalogue->tests()), $known, [...$unread, ...$unreadSeen, ...$unreadGates, ...$logs->unread]];
    }

    /**
     * What is no id stands for itself, so that it can be named among what nobody knows.
     *
     * @return list<string>
     *
     * @throws InvalidValue when it is there, and no list
     */
    public static function ids(Fields $document, string $name): array
    {
        $ids = [];
        foreach ($document->has($name) ? $document->list($name) : [] as $one) {
            $ids[] = match (true) {
                is_string($one) => $one,
                is_array($one) && is_string($one['id'] ?? null) => $one['id'],
                default => (string) json_encode($one),
            };
        }

        return array_values(array_unique($ids));
    }

    /**
     * @param list<Seen> $seen
     *
     * @return array{left: list<\LucidAscent\Core\Testing\Evidence>, right: list<\LucidAscent\Core\Testing\Evidence>}
     */
    private function evidence(TestList $tests, array $seen, Proportions $proportions): array
    {
        $evidence = $tests->evidence;
        foreach (Side::cases() as $side) {
            array_push($evidence[$side->value], ...$this->seenReadings->of($seen, $proportions, $side));
        }

        return $evidence;
    }

    /** @return array{list<Seen>, list<PainTold>, list<array<string, string>>} what was seen, what hurt, what could not be read */
    private function seen(Fields $document, \DateTimeImmutable $today): array
    {
        $seen = $pains = $unread = [];
        $list = $document->raw('seen') ?? [];
        foreach (is_array($list) && array_is_list($list) ? $list : [$list] as $i => $raw) {
            $said = PainFields::inUnreadable($raw);
            $posture = Fields::textIn($raw, 'posture');
            $rung = Fields::textIn($raw, 'rung');
            $definition = $this->catalogue->rung($posture, $rung);
            $on = $today;
            $sides = [Side::tryFrom(Fields::textIn($raw, 'side'))];
            try {
                $fields = Fields::of($raw, "seen[$i]");
                $on = $fields->has('on') ? Day::of('on', $fields->text('on')) : $today;
                $sides = 'both' === $fields->text('side') ? Side::cases() : [Side::tryFrom($fields->text('side')) ?? throw InvalidValue::because('side', 'must be left, right or both.')];
                null !== $definition || throw InvalidValue::because("seen[$i]", sprintf('names no rung "%s" of "%s".', $rung, $posture));
                $on <= $today || throw InvalidValue::because('on', 'has not been yet.');
                $values = [];
                foreach ($fields->has('values') ? $fields->object('values')->names() : [] as $name) {
                    $values[$name] = $fields->object('values')->number($name);
                }
                foreach ($sides as $side) {
                    $seen[] = new Seen($posture, $rung, $side, $fields->flag('clean') && [] === $said, $on, null, $values, $fields->flag('hangs'));
                }
            } catch (InvalidValue $e) {
                $unread[] = ['seen' => "$posture $rung", 'code' => 'bad-input', 'because' => $e->getMessage().([] === $said ? '' : ' What it says of pain holds all the same.')];
            }
            foreach ($said as $pain) {
                foreach ($sides as $side) {
                    $pains[] = new PainTold(Fields::textIn($raw, 'id', "seen[$i]"), min($on, $today), $on, $pain, $side, $definition?->work, $posture, $rung);
                }
            }
        }

        return [$seen, $pains, $unread];
    }

    /** @return array{list<Observed>, list<array<string, string>>, list<PainTold>} */
    private function gates(Fields $document, \DateTimeImmutable $today): array
    {
        $observed = $unread = $pains = [];
        $list = $document->raw('gates') ?? [];
        foreach (is_array($list) && array_is_list($list) ? $list : [$list] as $i => $raw) {
            $said = PainFields::inUnreadable($raw);
            $side = Side::tryFrom(Fields::textIn($raw, 'side'));
            foreach ($said as $pain) {
                $pains[] = new PainTold("gates[$i]", $today, $today, $pain, $side);
            }
            try {
                $fields = Fields::of($raw, "gates[$i]");
                $on = $fields->has('on') ? Day::of('on', $fields->text('on')) : $today;
                isset($this->catalogue->tests()[$fields->text('gate')]) || throw InvalidValue::because('gate', sprintf('"%s" is not known.', $fields->text('gate')));
                $on <= $today || throw InvalidValue::because('on', 'has not been yet.');
                foreach ('both' === $fields->text('side', 'both') ? Side::cases() : [$side ?? throw InvalidValue::because('side', 'must be left, right or both.')] as $one) {
                    $observed[] = new Observed($fields->text('gate'), $one, $fields->flag('met') && [] === $said, $on);
                }
            } catch (InvalidValue $e) {
                $unread[] = ['gate' => Fields::textIn($raw, 'gate'), 'code' => 'bad-input', 'because' => $e->getMessage()];
            }
        }

        return [$observed, $unread, $pains];
    }
}
