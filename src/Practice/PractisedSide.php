<?php

declare(strict_types=1);

namespace LucidAscent\App\Practice;

use LucidAscent\App\Catalogue\Catalogue;
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

    public function history(RungCheck $check): History
    {
        $ladder = $this->catalogue->ladder($check->ladder);
        $next = $ladder->after($ladder->rung($check->rung));
        $isOpen = false;
        foreach ($this->person->at($check->practitioner, $this->clock->now())?->of($ladder->id, $check->side)->rungs ?? [] as $reading) {
            $isOpen = $isOpen || ($reading->rung->id === $next?->id && $reading->state()->isInReach());
        }

        return new History($ladder, $this->records->practisedUpTo($check, $this->records->clearedAt($check->practitioner, $check->side)), $isOpen);
    }
}
