<?php

declare(strict_types=1);

namespace LucidAscent\App\Planning;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Repository\ClassRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use Psr\Clock\ClockInterface;

/** What a class leaves in each person's record: that they came, and what hurt. */
final readonly class AfterClass
{
    public function __construct(
        private Records $records,
        private RecordPain $pain,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Whatever else is wrong with what was sent: what hurts is written down.
     *
     * @param list<Practitioner> $people
     * @param array<string, mixed> $sent "came", "pain" and "side", each by a person's id
     */
    public function record(StudioClass $class, array $people, array $sent, Teacher $by): void
    {
        $now = $this->clock->now();
        $day = min(Day::midnight($now), $class->heldOn);
        foreach ($people as $person) {
            $id = (string) $person->id;
            $side = is_array($sent['side'] ?? null) ? $sent['side'][$id] ?? '' : '';
            $this->pain->of(
                $person,
                $by,
                RecordPain::typed(is_array($sent['pain'] ?? null) ? $sent['pain'][$id] ?? [] : []),
                is_string($side) ? Side::tryFrom($side) : null,
                "class $class->id",
                on: $day,
            );
            $note = ClassRecords::cameId($class, $person);
            if (
                is_array($sent['came'] ?? null)
                && isset($sent['came'][$id])
                && !$this->records->knows(PractitionerNote::class, $note)
            ) {
                $this->records->addOnce(
                    new PractitionerNote($note, $person, $now, $day, PractitionerNote::CLASS_ATTENDED, $class->name),
                );
            }
        }
    }
}
