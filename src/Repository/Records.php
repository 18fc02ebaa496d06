<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Exception\EntityIdentityCollisionException;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\LabSetup;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenByTeacher;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\WaysCompared;
use LucidAscent\App\Entity\WayTried;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/**
 * The records, as one member of a studio may see them. Every question names who asks: what is not open to them is
 * answered as if it were not there.
 */
final class Records
{
    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly AskedOnce $asked,
        private readonly AskedPeople $people,
        private readonly OpenPeople $open,
    ) {
    }

    /** @return list<Practitioner> by name */
    public function practitioners(Teacher $teacher): array
    {
        return $this->open->of($teacher, 'ORDER BY p.name, p.created_at');
    }

    /**
     * The one who goes by an id, or who stayed when the one of that id was merged: a page of before goes on.
     *
     * @throws NotFoundHttpException when there is none that this member may open
     */
    public function practitioner(Teacher $teacher, string $id): Practitioner
    {
        $id = Uuid::isValid($id) ? Uuid::fromString($id) : throw new NotFoundHttpException();

        $found =
            $this->open->one($teacher, $id) ??
            $this->open->one($teacher, $this->stayed($id) ?? $id) ??
            throw new NotFoundHttpException();
        $this->people->add($found);

        return $found;
    }

    private function stayed(Uuid $merged): ?Uuid
    {
        $into = $this->em
            ->getConnection()
            ->fetchOne('SELECT into_id FROM merged WHERE id = ?', [$merged->toBinary()]);

        return false === $into ? null : Uuid::fromBinary($into);
    }

    /** @throws NotFoundHttpException when there is none of this practitioner's */
    public function check(Practitioner $practitioner, string $id): RungCheck
    {
        return $this->asked->ofPractitioner(RungCheck::class, $practitioner, $id);
    }

    public function body(Practitioner $practitioner): ?BodyMeasures
    {
        return $this->bodies($practitioner)[0] ?? null;
    }

    /** @return list<BodyMeasures> the newest first */
    public function bodies(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, BodyMeasures::class);
    }

    /** @return list<SeenRung> the newest first */
    public function seenRungs(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, SeenRung::class);
    }

    /** @return list<PainSaid> the newest first */
    public function painsSaid(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, PainSaid::class);
    }

    /** @return list<FeltInRung> the newest first */
    public function felt(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, FeltInRung::class);
    }

    /** @return list<WaysCompared> the newest first */
    public function waysCompared(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, WaysCompared::class);
    }

    /** @return list<WayTried> the newest first */
    public function waysTried(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, WayTried::class);
    }

    /** @return list<OtherLoad> the newest first */
    public function otherLoads(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, OtherLoad::class);
    }

    /** Whether the same was told from the same place before. */
    public function hasTold(Practitioner $practitioner, string $source, ?Side $side, Pain $pain): bool
    {
        return 0 <
            $this->em
                ->getRepository(PainSaid::class)
                ->count([
                    'practitioner' => $practitioner->id,
                    'source' => $source,
                    'side' => $side,
                    'painLevel' => $pain->level,
                    'painPlace' => $pain->place,
                    'painKind' => $pain->kind,
                ]);
    }

    /** @return list<string> ids of what the practitioner told, logged or measured on the own page */
    public function ownIds(Practitioner $practitioner): array
    {
        return array_map(
            static fn (FromPractitioner $one): string => (string) $one->id,
            $this->asked->about($practitioner, FromPractitioner::class),
        );
    }

    /** @return list<PractitionerNote> in words of the practitioner's or the teacher's own, the newest first */
    public function ownWords(Practitioner $practitioner): array
    {
        return $this->notes($practitioner, [PractitionerNote::WORDS, PractitionerNote::OF_TEACHER]);
    }

    /** @return list<PractitionerNote> that somebody came to a class, the latest first */
    public function classesAttended(Practitioner $practitioner): array
    {
        return $this->notes($practitioner, [PractitionerNote::CLASS_ATTENDED]);
    }

    /** @return list<PractitionerNote> that nothing hurt a day after practice, the latest first */
    public function daysAfter(Practitioner $practitioner): array
    {
        return $this->notes($practitioner, [PractitionerNote::DAY_AFTER]);
    }

    /**
     * @param list<string> $kinds
     *
     * @return list<PractitionerNote> the newest first
     */
    private function notes(Practitioner $practitioner, array $kinds): array
    {
        return array_values(
            array_filter(
                $this->asked->about($practitioner, PractitionerNote::class),
                static fn (PractitionerNote $one): bool => in_array($one->kind, $kinds, true),
            ),
        );
    }

    /** Up to when the teacher has seen what came in from home; null when nothing was seen yet. */
    public function seenUpTo(Practitioner $practitioner): ?\DateTimeImmutable
    {
        return ($this->asked->about($practitioner, SeenByTeacher::class)[0] ?? null)?->at;
    }

    /** @return list<Mistake> the newest first */
    public function mistakes(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, Mistake::class);
    }

    public function decision(RungCheck $check): ?Decision
    {
        foreach ($this->allDecisions($check->practitioner) as $decision) {
            if ($decision->check->id->equals($check->id)) {
                return $decision;
            }
        }

        return null;
    }

    /** @return list<Clearance> the newest first */
    public function clearances(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, Clearance::class);
    }

    /** @return list<LabSetup> the newest first */
    public function setups(Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery(
                'SELECT s FROM '.LabSetup::class.' s WHERE s.practitioner = :p ORDER BY s.at DESC, s.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setMaxResults(30)
            ->getResult();
    }

    public function sessionLog(Uuid $id): ?SessionLog
    {
        return $this->em->find(SessionLog::class, $id);
    }

    /** @param class-string $class */
    public function knows(string $class, Uuid $id): bool
    {
        return null !== $this->em->find($class, $id);
    }

    /**
     * All of it, or none; nothing when it is there already, sent from another window at the same moment.
     *
     * @return bool whether it is new
     */
    public function addOnce(object ...$records): bool
    {
        try {
            $this->add(...$records);

            return true;
        } catch (UniqueConstraintViolationException|EntityIdentityCollisionException) {
            return false;
        }
    }

    /**
     * Several things that belong together: all of them are written, or none.
     *
     * @param \Closure(): void $write
     */
    public function together(\Closure $write): void
    {
        try {
            $this->em->getConnection()->transactional($write);
        } finally {
            $this->asked->forget();
        }
    }

    /** All of it, or none. */
    public function add(object ...$records): void
    {
        try {
            foreach ($records as $record) {
                $this->em->persist($record);
            }
            $this->em->flush();
            foreach ($records as $record) {
                if ($record instanceof Practitioner) {
                    $this->people->add($record);
                }
            }
        } finally {
            // Where it was there already, somebody else has written.
            $this->asked->forget();
        }
    }

    /** @return list<RungCheck> of all ladders and both sides, the newest first */
    public function allChecks(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, RungCheck::class);
    }

    /** @return list<Decision> of all ladders, the newest first */
    public function allDecisions(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, Decision::class);
    }
}
