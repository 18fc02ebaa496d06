<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Person\HoldsOn;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Progression\History;
use LucidAscent\Core\Readiness\State;

/** What was practised of one ladder on one side, as the rules of progression see it. */
final readonly class PractisedSide
{
    public function __construct(private Records $records, private Catalogue $catalogue, private ReadPerson $person, private HoldsOn $holds)
    {
    }

    public function history(RungCheck $check): History
    {
        $ladder = $this->catalogue->ladder($check->ladder);
        $next = $ladder->after($ladder->rung($check->rung));
        $pose = $this->person->now($check->practitioner)?->of($ladder->id, $check->side);
        $holds = $this->holds->now($check->practitioner);
        $work = $this->catalogue->rung($ladder->id, $check->rung)->work ?? new Work([]);

        return new History(
            $ladder,
            $this->upTo($check, $holds, $work),
            null !== $next && true === $pose?->onLadder()->isOpenAfterThis($next->id),
            null !== $next && State::Unknown === $pose?->rung($next->id)?->state(),
            $pose?->rung($check->rung)->heldBy ?? $holds->on($work, $check->side),
        );
    }

    /**
     * What was practised on the ladder and side of a check, up to it and with it; of one day the worst. What
     * came before a stop was lifted does not count towards moving on.
     *
     * @return non-empty-list<ReadinessCheck> the oldest first
     */
    private function upTo(RungCheck $check, Holds $holds, Work $work): array
    {
        $lifted = null;
        foreach ($holds->clearedOn($work, $check->side) as $hold) {
            $lifted = max($lifted, $hold->cleared?->at);
        }
        $practised = [];
        foreach ($this->records->checks($check->practitioner, $check->ladder, $check->side) as $earlier) {
            $isBefore = !$earlier->id->equals($check->id) && $earlier->practisedOn <= $check->practisedOn && $earlier->at <= $check->at;
            if ($isBefore && (null === $lifted || $earlier->at >= $lifted)) {
                $practised[] = $earlier->check();
            }
        }

        return ReadinessCheck::worstOfEachDay([...$practised, $check->check()]);
    }
}
