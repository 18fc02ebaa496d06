<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\CleanRun;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Readiness\ReadPoses;

/** When a rung could be left at the earliest if all that is planned goes clean, and what would follow. */
final readonly class ExpectedStep
{
    /**
     * @param string $rung on which the side stands
     * @param string $next the rung that would follow
     */
    public function __construct(
        public string $posture,
        public Side $side,
        public string $rung,
        public string $next,
        public \DateTimeImmutable $on,
    ) {
    }

    /**
     * Of wanted postures that are practised, by the sessions of a plan. What was practised before is not counted.
     *
     * @param list<string> $wanted
     * @param list<PlannedSession> $sessions that are to come, in the order of their days
     *
     * @return list<self>
     */
    public static function all(array $wanted, array $sessions, ReadPoses $poses): array
    {
        $steps = [];
        foreach ($wanted as $posture) {
            foreach (Side::cases() as $side) {
                $step = self::of($posture, $side, $sessions, $poses);
                if (null !== $step) {
                    $steps[] = $step;
                }
            }
        }

        return $steps;
    }

    /** @param list<PlannedSession> $sessions */
    private static function of(string $posture, Side $side, array $sessions, ReadPoses $poses): ?self
    {
        $run = CleanRun::none();
        foreach ($sessions as $session) {
            $rung = self::worked($session, $posture, $side);
            $next = null === $rung ? null : self::above($poses, $posture, $rung);
            // Nobody is promised what a hold, a gate or a number closes.
            if (
                null === $rung
                || null === $next
                || !$poses->of($posture, $side)->onLadder()->isOpenAfterThis($next)
            ) {
                continue;
            }
            $run = $run->with(new ReadinessCheck($rung, $session->on, true, true, Pain::none()));
            if ($run->isEnough($poses->postures[$posture]->rung($rung)?->work->takesDays() ?? false)) {
                return new self($posture, $side, $rung, $next, $session->on);
            }
        }

        return null;
    }

    /** The rung of a ladder on which a side works in a session; a form beside it passes none. */
    private static function worked(PlannedSession $session, string $posture, Side $side): ?string
    {
        foreach ($session->items as $item) {
            if (
                $item->isWork()
                && null === $item->drill
                && '' === $item->rung->beside
                && $item->rung->posture === $posture
                && in_array($side, $item->sides(), true)
            ) {
                return $item->rung->rung->id;
            }
        }

        return null;
    }

    private static function above(ReadPoses $poses, string $posture, string $rung): ?string
    {
        $ids = array_map(static fn (RungDefinition $one): string => $one->id, $poses->postures[$posture]->rungs);
        $at = array_search($rung, $ids, true);

        return false === $at ? null : $ids[$at + 1] ?? null;
    }
}
