<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Posture\Purpose;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\ClosedTime;
use LucidAscent\Core\Practice\Decided;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Practice\Felt;
use LucidAscent\Core\Practice\FeltOnRung;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Restart;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\ToolErrors;

/** Everything about a person that readiness rests on, on one day. */
final class Snapshot
{
    /** @var array<string, Capacities> */
    private array $capacities = [];
    public readonly Legs $legs;
    /** @var array<string, list<Seen>>|null by posture, rung and side */
    private ?array $tries = null;
    /** @var array<string, list<Felt>>|null by posture and rung */
    private ?array $feltByShape = null;

    /**
     * @param array{left: list<Evidence>, right: list<Evidence>} $evidence
     * @param list<TakenTest> $taken the newest first
     * @param list<Seen> $seen
     * @param array<string, list<ReadinessCheck>> $checks by posture and side: "half-lotus left"
     * @param array<string, list<Decided>> $decided likewise
     * @param list<Observed> $observed answers to gates
     * @param ToolErrors|null $tools the teacher's own; the usual ones where there are none
     * @param Legs|null $legs what was reckoned of the same body before
     * @param (\Closure(\DateTimeImmutable): ?self)|null $before the same person as known just before a moment; null
     *     where nothing is known of it
     * @param list<Felt> $felt where shapes were felt
     * @param array<string, Purpose> $purposes what poses are wanted for, by posture
     * @param list<Elsewhere> $elsewhere what was done elsewhere
     * @param array<string, true> $withTeacher what was tried while a teacher was there: "pigeon slanted left"
     */
    public function __construct(
        public readonly Proportions $proportions,
        public readonly array $evidence,
        public readonly Holds $holds,
        public readonly array $taken,
        public readonly \DateTimeImmutable $on,
        public readonly array $seen = [],
        public readonly array $checks = [],
        public readonly array $decided = [],
        public readonly array $observed = [],
        public readonly ?ToolErrors $tools = null,
        ?Legs $legs = null,
        private readonly ?\Closure $before = null,
        private readonly array $felt = [],
        public readonly array $purposes = [],
        public readonly array $elsewhere = [],
        private readonly array $withTeacher = [],
    ) {
        $this->legs = $legs ?? new Legs();
    }

    /** Whether nothing was measured, seen, checked or asked of what this body can do. */
    public function isUntested(): bool
    {
        return [] === [...$this->taken, ...$this->seen, ...array_values($this->checks), ...$this->observed];
    }

    /** @param EvidenceCutOff|null $since what is known from readings after a moment alone */
    public function capacities(Side $side, ?EvidenceCutOff $since = null): Capacities
    {
        return $this->capacities[
            $side->value.(null === $since ? '' : ' '.$since->moment->format('U.u').Day::of($since->day))
        ] ??= Capacities::of(
            null === $since
                ? $this->evidence[$side->value]
                : array_filter(
                    $this->evidence[$side->value],
                    static fn (Evidence $e): bool => $since->isBefore($e->on, $e->at),
                ),
            $this->proportions->error($side),
            $this->on,
            $this->holds->limits($side),
        );
    }

    /** The newest reading of a test on a side that is not too old. */
    public function newest(string $test, Side $side): ?TakenTest
    {
        foreach ($this->taken as $taken) {
            if ($taken->test === $test && $taken->side === $side && !$this->isTooOld($taken->on)) {
                return $taken;
            }
        }

        return null;
    }

    /** The newest try of a rung that is not too old; of two on one day the worse. */
    public function seen(string $posture, string $rung, Side $side, ?EvidenceCutOff $since = null): ?Seen
    {
        $newest = null;
        foreach ($this->tries($posture, $rung, $side, $since) as $seen) {
            $order = null === $newest ? 1 : Day::of($seen->on) <=> Day::of($newest->on);
            if ($order > 0 || (0 === $order && !$seen->isClean)) {
                $newest = $seen;
            }
        }

        return $newest;
    }

    /**
     * Whether a rung was seen clean otherwise than in practice, and no newer try says otherwise.
     *
     * @param FeltOnRung|null $felt what was felt in it: while that keeps a side there, it leads no further, however
     *     clean it looked
     */
    public function hasBeenSeen(
        string $posture,
        string $rung,
        Side $side,
        ?EvidenceCutOff $since = null,
        ?FeltOnRung $felt = null,
    ): bool {
        return true === $this->seen($posture, $rung, $side, $since)?->isClean
            && [] !==
                array_filter(
                    $this->tries($posture, $rung, $side, $since),
                    static fn (Seen $seen): bool => $seen->isClean
                        && !$seen->isPractice
                        && true !== $felt?->keepsOn($seen->on),
                );
    }

    /** @return list<Seen> the tries of a rung that are not too old */
    private function tries(string $posture, string $rung, Side $side, ?EvidenceCutOff $since): array
    {
        if ([] === $this->seen) {
            return [];
        }
        if (null === $this->tries) {
            $this->tries = [];
            foreach ($this->seen as $seen) {
                if (!$this->isTooOld($seen->on)) {
                    $this->tries["$seen->posture $seen->rung {$seen->side->value}"][] = $seen;
                }
            }
        }
        $tries = $this->tries["$posture $rung $side->value"] ?? [];

        return null === $since
            ? $tries
            : array_values(
                array_filter($tries, static fn (Seen $seen): bool => $since->isBefore($seen->on, $seen->at)),
            );
    }

    /**
     * The rungs of a ladder that were passed by practice.
     *
     * @param array<string, Work> $ladder what each rung loads, by its id, from the ground up
     * @param list<Restart> $restarts
     * @param list<Ability> $isolated the abilities of the posture that some test isolates
     * @param array<string, FeltOnRung> $felt what was felt in each rung, by its id
     *
     * @return list<string>
     */
    public function passed(
        string $posture,
        Side $side,
        array $ladder,
        array $restarts,
        array $isolated,
        array $felt = [],
    ): array {
        return Passes::of(
            array_keys($ladder),
            $this->checks["$posture $side->value"] ?? [],
            $this->decided["$posture $side->value"] ?? [],
            $restarts,
            $this->closed($posture, $side, $ladder, $isolated),
            $this->on,
            array_keys(array_filter($ladder, static fn (Work $work): bool => $work->takesDays())),
            $felt,
        );
    }

    /** Whether anything of a ladder was ever practised, or decided. */
    public function hasPractised(string $posture, Side $side): bool
    {
        $of = "$posture $side->value";

        return [] !== ($this->checks[$of] ?? []) || [] !== ($this->decided[$of] ?? []);
    }

    /** Whether a shape was tried on a side, or on both, while a teacher was there. */
    public function hasTriedWithTeacher(string $posture, string $rung, ?Side $side): bool
    {
        foreach (null === $side ? Side::cases() : [$side] as $one) {
            if (!isset($this->withTeacher["$posture $rung $one->value"])) {
                return false;
            }
        }

        return true;
    }

    /** What was felt in a shape, as far as it is not too old. */
    public function felt(string $posture, RungDefinition $rung, Side $side): FeltOnRung
    {
        if (null === $this->feltByShape) {
            $this->feltByShape = [];
            foreach ($this->felt as $one) {
                if (!$this->isTooOld($one->on)) {
                    $this->feltByShape["$one->posture $one->rung"][] = $one;
                }
            }
        }

        return FeltOnRung::of(
            $this->feltByShape["$posture $rung->id"] ?? [],
            $posture,
            $rung->id,
            $side,
            $rung->felt,
        );
    }

    /** @return list<string> the rungs of a ladder that were practised on a day */
    public function workedOn(string $posture, Side $side, \DateTimeImmutable $day): array
    {
        return array_values(
            array_unique(
                array_map(
                    static fn (ReadinessCheck $check): string => $check->rung,
                    array_filter(
                        $this->checks["$posture $side->value"] ?? [],
                        static fn (ReadinessCheck $check): bool => $check->day() === Day::of($day),
                    ),
                ),
            ),
        );
    }

    /**
     * When rungs of a ladder were held.
     *
     * @param array<string, Work> $ladder what each rung loads, by its id, from the ground up
     * @param list<Ability> $isolated the abilities of the posture that some test isolates
     *
     * @return list<ClosedTime>
     */
    public function closed(string $posture, Side $side, array $ladder, array $isolated): array
    {
        return ClosedTime::all(
            $this->holds,
            $side,
            $ladder,
            fn (EvidenceCutOff $since, string $lowest): ?EvidenceCutOff => [] === $isolated
                ? $this->seenSince($posture, $lowest, $side, $since)
                : $this->readSince($side, $isolated, $since),
        );
    }

    /**
     * When all of some abilities had been read anew by a test that isolates them, since a word; null while one has not.
     *
     * @param list<Ability> $abilities
     */
    public function readSince(Side $side, array $abilities, EvidenceCutOff $since): ?EvidenceCutOff
    {
        $last = $since;
        foreach ($abilities as $ability) {
            $first = null;
            foreach ($this->evidence[$side->value] as $e) {
                if (
                    $e->ability === $ability
                    && $e->answersAWord()
                    && null !== $e->on
                    && $since->isBefore($e->on, $e->at)
                ) {
                    $read = new EvidenceCutOff($e->at ?? $e->on, $e->on);
                    $first = null === $first || $read->day < $first->day ? $read : $first;
                }
            }
            if (null === $first) {
                return null;
            }
            $last = $first->day > $last->day || $first->moment > $last->moment ? $first : $last;
        }

        return $last;
    }

    /** When a rung was first seen clean otherwise than in practice, since a word; null while it was not. */
    public function seenSince(string $posture, string $rung, Side $side, EvidenceCutOff $since): ?EvidenceCutOff
    {
        $first = null;
        foreach ($this->tries($posture, $rung, $side, $since) as $seen) {
            if ($seen->isClean && !$seen->isPractice && (null === $first || $seen->on < $first->day)) {
                $first = new EvidenceCutOff($seen->at ?? $seen->on, $seen->on);
            }
        }

        return $first;
    }

    /** When something that held a side was lifted last; null when nothing was. */
    public function liftedAt(Side $side): ?\DateTimeImmutable
    {
        $last = null;
        foreach ($this->holds->cleared as $hold) {
            $at = $hold->isOn($side) ? $hold->cleared?->at : null;
            $last = null === $at || (null !== $last && $last > $at) ? $last : $at;
        }

        return $last;
    }

    /** The newest answer to a gate that is not too old; null when nobody asked. */
    public function observed(string $gate, Side $side, ?EvidenceCutOff $since = null): ?bool
    {
        $newest = null;
        foreach ($this->observed as $answer) {
            if (
                $answer->gate !== $gate
                || $answer->side !== $side
                || $this->isTooOld($answer->on)
                || (null !== $since && !$since->isBefore($answer->on, $answer->at))
            ) {
                continue;
            }
            $order = null === $newest ? 1 : Day::of($answer->on) <=> Day::of($newest->on);
            if ($order > 0 || (0 === $order && !$answer->isMet)) {
                $newest = $answer;
            }
        }

        return $newest?->isMet;
    }

    /** One SD of a value as a test read it, in its unit: the tool's own, or the trials' spread. */
    public function readingError(TakenTest $taken, string $name, string $unit = 'cm'): float
    {
        return $taken->measure($name)->error(($this->tools ?? ToolErrors::usual())->sd($taken->tool, $unit));
    }

    public function isTooOld(?\DateTimeImmutable $taken): bool
    {
        return null !== $taken && $this->age($taken) > Evidence::DAYS_VALID;
    }

    /** Whole days since then. */
    public function age(\DateTimeImmutable $taken): int
    {
        return Day::between($taken, $this->on);
    }

    /**
     * The same person with other abilities on one side: what if.
     *
     * @param list<Evidence> $supposed in place of all that was read of the same abilities
     */
    public function supposing(Side $side, array $supposed): self
    {
        $names = array_map(static fn (Evidence $e) => $e->ability, $supposed);
        $kept = array_values(
            array_filter(
                $this->evidence[$side->value],
                static fn (Evidence $e): bool => !in_array($e->ability, $names, true),
            ),
        );

        return new self(
            $this->proportions,
            [$side->value => [...$kept, ...$supposed]] + $this->evidence,
            $this->holds,
            $this->taken,
            $this->on,
            $this->seen,
            $this->checks,
            $this->decided,
            $this->observed,
            $this->tools,
            $this->legs,
            $this->before,
            $this->felt,
            $this->purposes,
            $this->elsewhere,
            $this->withTeacher,
        );
    }

    /** The same person as known just before a moment; null when the body had not been measured by then. */
    public function before(\DateTimeImmutable $moment): ?self
    {
        return null === $this->before ? null : ($this->before)($moment);
    }
}
