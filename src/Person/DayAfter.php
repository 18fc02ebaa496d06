<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\PainPlace;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * The question of the day after: how the knee is, and whatever was sore. A loaded knee reacts late, and what hurts then
 * was hurt the day before. It is asked once of a day of practice, by whoever asks first.
 */
final readonly class DayAfter
{
    /** Days after which nobody asks any more. */
    private const LATEST = 3;
    /** Days for which a place that hurt is asked about. */
    private const SORE = 14;

    public function __construct(
        private Records $records,
        private ReadPerson $person,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @return array{on: \DateTimeImmutable, places: list<PainPlace>}|null the day of practice that is asked about, and
     *     what was sore besides the knee; null where there is nothing to ask
     */
    public function of(Practitioner $practitioner): ?array
    {
        $today = Day::midnight($this->clock->now());
        $last = $this->lastPractice($practitioner, $today);
        if (null === $last || Day::between($last, $today) > self::LATEST) {
            return null;
        }
        $pains = $this->person->pains($practitioner);
        $isTold =
            [] !==
            array_filter($pains, static fn (PainTold $pain): bool => Day::of($pain->on) > Day::of($last));
        $isAnswered =
            [] !==
            array_filter(
                $this->records->daysAfter($practitioner),
                static fn (PractitionerNote $note): bool => $note->id->equals(self::id($practitioner, $last)),
            );
        if ($isTold || $isAnswered) {
            return null;
        }
        $places = [];
        foreach ($pains as $pain) {
            if (!$pain->pain->place->isKnee() && Day::between($pain->on, $today) <= self::SORE) {
                $places[$pain->pain->place->value] = $pain->pain->place;
            }
        }
        unset($places[PainPlace::None->value], $places[PainPlace::Unknown->value]);

        return ['on' => $last, 'places' => array_values($places)];
    }

    /** That nothing hurt: written down once, whoever says it. */
    public function nothing(Practitioner $practitioner, \DateTimeImmutable $practised): ?PractitionerNote
    {
        $id = self::id($practitioner, $practised);
        $now = $this->clock->now();
        $note = new PractitionerNote(
            $id,
            $practitioner,
            $now,
            Day::midnight($now),
            PractitionerNote::DAY_AFTER,
            Day::of($practised),
        );

        return !$this->records->knows(PractitionerNote::class, $id) && $this->records->addOnce($note) ? $note : null;
    }

    private static function id(Practitioner $practitioner, \DateTimeImmutable $practised): Uuid
    {
        return Uuid::v5($practitioner->id, 'after '.Day::of($practised));
    }

    /** The last day of practice before today; null where there was none. */
    private function lastPractice(Practitioner $practitioner, \DateTimeImmutable $today): ?\DateTimeImmutable
    {
        // A session leaves a check of each rung that was practised in it.
        $days = array_map(
            static fn (RungCheck $one): \DateTimeImmutable => $one->practisedOn,
            $this->records->allChecks($practitioner),
        );
        foreach ($this->records->classesAttended($practitioner) as $class) {
            $days[] = $class->saidOn;
        }
        $before = array_filter(
            $days,
            static fn (\DateTimeImmutable $day): bool => Day::of($day) < Day::of($today),
        );

        return [] === $before ? null : max($before);
    }
}
