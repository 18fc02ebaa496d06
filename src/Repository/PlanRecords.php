<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\PlanFeed;
use LucidAscent\App\Entity\PlanFeedEnd;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/**
 * Plans, what was logged of them, and at which address they are read. Whose they are is asked first: what belongs to
 * another is answered as if it were not there.
 */
final readonly class PlanRecords
{
    public function __construct(
        private EntityManagerInterface $em,
        private AskedOnce $asked,
        private OpenPeople $open,
    ) {
    }

    /** @return list<PracticePlan> the newest first */
    public function plans(Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery(
                'SELECT l FROM '.
                    PracticePlan::class.
                    ' l WHERE l.practitioner = :p ORDER BY l.at DESC, l.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->getResult();
    }

    /**
     * A plan of somebody whom a teacher may open, whoever it was made for: of two people who turned out to be one, it
     * is of the one who stays.
     */
    public function ofTeacher(Teacher $teacher, string $id): ?PracticePlan
    {
        $found = Uuid::isValid($id) ? $this->em->find(PracticePlan::class, Uuid::fromString($id)) : null;

        return null !== $found && null !== $this->open->one($teacher, $found->practitioner->id) ? $found : null;
    }

    /** @throws NotFoundHttpException when there is none of this practitioner's */
    public function plan(Practitioner $practitioner, string $id): PracticePlan
    {
        return $this->asked->ofPractitioner(PracticePlan::class, $practitioner, $id);
    }

    public function newestPlan(Practitioner $practitioner): ?PracticePlan
    {
        return $this->asked->about($practitioner, PracticePlan::class)[0] ?? null;
    }

    /** @return list<SessionLog> the newest first */
    public function logs(Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery(
                'SELECT l, n FROM '.
                    SessionLog::class.
                    ' l JOIN l.plan n WHERE l.practitioner = :p ORDER BY l.practisedOn DESC, l.at DESC, l.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->getResult();
    }

    /** Of whom most sessions were logged; null while none was. */
    public function mostPractised(Teacher $teacher): ?Practitioner
    {
        return $this->open->of(
            $teacher,
            'JOIN session_log l ON l.practitioner_id = p.id GROUP BY p.id ORDER BY COUNT(l.id) DESC, p.name LIMIT 1',
        )[0] ?? null;
    }

    /** @return list<Practitioner> those of whom a session was logged, by name */
    public function practised(Teacher $teacher): array
    {
        return $this->open->of(
            $teacher,
            'WHERE EXISTS (SELECT 1 FROM session_log l WHERE l.practitioner_id = p.id) ORDER BY p.name, p.id',
        );
    }

    /** The feed that is open; null when there is none. */
    public function feed(Practitioner $practitioner): ?PlanFeed
    {
        return $this->em
            ->createQuery(
                'SELECT f FROM '.
                    PlanFeed::class.
                    ' f WHERE f.practitioner = :p AND NOT EXISTS (SELECT 1 FROM '.
                    PlanFeedEnd::class.
                    ' e WHERE e.id = f.id) ORDER BY f.at DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setMaxResults(1)
            ->getOneOrNullResult();
    }

    /** Whose calendar is at an address that only its owner knows. */
    public function ofFeed(string $hash): ?Practitioner
    {
        $feed = $this->em
            ->createQuery(
                'SELECT f, p, t FROM '.
                    PlanFeed::class.
                    ' f JOIN f.practitioner p JOIN p.teacher t WHERE f.hash = :hash AND NOT EXISTS (SELECT 1 FROM '.
                    PlanFeedEnd::class.
                    ' e WHERE e.id = f.id)',
            )
            ->setParameter('hash', $hash)
            ->getOneOrNullResult();

        return $feed instanceof PlanFeed ? $feed->practitioner : null;
    }
}
