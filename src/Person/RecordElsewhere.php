<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Practice\Elsewhere;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Writes down what somebody did elsewhere, once. */
final readonly class RecordElsewhere
{
    public function __construct(private Records $records, private ClockInterface $clock)
    {
    }

    /** Whether a day has no room for so much more. */
    public function isTooMuch(Practitioner $practitioner, Elsewhere $done, Uuid $entry): bool
    {
        $minutes = $done->minutes;
        foreach ($this->records->otherLoads($practitioner) as $load) {
            $isSameDay = Day::of($load->doneOn) === Day::of($done->on);
            $minutes += $isSameDay && !$load->id->equals($entry) ? $load->minutes : 0;
        }

        return $minutes > Elsewhere::MOST_IN_A_DAY;
    }

    /** @return OtherLoad|null null where it is on record already */
    public function of(Practitioner $practitioner, Elsewhere $done, Uuid $entry): ?OtherLoad
    {
        $load = new OtherLoad(
            $entry,
            $practitioner,
            $practitioner->teacher,
            $this->clock->now(),
            $done->on,
            $done->kind,
            $done->minutes,
        );

        return !$this->records->knows(OtherLoad::class, $entry) && $this->records->addOnce($load) ? $load : null;
    }
}
