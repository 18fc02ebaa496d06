<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Pain;

/** What was seen when a rung was practised on one side. */
final readonly class ReadinessCheck
{
    /** Pain up to this level, outside the knee, does not spoil a session (common practice). */
    public const CLEAN_PAIN = 2;

    /**
     * @param \DateTimeImmutable $on the day of practice
     * @param list<string> $compensations ids from the catalogue
     * @param \DateTimeImmutable|null $at when it was entered; null where only the day is known
     */
    public function __construct(
        public string $rung,
        public \DateTimeImmutable $on,
        public bool $holdReached,
        public bool $evenBreath,
        public Pain $pain,
        public array $compensations = [],
        public bool $soreAtNight = false,
        public ?\DateTimeImmutable $at = null,
    ) {
    }

    public function isClean(): bool
    {
        return $this->holdReached
            && $this->evenBreath
            && [] === $this->compensations
            && !$this->soreAtNight
            && $this->pain->level <= self::CLEAN_PAIN
            && $this->pain->kind->isMild()
            && !$this->pain->isInKnee();
    }

    /** The same with a pain that was said of it elsewhere: of the two the worse counts. */
    public function withPain(Pain $pain): self
    {
        $other = new self(
            $this->rung,
            $this->on,
            $this->holdReached,
            $this->evenBreath,
            $pain,
            $this->compensations,
            $this->soreAtNight,
            $this->at,
        );

        return $pain->isFelt() && $other->badness() > $this->badness() ? $other : $this;
    }

    public function day(): string
    {
        return Day::of($this->on);
    }

    /**
     * Of several of one rung on one day the worst counts.
     *
     * @template T of list<self>
     *
     * @param T $checks
     *
     * @return (T is non-empty-list<self> ? non-empty-list<self> : list<self>) one a rung and day, the oldest first
     */
    public static function worstOfEachDay(array $checks): array
    {
        $worst = [];
        foreach ($checks as $check) {
            $key = $check->day().' '.$check->rung;
            if (!isset($worst[$key]) || $check->badness() > $worst[$key]->badness()) {
                $worst[$key] = $check;
            }
        }
        $worst = array_values($worst);
        usort($worst, static fn (self $a, self $b): int => [$a->day(), $a->at] <=> [$b->day(), $b->at]);

        return $worst;
    }

    /** @return array{bool, bool, int, int, bool, bool} larger is worse */
    private function badness(): array
    {
        return [
            !$this->isClean(),
            $this->pain->isInKnee() || !$this->pain->kind->isMild(),
            $this->pain->level,
            count($this->compensations),
            !$this->holdReached,
            !$this->evenBreath,
        ];
    }
}
