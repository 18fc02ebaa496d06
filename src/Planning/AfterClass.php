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
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/** What a class leaves in each person's record: that they came, and what hurt. */
final readonly class AfterClass
{
    public function __construct(
        private Records $records,
        private ClassRecords $classes,
        private RecordPain $pain,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What hurts is written down, whatever has become of the class since its page was opened, and whoever is in it now.
     * Sent twice it is one; said again from a page that was opened anew it holds again, whatever was lifted meanwhile.
     *
     * @param string $class its id, as it was sent
     * @param array<string, mixed> $sent "entry", and "pain" and "side" by a person's id
     */
    public function hear(string $class, array $sent, Teacher $by): void
    {
        $day = $this->day($this->classes->find($by, $class));
        $entry = is_string($sent['entry'] ?? null) && Uuid::isValid($sent['entry']) ? $sent['entry'] : Uuid::v7();
        foreach (is_array($sent['pain'] ?? null) ? $sent['pain'] : [] as $id => $fields) {
            $pain = RecordPain::typed($fields);
            $side = is_array($sent['side'] ?? null) ? $sent['side'][$id] ?? '' : '';
            try {
                $person = $pain->isFelt() ? $this->records->practitioner($by, (string) $id) : null;
            } catch (NotFoundHttpException) {
                continue;
            }
            if (null !== $person) {
                $this->pain->of(
                    $person,
                    $by,
                    $pain,
                    is_string($side) ? Side::tryFrom($side) : null,
                    "class $class",
                    on: $day,
                    telling: "class $entry",
                );
            }
        }
    }

    /**
     * @param list<Practitioner> $people
     * @param array<string, mixed> $sent "came" by a person's id
     */
    public function attended(StudioClass $class, array $people, array $sent): void
    {
        $came = is_array($sent['came'] ?? null) ? $sent['came'] : [];
        foreach ($people as $person) {
            $note = ClassRecords::cameId($class, $person);
            if (isset($came[(string) $person->id]) && !$this->records->knows(PractitionerNote::class, $note)) {
                $this->records->addOnce(
                    new PractitionerNote(
                        $note,
                        $person,
                        $this->clock->now(),
                        $this->day($class),
                        PractitionerNote::CLASS_ATTENDED,
                        $class->name,
                    ),
                );
            }
        }
    }

    /** That of the class, unless it is still to come, or gone. */
    private function day(?StudioClass $class): \DateTimeImmutable
    {
        $today = Day::midnight($this->clock->now());

        return null === $class ? $today : min($today, $class->heldOn);
    }
}
