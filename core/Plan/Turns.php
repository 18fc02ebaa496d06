<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * Whose turn it is: the theme of a session, its drills and remedies, and what has to wait for its day after deep work.
 */
final class Turns
{
    /** So many of the gentle shapes take turns in coming first. */
    private const FIRST = 4;

    /** @var array<string, \DateTimeImmutable> the last deep work, by component */
    private array $lastDeep = [];

    public function __construct(private readonly Candidates $candidates)
    {
    }

    /** What is deep loads its components until the school's days are over. */
    public function work(Candidate $candidate, \DateTimeImmutable $on): void
    {
        foreach ($candidate->isDeep() ? $candidate->components : [] as $component) {
            $this->lastDeep[$component] = $on;
        }
    }

    public function tooSoon(Candidate $candidate, \DateTimeImmutable $on, Dose $dose): ?Reason
    {
        $isTooSoon =
            $candidate->isDeep()
            && [] !==
                array_filter(
                    $candidate->components,
                    fn (string $component): bool => isset($this->lastDeep[$component])
                        && 0 !== ($days = Day::between($this->lastDeep[$component], $on))
                        && $days < $dose->daysApart,
                );

        return $isTooSoon ? new Reason('plan.unused-apart', Source::Trade, ['days' => $dose->daysApart]) : null;
    }

    /** The wanted poses take turns; one that has to wait for its day leaves the turn to the next. */
    public function theme(int $turn, \DateTimeImmutable $on, Dose $dose): ?string
    {
        $wanted = array_values(
            array_filter($this->candidates->list, static fn (Candidate $candidate): bool => $candidate->isWanted()),
        );
        foreach (self::round($wanted, $turn) as $candidate) {
            if (null === $this->tooSoon($candidate, $on, $dose)) {
                return $candidate->posture;
            }
        }

        return null;
    }

    /** @return \Generator<Candidate> all remedies, beginning with one of the first */
    public function remedies(int $turn): \Generator
    {
        return self::from($turn, $this->candidates->remedy(...));
    }

    /** @return \Generator<Candidate> all that keeps the rest of the body going, likewise */
    public function whole(int $turn): \Generator
    {
        return self::from($turn, $this->candidates->whole(...));
    }

    /**
     * @param callable(int): ?Candidate $at
     *
     * @return \Generator<Candidate>
     */
    private static function from(int $turn, callable $at): \Generator
    {
        $first = $turn % self::FIRST;
        for ($i = $first; null !== ($candidate = $at($i)); ++$i) {
            yield $candidate;
        }
        for ($i = 0; $i < $first && null !== ($candidate = $at($i)); ++$i) {
            yield $candidate;
        }
    }

    /**
     * What the teacher wants first; then another one first each time.
     *
     * @return list<Candidate>
     */
    public function drills(int $turn): array
    {
        return [
            ...array_values(array_filter($this->candidates->drills, self::isPinned(...))),
            ...self::round(
                array_values(
                    array_filter(
                        $this->candidates->drills,
                        static fn (Candidate $drill): bool => !self::isPinned($drill),
                    ),
                ),
                $turn,
            ),
        ];
    }

    /** Whether the teacher wants it. */
    public static function isPinned(Candidate $drill): bool
    {
        return in_array(Wish::Pinned, $drill->wishes, true);
    }

    /**
     * @template T
     *
     * @param list<T> $candidates
     *
     * @return list<T> another one first each time
     */
    public static function round(array $candidates, int $turn): array
    {
        $from = [] === $candidates ? 0 : $turn % count($candidates);

        return [...array_slice($candidates, $from), ...array_slice($candidates, 0, $from)];
    }
}
