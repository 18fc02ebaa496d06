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
    /** So many remedies take turns in coming first. */
    private const REMEDIES = 4;

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
        $from = $turn % self::REMEDIES;
        for ($at = $from; null !== ($candidate = $this->candidates->remedy($at)); ++$at) {
            yield $candidate;
        }
        for ($at = 0; $at < $from && null !== ($candidate = $this->candidates->remedy($at)); ++$at) {
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
        $isPinned = static fn (Candidate $drill): bool => in_array(Wish::Pinned, $drill->wishes, true);

        return [
            ...array_values(array_filter($this->candidates->drills, $isPinned)),
            ...self::round(
                array_values(
                    array_filter(
                        $this->candidates->drills,
                        static fn (Candidate $drill): bool => !$isPinned($drill),
                    ),
                ),
                $turn,
            ),
        ];
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate> another one first each time
     */
    private static function round(array $candidates, int $turn): array
    {
        $from = [] === $candidates ? 0 : $turn % count($candidates);

        return [...array_slice($candidates, $from), ...array_slice($candidates, 0, $from)];
    }
}
