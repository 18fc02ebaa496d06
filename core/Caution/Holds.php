<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;

/**
 * The one judge of what is held: out of all entries up to a moment, in any order.
 *
 * Nothing but a word in writing that names an entry, given after it by somebody who may, ends what it
 * holds; better news does not. What a word has lifted asks for tests first. An entry whose own day lies
 * ahead of the clock holds at once, and lifts nothing until that day.
 */
final readonly class Holds
{
    /** A teacher's own word counts this many days later. */
    public const DAYS_APART = 2;
    /** The same again within so long is a clinician's. */
    private const AGAIN = 'P1M';

    /**
     * @param list<Hold> $active
     * @param list<Hold> $cleared lifted by a word, whole or in part: tests come first. What a part leaves is active
     * @param list<EnteredByMistake> $mistakes
     * @param list<Hold> $ended by the calendar: they hold no more, and did in their time
     */
    private function __construct(
        public array $active,
        public array $cleared,
        public array $mistakes,
        public array $ended,
    ) {
    }

    public static function none(): self
    {
        return new self([], [], [], []);
    }

    /** @return list<Hold> of conditions that were told, and that no word has ended */
    public function told(): array
    {
        return array_values(
            array_filter($this->active, static fn (Hold $hold): bool => $hold->entry instanceof ConditionTold),
        );
    }

    /** @return list<string> of those conditions */
    public function toldIds(): array
    {
        return array_values(
            array_unique(array_map(static fn (Hold $hold): string => $hold->holds->id, $this->told())),
        );
    }

    /** @param iterable<Entry> $entries of one person */
    public static function of(iterable $entries, \DateTimeImmutable $now): self
    {
        $known = [];
        foreach ($entries as $entry) {
            if ($entry->at() <= $now) {
                $known[] = $entry;
            }
        }
        $mistakes = array_values(
            array_filter($known, static fn (Entry $entry): bool => $entry instanceof EnteredByMistake),
        );
        // A slip takes back one telling; the same told at another time stands.
        $counting = self::asToldLast(
            array_values(array_filter($known, static fn (Entry $entry): bool => !self::isTakenBack($entry, $mistakes))),
        );
        // The oldest first, in whatever order they came.
        $order = static fn (Entry $a, Entry $b): int => [$a->at(), $a->id()] <=> [$b->at(), $b->id()];
        usort($mistakes, $order);
        usort($counting, $order);
        $clearances = array_values(
            array_filter(
                $counting,
                static fn (Entry $entry): bool => $entry instanceof ClearanceGiven
                    && !self::isAhead($entry->on(), $now),
            ),
        );
        $active = $cleared = $ended = [];
        $told = self::onceADay($counting);
        foreach ($counting as $entry) {
            $hold = self::hold($entry, $told);
            if (null === $hold) {
                continue;
            }
            if ($entry instanceof ConditionTold && self::isOver($entry, $now)) {
                $ended[] = $hold;
                continue;
            }
            $word = self::lifting($hold, $clearances);
            if (null === $word || $word->allows->isNothing) {
                $active[] = $hold;
                continue;
            }
            $cleared[] = $hold->clearedBy($word);
            if (!$word->allows->isAll()) {
                $active[] = $hold->leftBy($word);
            }
        }

        return new self($active, $cleared, $mistakes, $ended);
    }

    /** @return list<Hold> why this may not be done on this side; nothing when it may */
    public function on(Work $work, Side $side): array
    {
        return array_values(
            array_filter($this->active, static fn (Hold $hold): bool => $hold->holds($work, $side)),
        );
    }

    /** @return list<Hold> what was lifted, and still asks for tests before this is done beyond a gentle rung */
    public function clearedOn(Work $work, Side $side): array
    {
        return array_values(
            array_filter($this->cleared, static fn (Hold $hold): bool => $hold->asksTests($work, $side)),
        );
    }

    /** From when on work shows anything again, since a word lifted what held it; null when none did. */
    public function cutOff(Work $work, Side $side): ?EvidenceCutOff
    {
        $cutOffs = array_filter(
            array_map(static fn (Hold $hold): ?EvidenceCutOff => $hold->cutOff(), $this->clearedOn($work, $side)),
        );
        usort($cutOffs, static fn (EvidenceCutOff $a, EvidenceCutOff $b): int => $b->moment <=> $a->moment);

        return $cutOffs[0] ?? null;
    }

    /** Whether nothing at all is left on a side. */
    public function isWholeSideHeld(Side $side): bool
    {
        return [] !==
            array_filter(
                $this->active,
                static fn (Hold $hold): bool => $hold->isOn($side) && $hold->holds->isOfEverything(),
            );
    }

    /**
     * How far words in writing let a side go where they allow a part.
     *
     * @return array<string, float> degrees by ability
     */
    public function limits(Side $side): array
    {
        $limits = new Allowance();
        foreach ($this->active as $hold) {
            if ($hold->isOn($side) && null !== $hold->holds->allowed) {
                $limits = $limits->and($hold->holds->allowed);
            }
        }

        return $limits->upTo;
    }

    /** @return list<Hold> what a word names, and does not lift even in part */
    public function notLiftedBy(ClearanceGiven $word): array
    {
        return array_values(
            array_filter(
                $this->active,
                static fn (Hold $hold): bool => in_array($hold->id(), $word->names, true)
                    && $hold->cleared?->id !== $word->id,
            ),
        );
    }

    public function find(string $id): ?Hold
    {
        foreach ([...$this->active, ...$this->cleared] as $hold) {
            if ($hold->id() === $id) {
                return $hold;
            }
        }

        return null;
    }

    /**
     * The changes that conditions ask for in work that they do not hold.
     *
     * @return list<string>
     */
    public function changes(Work $work, Side $side): array
    {
        $changes = [];
        foreach ($this->active as $hold) {
            foreach ($hold->isOn($side) ? $work->loads : [] as $load) {
                if (isset($hold->holds->changes[$load])) {
                    $changes[] = $hold->holds->changes[$load];
                }
            }
        }

        return array_values(array_unique($changes));
    }

    /**
     * Whether work that may be done on a side keeps to the hold with which it begins: after pain or a stop there, with
     * a condition that leaves gentle work alone, or one that has this work done otherwise.
     *
     * @param Side|null $side null for both at once
     */
    public function keepsShort(Work $work, ?Side $side): bool
    {
        foreach ($work->leavesLegsLong() ? [] : $this->active as $hold) {
            if ($hold->holds->isForStrength() && $hold->holds->isBeside($work)) {
                continue;
            }
            if (
                (null === $side || $hold->isOn($side))
                && (!($hold->entry instanceof ConditionTold)
                    || $hold->holds->isGentleOnly()
                    || [] !== array_intersect_key($hold->holds->changes, array_flip($work->loads)))
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * A condition of a side that was told more than once under one name is one: until the latest day that was said, and
     * in free words with all that it was said to touch.
     *
     * @param list<Entry> $entries
     *
     * @return list<Entry>
     */
    private static function asToldLast(array $entries): array
    {
        $tellings = $others = [];
        foreach ($entries as $entry) {
            if ($entry instanceof ConditionTold) {
                $tellings[$entry->id.' '.$entry->condition->id.' '.($entry->side->value ?? '')][] = $entry;
            } else {
                $others[] = $entry;
            }
        }
        foreach ($tellings as $told) {
            usort($told, static fn (ConditionTold $a, ConditionTold $b): int => $a->at <=> $b->at);
            $last = array_shift($told);
            foreach ($told as $next) {
                $last = $next->after($last);
            }
            $others[] = $last;
        }

        return $others;
    }

    /**
     * What an entry holds, lifted or not; null when it holds nothing.
     *
     * @param list<PainTold|StopDecided> $told that holds
     */
    private static function hold(Entry $entry, array $told): ?Hold
    {
        if ($entry instanceof PainTold) {
            $rule = PainRule::of($entry->pain, $entry->side, $entry->during);
            if (null === $rule) {
                return null;
            }
            $word = self::isAgain($entry, $told) ? ClearanceAuthority::Clinician : $rule->word;

            return new Hold(
                $entry,
                $rule->holds,
                $rule->side,
                $word,
                ClearanceAuthority::Teacher === $word ? self::earliest($entry) : null,
                posture: $entry->posture,
                rung: $entry->rung,
            );
        }
        if ($entry instanceof StopDecided) {
            $word =
                $entry->isPainless && !self::isAgain($entry, $told)
                    ? ClearanceAuthority::Teacher
                    : ClearanceAuthority::Clinician;

            return new Hold(
                $entry,
                Condition::everything(
                    'stopped',
                    'Stopped by decision',
                    null === $entry->side ? Exemption::LyingRest : Exemption::Nothing,
                ),
                $entry->side,
                $word,
                ClearanceAuthority::Teacher === $word ? self::earliest($entry) : null,
                posture: $entry->posture,
                rung: $entry->rung,
            );
        }
        if ($entry instanceof ConditionTold) {
            return new Hold(
                $entry,
                $entry->condition,
                $entry->side,
                match (true) {
                    Ending::Never === $entry->condition->ending,
                    Ending::Read === $entry->condition->ending,
                    Ending::Birthday === $entry->condition->ending,
                    Ending::Day === $entry->condition->ending => null,
                    null !== $entry->condition->months => ClearanceAuthority::Teacher,
                    default => ClearanceAuthority::Clinician,
                },
                null === $entry->condition->months
                    ? null
                    : $entry->on->add(new \DateInterval("P{$entry->condition->months}M")),
            );
        }

        return null;
    }

    /**
     * The newest word about it; of several at one moment what all of them allow. That nothing is allowed anybody may
     * say.
     *
     * @param list<ClearanceGiven> $clearances
     */
    private static function lifting(Hold $hold, array $clearances): ?ClearanceGiven
    {
        $lifting = array_filter(
            $clearances,
            static fn (ClearanceGiven $one): bool => in_array($hold->id(), $one->names, true)
                && ($one->allows->isNothing || self::lifts($one, $hold)),
        );
        usort($lifting, static fn (ClearanceGiven $a, ClearanceGiven $b): int => $b->at <=> $a->at);
        $newest = array_shift($lifting);
        foreach ($lifting as $other) {
            if (null !== $newest && 0 === ($other->at <=> $newest->at)) {
                $newest = $newest->allowing($newest->allows->and($other->allows));
            }
        }

        return $newest;
    }

    private static function lifts(ClearanceGiven $clearance, Hold $hold): bool
    {
        $entry = $hold->entry;
        if (
            null === $hold->word
            || $clearance->at < $entry->at()
            || Day::of($clearance->on) < Day::of($entry->on())
        ) {
            return false;
        }
        // A dated condition needs the time to have gone by, unless a clinician says otherwise.
        if (ClearanceAuthority::Clinician === $clearance->word) {
            return true;
        }
        if (
            ClearanceAuthority::Teacher !== $hold->word
            || (null !== $hold->earliest && Day::of($clearance->on) < Day::of($hold->earliest))
        ) {
            return false;
        }

        return $entry instanceof ConditionTold
            || ($clearance->isAsked && (!($entry instanceof StopDecided) || $entry->by === $clearance->teacher));
    }

    /** @param list<EnteredByMistake> $mistakes */
    private static function isTakenBack(Entry $entry, array $mistakes): bool
    {
        foreach ($mistakes as $mistake) {
            if (
                $mistake->names === $entry->id()
                && '' !== trim($mistake->why)
                && EnteredByMistake::mayTakeBack($entry, $mistake->by, $mistake->at)
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * Pains and stops that hold: of one day, place and side one stands for all, however often it was told.
     *
     * @param list<Entry> $entries
     *
     * @return list<PainTold|StopDecided>
     */
    private static function onceADay(array $entries): array
    {
        $told = [];
        foreach ($entries as $entry) {
            if (
                $entry instanceof StopDecided
                || ($entry instanceof PainTold
                    && null !== PainRule::of($entry->pain, $entry->side, $entry->during))
            ) {
                $place = $entry instanceof PainTold ? $entry->pain->place->value : 'stop';
                $told[Day::of($entry->on)." $place ".($entry->side->value ?? '')] ??= $entry;
            }
        }

        return array_values($told);
    }

    /**
     * Whether the same was said within a month before, on another day.
     *
     * @param list<PainTold|StopDecided> $told
     */
    private static function isAgain(PainTold|StopDecided $entry, array $told): bool
    {
        foreach ($told as $other) {
            // Where nobody said on which side it was, it may have been on this one.
            $isSame =
                self::isOneSide($other, $entry)
                && ($entry instanceof StopDecided
                    ? $other instanceof StopDecided
                    : $other instanceof PainTold
                        && self::isOnePlace($other->pain->place, $entry->pain->place));
            if (
                $isSame
                && Day::of($other->on()) < Day::of($entry->on)
                && Day::of($other->on()) >= Day::of($entry->on->sub(new \DateInterval(self::AGAIN)))
            ) {
                return true;
            }
        }

        return false;
    }

    private static function isOneSide(PainTold|StopDecided $one, PainTold|StopDecided $other): bool
    {
        return null === $one->side || null === $other->side || $one->side === $other->side;
    }

    /** A knee is one place, whatever part of it is named. */
    private static function isOnePlace(PainPlace $one, PainPlace $other): bool
    {
        return $one === $other || ($one->isKnee() && $other->isKnee());
    }

    private static function earliest(Entry $entry): \DateTimeImmutable
    {
        return $entry->on()->add(new \DateInterval('P'.self::DAYS_APART.'D'));
    }

    private static function isOver(ConditionTold $entry, \DateTimeImmutable $now): bool
    {
        $last = $entry->lastDay();

        return null !== $last && Day::of($last) < Day::of($now);
    }

    private static function isAhead(\DateTimeImmutable $on, \DateTimeImmutable $now): bool
    {
        return Day::of($on) > Day::of($now);
    }
}
