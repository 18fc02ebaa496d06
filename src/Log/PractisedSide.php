<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\PractisedUpTo;
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

    /** @param ReadPoses|null $poses what is known of the person now; null when nobody measured the body */
    public function of(RungCheck $check, ?ReadPoses $poses): LadderPractice
    {
        $ladder = $this->catalogue->ladder($check->ladder);
        $next = $ladder->after($ladder->rung($check->rung));
        $pose = $poses?->of($ladder->id, $check->side);
        $holds = $poses->person->holds ?? $this->person->holds($check->practitioner);
        $work = $this->catalogue->rung($ladder->id, $check->rung)->work ?? new Work([]);
        $last = PersonHistory::check($check);
        $checks = array_filter(
            $this->history->told($check->practitioner)->of(CheckMade::class),
            static fn (CheckMade $one): bool => $one->posture === $last->posture
                && $one->side === $last->side
                && $one->id !== $last->id,
        );

        return new LadderPractice(
            $ladder,
            PractisedUpTo::check($last, array_values($checks), $holds, $work, [$check->side]),
            null !== $next && true === $pose?->onLadder()->isOpenAfterThis($next->id),
            null !== $next && State::Unknown === $pose?->rung($next->id)?->state(),
            $pose?->rung($check->rung)->heldBy ?? $holds->on($work, $check->side),
        );
    }
}
