<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progression;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Practice\CleanRun;
use LucidAscent\Core\Practice\FeltOnRung;
use LucidAscent\Core\Practice\ReadinessCheck;

/** The checks of one side on one ladder, the oldest first, and what the numbers say of the next rung. */
final readonly class LadderPractice
{
    /**
     * @param non-empty-list<ReadinessCheck> $checks the oldest first; the last is the one to decide on
     * @param bool $nextOpen whether gate and margins allow the next rung
     * @param bool $nextUnproven whether the next rung may be tried without its angles having been shown
     * @param list<Hold> $heldBy what holds this rung
     * @param bool $takesDays whether days have to go by before practice passes this rung
     * @param FeltOnRung|null $felt what had been felt in this rung by then; null where nobody said
     */
    public function __construct(
        public Ladder $ladder,
        public array $checks,
        public bool $nextOpen,
        public bool $nextUnproven = false,
        public array $heldBy = [],
        public bool $takesDays = false,
        public ?FeltOnRung $felt = null,
    ) {
    }

    public function latest(): ReadinessCheck
    {
        return $this->checks[count($this->checks) - 1];
    }

    public function previous(): ?ReadinessCheck
    {
        return $this->checks[count($this->checks) - 2] ?? null;
    }

    public function rung(): Rung
    {
        return $this->ladder->rung($this->latest()->rung);
    }

    /** Whole days between the latest practice and the one before it; null when there was none. */
    public function breakInDays(): ?int
    {
        $previous = $this->previous();

        return null === $previous
            ? null
            : Day::between($previous->on, $this->latest()->on);
    }

    /** Whether nothing was felt in the last clean sessions: the form asks for no more than is there. */
    public function isTooEasy(): bool
    {
        return true === $this->felt?->isNothingIn($this->cleanRun()->checks);
    }

    /** The unbroken run of clean sessions on this rung, up to now. */
    public function cleanRun(): CleanRun
    {
        return CleanRun::of(ReadinessCheck::worstOfEachDay($this->checks));
    }
}
