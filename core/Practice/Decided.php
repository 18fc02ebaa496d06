<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

/** What was decided after a check of one side on one ladder. */
final readonly class Decided
{
    /**
     * @param string $rung the rung that was practised
     * @param string $rungAfter the rung on which the side goes on
     * @param ReadinessCheck|null $check that it was decided after; null where nobody knows
     * @param \DateTimeImmutable|null $on the day on which it was decided; that of its moment where nothing is said
     */
    public function __construct(
        public Step $step,
        public string $rung,
        public string $rungAfter,
        public \DateTimeImmutable $at,
        public ?ReadinessCheck $check = null,
        public ?\DateTimeImmutable $on = null,
    ) {
    }

    /**
     * Whether nothing held the rung, neither when it was decided nor when it was practised, and no stop lay in between.
     *
     * @param list<ClosedTime> $closed
     */
    public function isAdmittedBy(array $closed): bool
    {
        $on = $this->on ?? $this->at;
        foreach ($closed as $time) {
            $check = $this->check;
            $isBetween =
                null !== $check
                && !$time->leavesBehind($this->rung, $on, $this->at)
                && $time->leavesBehind($this->rung, $check->on, $check->at);
            if (
                $isBetween
                || !$time->admits($this->rung, $on, $this->at)
                || (null !== $check && !$time->admits($this->rung, $check->on, $check->at))
            ) {
                return false;
            }
        }

        return true;
    }
}
