<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\ClassMember;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Repository\ClassRecords;
use LucidAscent\Core\Calendar\Day;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Classes of the made-up studio: some held, one to come. */
final readonly class LoadClasses
{
    use CountsBack;

    /** Of so many one did not come. */
    private const MISSING = 4;

    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    /** @param non-empty-list<Practitioner> $people */
    public function of(array $people): void
    {
        foreach (MadeUpStudio::CLASSES as [$ago, $name, $place, $minutes]) {
            $at = $this->ago($ago);
            $class = new StudioClass(
                Uuid::v7(),
                $people[0]->teacher,
                $name,
                Day::midnight($at),
                $place,
                array_map(
                    static fn (string $posture, int $many): array => ['posture' => $posture, 'minutes' => $many],
                    array_keys($minutes),
                    $minutes,
                ),
                min($at, $this->clock->now()),
            );
            $this->em->persist($class);
            foreach ($people as $i => $person) {
                $this->em->persist(new ClassMember(Uuid::v7(), $class, $person));
                if ($ago > 0 && self::MISSING - 1 !== $i % self::MISSING) {
                    $this->em->persist(
                        new PractitionerNote(
                            ClassRecords::cameId($class, $person),
                            $person,
                            $at,
                            Day::midnight($at),
                            PractitionerNote::CLASS_ATTENDED,
                            $name,
                        ),
                    );
                }
            }
        }
        $this->em->flush();
    }
}
