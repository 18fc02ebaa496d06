<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/**
 * How a school doses a rung on one side, in seconds of practice, and how many days lie between two
 * deep sessions of one component.
 *
 * However it is counted, a side gets a minute in all at least: ACSM position stand, Garber et al.,
 * Med Sci Sports Exerc 43 (2011): stretches of 10 to 30 s, 60 s in all for a muscle group.
 */
final readonly class Dose
{
    public const LEAST_SECONDS = 60.0;

    /**
     * @param float $deep seconds a side for a deep rung
     * @param float $gentle seconds a side for a gentle rung
     * @param int $daysApart 1 where deep work on two days running is allowed
     */
    private function __construct(public float $deep, public float $gentle, public int $daysApart)
    {
    }

    /** A gentle seat is held for three minutes, a deep one for two (common practice: two to eight). */
    public static function longAndStill(int $daysApart): self
    {
        return new self(120.0, 180.0, $daysApart);
    }

    /** Five times eight seconds of pressing, then twenty-five of yielding (common practice). */
    public static function workingMuscle(int $daysApart): self
    {
        return new self(65.0, 65.0, $daysApart);
    }

    /** Twelve breaths of five seconds (common practice: five to thirty). */
    public static function countedBreath(int $daysApart): self
    {
        return new self(60.0, 60.0, $daysApart);
    }

    public function seconds(PracticeRung $rung): float
    {
        return max(self::LEAST_SECONDS, $rung->rung->isGentle() ? $this->gentle : $this->deep);
    }
}
