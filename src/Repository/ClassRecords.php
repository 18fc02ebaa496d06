<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\ClassMember;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/** The classes of one teacher, and who is expected in them. */
final readonly class ClassRecords
{
    /** So many are listed. */
    private const LISTED = 60;

    public function __construct(
        private EntityManagerInterface $em,
        private AskedPeople $people,
        private OpenPeople $open,
    ) {
    }

    /** @return list<StudioClass> the latest day first */
    public function classes(Teacher $teacher): array
    {
        return $this->em
            ->createQuery(
                'SELECT c FROM '.StudioClass::class.' c WHERE c.teacher = :t ORDER BY c.heldOn DESC, c.at DESC',
            )
            ->setParameter('t', $teacher->id, 'uuid')
            ->setMaxResults(self::LISTED)
            ->getResult();
    }

    /** @throws NotFoundHttpException when there is none of this teacher's */
    public function one(Teacher $teacher, string $id): StudioClass
    {
        return $this->find($teacher, $id) ?? throw new NotFoundHttpException();
    }

    /** @return StudioClass|null null when there is none of this teacher's */
    public function find(Teacher $teacher, string $id): ?StudioClass
    {
        $found = Uuid::isValid($id) ? $this->em->find(StudioClass::class, Uuid::fromString($id)) : null;

        return null !== $found && $found->teacher->id->equals($teacher->id) ? $found : null;
    }

    /** @return list<StudioClass> the days of a course, the first day first; none when it is not this teacher's */
    public function course(Teacher $teacher, Uuid $course): array
    {
        return $this->em
            ->getRepository(StudioClass::class)
            ->findBy(['teacher' => $teacher, 'course' => $course], ['heldOn' => 'ASC', 'at' => 'ASC', 'id' => 'ASC']);
    }

    /** @return list<StudioClass> the days of its course that come after this one */
    public function later(StudioClass $class): array
    {
        $days = null === $class->course ? [] : $this->course($class->teacher, $class->course);

        return array_values(
            array_filter($days, static fn (StudioClass $day): bool => $day->heldOn > $class->heldOn),
        );
    }

    /** @return list<Practitioner> by name; those whom the teacher may not open any more are not in it */
    public function people(StudioClass $class): array
    {
        $people = $this->open->of(
            $class->teacher,
            'WHERE EXISTS (SELECT 1 FROM class_member m WHERE m.practitioner_id = p.id AND m.class_id = :class)
             ORDER BY p.name, p.created_at',
            ['class' => $class->id->toBinary()],
        );
        $this->people->add(...$people);

        return $people;
    }

    /** @return array<string, int> how many are expected, by the class's id */
    public function expected(Teacher $teacher): array
    {
        $expected = [];
        foreach (
            $this->em->getConnection()->iterateKeyValue(
                'SELECT m.class_id, COUNT(*) FROM class_member m
                 JOIN studio_class c ON c.id = m.class_id AND c.teacher_id = :member
                 JOIN practitioner p ON p.id = m.practitioner_id '.OpenPeople::JOIN.' GROUP BY m.class_id',
                $this->open->asked($teacher),
            ) as $class => $many
        ) {
            $expected[(string) Uuid::fromBinary((string) $class)] = (int) $many;
        }

        return $expected;
    }

    /**
     * All of the classes or none, each with these people.
     *
     * @param list<Practitioner> $people
     */
    public function save(array $people, StudioClass ...$classes): void
    {
        $this->em->wrapInTransaction(function () use ($people, $classes): void {
            $ids = array_map(static fn (Practitioner $one): string => (string) $one->id, $people);
            foreach ($classes as $class) {
                $this->em->persist($class);
                $this->em->flush();
                $there = $this->em->getRepository(ClassMember::class)->findBy(['class' => $class]);
                foreach ($there as $member) {
                    in_array((string) $member->practitioner->id, $ids, true) ?: $this->em->remove($member);
                }
                $known = array_map(static fn (ClassMember $one): string => (string) $one->practitioner->id, $there);
                foreach ($people as $one) {
                    in_array((string) $one->id, $known, true)
                        ?: $this->em->persist(new ClassMember(Uuid::v7(), $class, $one));
                }
            }
        });
    }

    public function remove(StudioClass $class): void
    {
        $this->em->remove($class);
        $this->em->flush();
    }

    /** That somebody came is noted once. */
    public static function cameId(StudioClass $class, Practitioner $person): Uuid
    {
        return Uuid::v5($class->id, (string) $person->id);
    }

    /**
     * @param list<Practitioner> $people
     *
     * @return list<string> the ids of those who are known to have come
     */
    public function came(StudioClass $class, array $people): array
    {
        $ids = [];
        foreach ($people as $one) {
            $ids[(string) self::cameId($class, $one)] = (string) $one->id;
        }
        $notes = $this->em
            ->getRepository(PractitionerNote::class)
            ->findBy(['id' => array_map(Uuid::fromString(...), array_keys($ids))]);

        return array_map(static fn (PractitionerNote $note): string => $ids[(string) $note->id], $notes);
    }
}
