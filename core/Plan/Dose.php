<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/**
 * How a school doses a rung on one side, in seconds of practice, and how many days lie between two deep sessions of one
 * component. A rung's own range in the school's way comes first, then its range in any; the school's usual one is for
 * what says nothing.
 *
 * A hold never leaves that range. Where it allows a minute, it begins with one: ACSM position stand, Garber et al.,
 * Med Sci Sports Exerc 43 (2011): stretches of 10 to 30 s, 60 s in all for a muscle group, which several shapes make up
 * together.
 */
final readonly class Dose
{
    public const LEAST_SECONDS = 60.0;

    /**
     * @param string $school the name under which a rung may have a range of its own
     * @param HoldRange $deep how long it holds what says nothing else
     * @param HoldRange $gentle the same of what is gentle
     * @param int $daysApart 1 where deep work on two days running is allowed
     * @param bool $lotusLast whether a foot that goes onto the other thigh lying has its place at the end of a session
     */
    public function __construct(
        public string $school,
        private HoldRange $deep,
        private HoldRange $gentle,
        public int $daysApart,
        public bool $lotusLast = false,
    ) {
    }

    /** @return float seconds with which a rung begins */
    public function seconds(PracticeRung $rung): float
    {
        $range = $this->range($rung);

        return min($range->most, max(self::LEAST_SECONDS, $range->least));
    }

    /** @return float seconds that it is held at most */
    public function most(PracticeRung $rung): float
    {
        return $this->range($rung)->most;
    }

    /** How long it is held, and in what that is counted. */
    public function range(PracticeRung $rung): HoldRange
    {
        return $rung->holds[$this->school] ??
            ($rung->holds[PracticeRung::ANY] ?? ($rung->rung->isForAnybody() ? $this->gentle : $this->deep));
    }
}
