<?php

declare(strict_types=1);

namespace LucidAscent\App\Practice;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Reading\PersonOn;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Progression\History;
use Psr\Clock\ClockInterface;

/** What was practised of one ladder on one side, as the rules of progression see it. */
final readonly class PractisedSide
{
    public function __construct(private Records $records, private Catalogue $catalogue, private PersonOn $person, private ClockInterface $clock)
    {
    }

    public function history(Practitioner $practitioner, RungCheck $check): History
    {
        $ladder = $this->catalogue->ladder($check->ladder);
        $cleared = null;
        foreach ($this->records->clearances($practitioner) as $clearance) {
            $cleared = $clearance->side === $check->side ? max($cleared, $clearance->at) : $cleared;
        }
        $checks = [];
        foreach ($this->records->checks($practitioner, $ladder->id, $check->side) as $earlier) {
            // What came before a stop was lifted does not count towards moving on.
            $isBefore = !$earlier->id->equals($check->id) && $earlier->practisedOn <= $check->practisedOn && $earlier->at <= $check->at;
            if ($isBefore && (null === $cleared || $earlier->at > $cleared)) {
                $checks[] = $earlier->check();
            }
        }
        $checks[] = $check->check();
        $next = $ladder->after($ladder->rung($check->rung));
        $isOpen = false;
        foreach ($this->person->at($practitioner, $this->clock->now())?->of($ladder->id, $check->side)->rungs ?? [] as $reading) {
            $isOpen = $isOpen || ($reading->rung->id === $next?->id && $reading->state()->isInReach());
        }

        return new History($ladder, $checks, $isOpen);
    }
}
