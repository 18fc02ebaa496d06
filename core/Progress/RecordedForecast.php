<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Testing\Evidence;

/** What was foretold once, and what came of it. */
final readonly class RecordedForecast
{
    /**
     * @param float $asked what was to be met, in the ability's unit
     * @param \DateTimeImmutable $made the day on which it was foretold
     * @param \DateTimeImmutable|null $to null when it was further away than anybody sees
     * @param int $chance in percent, of lying between
     */
    public function __construct(
        public float $asked,
        public \DateTimeImmutable $made,
        public \DateTimeImmutable $from,
        public ?\DateTimeImmutable $to,
        public int $chance,
    ) {
    }

    /**
     * @param list<Evidence> $exact readings of the same ability and side
     *
     * @return Outcome|null null while its day has not come, or nobody has read it since
     */
    public function outcome(array $exact, \DateTimeImmutable $now): ?Outcome
    {
        $since = array_filter(
            $exact,
            fn (Evidence $one): bool => null !== $one->on && Day::between($this->made, $one->on) > 0,
        );
        $met = null;
        foreach ($since as $one) {
            if ($one->ability->compare($one->value, $this->asked) >= 0 && (null === $met || $one->on < $met)) {
                $met = $one->on;
            }
        }
        if (null !== $met) {
            return match (true) {
                Day::of($met) < Day::of($this->from) => Outcome::Early,
                null === $this->to || Day::of($met) <= Day::of($this->to) => Outcome::Within,
                default => Outcome::Late,
            };
        }
        $isOver = null !== $this->to && Day::of($now) > Day::of($this->to);

        return $isOver
            && [] !==
                array_filter(
                    $since,
                    fn (Evidence $one): bool => null !== $one->on && Day::of($one->on) >= Day::of($this->to ?? $now),
                )
            ? Outcome::Late
            : null;
    }
}
