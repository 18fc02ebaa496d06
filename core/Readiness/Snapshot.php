<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Practice\Decided;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;
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

    /**
     * @param array{left: list<Evidence>, right: list<Evidence>} $evidence
     * @param list<TakenTest> $taken the newest first
     * @param list<Seen> $seen
     * @param array<string, list<ReadinessCheck>> $checks by posture and side: "half-lotus left"
     * @param array<string, list<Decided>> $decided likewise
     * @param list<Observed> $observed answers to gates
     * @param ToolErrors|null $tools the teacher's own; the usual ones where there are none
     * @param Legs|null $legs what was reckoned of the same body before
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
    ) {
        $this->legs = $legs ?? new Legs();
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

    /** Whether a rung was seen clean otherwise than in practice, and no newer try says otherwise. */
    public function hasBeenSeen(string $posture, string $rung, Side $side, ?EvidenceCutOff $since = null): bool
    {
        return true === $this->seen($posture, $rung, $side, $since)?->isClean
            && [] !==
                array_filter(
                    $this->tries($posture, $rung, $side, $since),
                    static fn (Seen $seen): bool => $seen->isClean && !$seen->isPractice,
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
     * @param list<string> $ladder
     *
     * @return list<string>
     */
    public function passed(string $posture, Side $side, array $ladder): array
    {
        $restarts = [];
        foreach ($this->holds->cleared as $hold) {
            if ($hold->posture === $posture && $hold->isOn($side) && null !== $hold->cleared) {
                $restarts[] = [$hold->rung, $hold->cleared->at];
            }
        }

        return Passes::of(
            $ladder,
            $this->checks["$posture $side->value"] ?? [],
            $this->decided["$posture $side->value"] ?? [],
            $restarts,
            $this->on,
        );
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

    /** One SD of a length as a test read it, in cm: the tool's own, or the trials' spread. */
    public function readingError(TakenTest $taken, string $name): float
    {
        return $taken->measure($name)->error(($this->tools ?? ToolErrors::usual())->sd($taken->tool, 'cm'));
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
        );
    }
}
