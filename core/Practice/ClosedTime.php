<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Work;

/**
 * A time in which something held rungs of a ladder on one side. Nobody passes one of them by what was practised in it,
 * nor by what was practised before it and written down only later; after a word that lifts it, tests come first.
 */
final readonly class ClosedTime
{
    /**
     * @param list<string> $rungs ids of the rungs that it held
     * @param \DateTimeImmutable $at when it was told
     * @param \DateTimeImmutable $from the first day that it is of
     * @param EvidenceCutOff|null $opens the word that lifted it; null where none did
     * @param list<string> $tested ids of those rungs that wait for tests after a word
     * @param EvidenceCutOff|null $readAnew when all that has to be read anew had been; null while something has not
     * @param \DateTimeImmutable|null $last the last day that it is of, where it ended by itself
     */
    private function __construct(
        public array $rungs,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $from,
        public ?EvidenceCutOff $opens = null,
        public array $tested = [],
        public ?EvidenceCutOff $readAnew = null,
        public ?\DateTimeImmutable $last = null,
    ) {
    }

    /**
     * All such times of a ladder on one side.
     *
     * @param array<string, Work> $ladder what each rung loads, by its id, from the ground up
     * @param callable(EvidenceCutOff, string): ?EvidenceCutOff $readAnew when all that a word asks for had been read
     *     since, the lowest rung that waits for it being named; null while something has not
     *
     * @return list<self>
     */
    public static function all(Holds $holds, Side $side, array $ladder, callable $readAnew): array
    {
        $times = [];
        foreach ([...$holds->active, ...$holds->cleared, ...$holds->ended] as $hold) {
            $held = array_keys(array_filter($ladder, static fn (Work $work): bool => $hold->holds($work, $side)));
            if ([] === $held) {
                continue;
            }
            $opens = $hold->cutOff();
            $tested =
                null === $opens
                    ? []
                    : array_keys(array_filter($ladder, static fn (Work $work): bool => $hold->asksTests($work, $side)));
            $times[] = new self(
                $held,
                $hold->since(),
                $hold->sinceDay(),
                $opens,
                $tested,
                null === $opens || [] === $tested ? null : $readAnew($opens, $tested[0]),
                $hold->lastDay(),
            );
        }

        return $times;
    }

    /**
     * Whether a word ended one of them after this was practised.
     *
     * @param list<self> $times
     */
    public static function anyLeavesBehind(array $times, ReadinessCheck $check): bool
    {
        foreach ($times as $time) {
            if ($time->leavesBehind($check->rung, $check->on, $check->at)) {
                return true;
            }
        }

        return false;
    }

    /** Whether a word ended it after something was practised on a rung: no row of sessions goes on over that. */
    public function leavesBehind(string $rung, \DateTimeImmutable $on, ?\DateTimeImmutable $at): bool
    {
        return in_array($rung, $this->rungs, true) && false === $this->opens?->isBefore($on, $at);
    }

    /**
     * Whether what was practised on a rung, or decided of it, counts in spite of it.
     *
     * @param \DateTimeImmutable $on the day
     * @param \DateTimeImmutable|null $at when it was entered; null where only the day is known
     */
    public function admits(string $rung, \DateTimeImmutable $on, ?\DateTimeImmutable $at): bool
    {
        if (
            !in_array($rung, $this->rungs, true)
            || (Day::of($on) < Day::of($this->from) && (null === $at || $at <= $this->at))
        ) {
            return true;
        }

        if (null !== $this->last && Day::of($on) > Day::of($this->last)) {
            return true;
        }

        return true === $this->opens?->isBefore($on, $at)
            && (!in_array($rung, $this->tested, true) || true === $this->readAnew?->isBefore($on, $at));
    }
}
