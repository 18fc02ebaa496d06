<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\PractisedUpTo;
use LucidAscent\Core\Practice\ClosedTime;
use LucidAscent\Core\Progression\LadderPractice;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;

/** What was practised of one ladder on one side, as the rules of progression see it. */
final readonly class PractisedSide
{
    public function __construct(
        private PersonHistory $history,
        private Catalogue $catalogue,
        private ReadPerson $person,
    ) {
    }

    public function history(RungCheck $check): LadderPractice
    {
        return $this->of($check, $this->person->now($check->practitioner));
    }

    /** @return list<ClosedTime> of somebody whose body nobody has measured: nothing was read since any word */
    private function closed(Holds $holds, RungCheck $check): array
    {
        $works = ($this->catalogue->postures()[$check->ladder] ?? null)?->works() ?? [];

        return ClosedTime::all($holds, $check->side, $works, static fn (): null => null);
    }

    /** @param ReadPoses|null $poses what is known of the person now; null when nobody measured the body */
    public function of(RungCheck $check, ?ReadPoses $poses): LadderPractice
    {
        $ladder = $this->catalogue->ladder($check->ladder);
        $next = $ladder->after($ladder->rung($check->rung));
        $pose = $poses?->of($ladder->id, $check->side);
        $holds = $poses->person->holds ?? $this->person->holds($check->practitioner);
        $work = $this->catalogue->rung($ladder->id, $check->rung)->work ?? new Work([]);
        $last = PersonHistory::check($check);
        $told = $this->history->told($check->practitioner);
        $checks = array_filter(
            $told->checks(),
            static fn (CheckMade $one): bool => $one->posture === $last->posture && $one->side === $last->side,
        );
        foreach ($checks as $i => $one) {
            if ($one->id === $last->id) {
                $last = $one;
                unset($checks[$i]);
            }
        }

        $closed = $poses?->closed($ladder->id, $check->side) ?? $this->closed($holds, $check);
        // Of what was practised before a stop nobody decides afterwards to go on.
        $isLeftBehind = ClosedTime::anyLeavesBehind($closed, $last->check);

        return new LadderPractice(
            $ladder,
            PractisedUpTo::check($last, array_values($checks), $closed),
            null !== $next && !$isLeftBehind && true === $pose?->onLadder()->isOpenAfterThis($next->id),
            null !== $next && State::Unknown === $pose?->rung($next->id)?->state(),
            $pose?->rung($check->rung)->heldBy ?? $holds->on($work, $check->side),
            $work->takesDays(),
            $told
                ->feltIn($ladder->id, $check->rung, $check->side, $this->catalogue->rung($ladder->id, $check->rung))
                ->upTo($check->practisedOn),
        );
    }
}
