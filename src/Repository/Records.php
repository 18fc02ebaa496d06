<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Events;
use Doctrine\ORM\Exception\EntityIdentityCollisionException;
use Doctrine\ORM\Query;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\Draft;
use LucidAscent\App\Entity\LabSetup;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\OwnPicture;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PlanFeed;
use LucidAscent\App\Entity\PlanFeedEnd;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SentForm;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\ToolSettings;
use LucidAscent\Core\Testing\ToolErrors;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/**
 * The records, as one teacher may see them. Every question names the teacher: what belongs to
 * another is answered as if it were not there.
 */
#[AsDoctrineListener(Events::postFlush), AsDoctrineListener(Events::onClear)]
final class Records
{
    /** A test that nothing corrects. */
    private const STANDS = 'NOT EXISTS (SELECT 1 FROM '.Test::class.' c WHERE c.corrects = t.entryId)';

    /** @var array<string, array<class-string, list<object>>> what was asked already of people, by their ids */
    private array $asked = [];

    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly AboutPerson $aboutPerson,
    ) {
    }

    /** What was written changes the answers: nothing that was asked before counts any more. */
    public function postFlush(): void
    {
        $this->asked = [];
    }

    public function onClear(): void
    {
        $this->asked = [];
    }

    /**
     * What is on record of a person: asked once a request, as long as nothing is written.
     *
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return list<T> the newest first
     */
    private function about(Practitioner $practitioner, string $class): array
    {
        $written = $this->asked[(string) $practitioner->id] ??= $this->aboutPerson->of($practitioner);

        return array_values(
            array_filter($written[$class] ?? [], static fn (object $one): bool => $one instanceof $class),
        );
    }

    /**
     * What is on record of somebody who is in no database, for whoever asks of that person.
     *
     * @param array<class-string, list<object>> $written by kind, the newest first
     */
    public function suppose(Practitioner $practitioner, array $written): void
    {
        $this->asked[(string) $practitioner->id] = $written;
    }

    /** @return list<Practitioner> by name */
    public function practitioners(Teacher $teacher): array
    {
        return $this->em
            ->createQuery(
                'SELECT p FROM '.Practitioner::class.' p WHERE p.teacher = :teacher ORDER BY p.name, p.createdAt',
            )
            ->setParameter('teacher', $teacher->id, 'uuid')
            ->getResult();
    }

    /** @throws NotFoundHttpException when there is none of this teacher's */
    public function practitioner(Teacher $teacher, string $id): Practitioner
    {
        $found = Uuid::isValid($id)
            ? $this->em
                ->createQuery('SELECT p FROM '.Practitioner::class.' p WHERE p.teacher = :teacher AND p.id = :id')
                ->setParameter('teacher', $teacher->id, 'uuid')
                ->setParameter('id', Uuid::fromString($id), 'uuid')
                ->getOneOrNullResult()
            : null;

        return $found ?? throw new NotFoundHttpException();
    }

    /** @throws NotFoundHttpException when there is none of this practitioner's */
    public function check(Practitioner $practitioner, string $id): RungCheck
    {
        return $this->ofPractitioner(RungCheck::class, $practitioner, $id);
    }

    public function body(Practitioner $practitioner): ?BodyMeasures
    {
        return $this->bodies($practitioner)[0] ?? null;
    }

    /** @return list<BodyMeasures> the newest first */
    public function bodies(Practitioner $practitioner): array
    {
        return $this->about($practitioner, BodyMeasures::class);
    }

    /**
     * What was taken in an assessment and stands.
     *
     * @return list<Test> the newest first
     */
    public function testsOf(Assessment $assessment): array
    {
        return $this->em
            ->createQuery(
                'SELECT t FROM '.
                    Test::class.
                    ' t WHERE t.assessment = :a AND '.
                    self::STANDS.
                    ' ORDER BY t.at DESC, t.id DESC',
            )
            ->setParameter('a', $assessment->id, 'uuid')
            ->getResult();
    }

    /**
     * Those in which something hurt, corrected ones as well: what was said of pain stands.
     *
     * @return list<Test> the newest first
     */
    public function testsThatHurt(Practitioner $practitioner): array
    {
        return $this->about($practitioner, Test::class);
    }

    /** @return list<SeenRung> the newest first */
    public function seenRungs(Practitioner $practitioner): array
    {
        return $this->about($practitioner, SeenRung::class);
    }

    /** @return list<PainSaid> the newest first */
    public function painsSaid(Practitioner $practitioner): array
    {
        return $this->about($practitioner, PainSaid::class);
    }

    /** @return list<Mistake> the newest first */
    public function mistakes(Practitioner $practitioner): array
    {
        return $this->about($practitioner, Mistake::class);
    }

    /** What the first assessment came to; null before one has ended. */
    public function firstKept(Practitioner $practitioner): ?AssessmentOutcome
    {
        return $this->em
            ->createQuery(
                'SELECT k FROM '.AssessmentOutcome::class.' k WHERE k.practitioner = :p ORDER BY k.at, k.id',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setMaxResults(1)
            ->getOneOrNullResult();
    }

    /** @return list<AssessmentOutcome> the newest first */
    public function keptReadings(Practitioner $practitioner, int $most): array
    {
        return $this->em
            ->createQuery(
                'SELECT k FROM '.
                    AssessmentOutcome::class.
                    ' k WHERE k.practitioner = :p ORDER BY k.at DESC, k.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setMaxResults($most)
            ->getResult();
    }

    /** @return list<Test> both sides of one entry, corrected or not */
    public function entry(Practitioner $practitioner, string $entryId): array
    {
        if (!Uuid::isValid($entryId)) {
            throw new NotFoundHttpException();
        }
        $tests = $this->em
            ->createQuery(
                'SELECT t, r, a FROM '.
                    Test::class.
                    ' t JOIN t.trials r LEFT JOIN t.assessment a WHERE t.practitioner = :p AND t.entryId = :entry ORDER BY t.side, r.ordinal',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setParameter('entry', Uuid::fromString($entryId), 'uuid')
            ->getResult();

        return [] === $tests ? throw new NotFoundHttpException() : $tests;
    }

    public function hasEntry(Practitioner $practitioner, Uuid $entry): bool
    {
        return 0 <
            (int) $this->em
                ->createQuery(
                    'SELECT COUNT(t.id) FROM '.Test::class.' t WHERE t.practitioner = :p AND t.entryId = :entry',
                )
                ->setParameter('p', $practitioner->id, 'uuid')
                ->setParameter('entry', $entry, 'uuid')
                ->getSingleScalarResult();
    }

    public function isCorrected(Uuid $entry): bool
    {
        return 0 <
            (int) $this->em
                ->createQuery('SELECT COUNT(t.id) FROM '.Test::class.' t WHERE t.corrects = :entry')
                ->setParameter('entry', $entry, 'uuid')
                ->getSingleScalarResult();
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
        return $this->about($practitioner, Clearance::class);
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
     * @return array<string, string|list<string>>|null what was typed into a form that this teacher sent, and that was
     *     recorded
     */
    public function sentForm(Teacher $teacher, Uuid $entry): ?array
    {
        return $this->em
            ->createQuery('SELECT f.typed FROM '.SentForm::class.' f WHERE f.entry = :entry AND f.by = :teacher')
            ->setParameter('entry', $entry, 'uuid')
            ->setParameter('teacher', $teacher->id, 'uuid')
            ->getOneOrNullResult()['typed'] ?? null;
    }

    public function forgetSentForms(\DateTimeImmutable $before): void
    {
        $this->em
            ->createQuery('DELETE FROM '.SentForm::class.' f WHERE f.at < :before')
            ->setParameter('before', $before, MomentType::NAME)
            ->execute();
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
            $this->asked = [];
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
        } finally {
            // Where it was there already, somebody else has written.
            $this->asked = [];
        }
    }

    /** @return list<Assessment> the newest first */
    public function assessments(Practitioner $practitioner): array
    {
        return $this->about($practitioner, Assessment::class);
    }

    public function newestAssessment(Practitioner $practitioner): ?Assessment
    {
        return $this->assessments($practitioner)[0] ?? null;
    }

    /** @throws NotFoundHttpException when there is none of this practitioner's */
    public function assessment(Practitioner $practitioner, string $id): Assessment
    {
        return $this->ofPractitioner(Assessment::class, $practitioner, $id);
    }

    public function isEnded(Assessment $assessment): bool
    {
        return null !== $this->em->find(AssessmentEnd::class, $assessment->id);
    }

    public function draft(Practitioner $practitioner, string $place): ?Draft
    {
        return $this->em
            ->getRepository(Draft::class)
            ->findOneBy(['practitioner' => $practitioner->id, 'place' => $place]);
    }

    /** Takes away what was typed, when it is still what its form had seen. */
    public function dropDraft(Practitioner $practitioner, string $place, int $version): void
    {
        $draft = $this->draft($practitioner, $place);
        if (null !== $draft && $draft->version() === $version) {
            $this->em->remove($draft);
            $this->em->flush();
        }
    }

    public function toolErrors(Teacher $teacher): ToolErrors
    {
        $newest = $this->ask(
            'SELECT s FROM '.ToolSettings::class.' s WHERE s.teacher = :t ORDER BY s.at DESC, s.id DESC',
            ['t' => [$teacher->id, 'uuid']],
        )
            ->setMaxResults(1)
            ->getOneOrNullResult();

        return $newest instanceof ToolSettings ? $newest->errors() : ToolErrors::usual();
    }

    /** Those that are read with a person. */
    public function toolErrorsFor(Practitioner $practitioner): ToolErrors
    {
        return ($this->about($practitioner, ToolSettings::class)[0] ?? null)?->errors() ?? ToolErrors::usual();
    }

    /** @return list<OwnPicture> those that a teacher laid beside a posture, the oldest first */
    public function ownPictures(Teacher $teacher, string $posture): array
    {
        return $this->ask(
            'SELECT o FROM '.
                OwnPicture::class.
                ' o WHERE o.teacher = :teacher AND o.posture = :posture ORDER BY o.at, o.id',
            ['teacher' => [$teacher->id, 'uuid'], 'posture' => [$posture, null]],
        )->getResult();
    }

    /** @throws NotFoundHttpException when there is none of this teacher's */
    public function ownPicture(Teacher $teacher, string $id): OwnPicture
    {
        $known = [
            'teacher' => [$teacher->id, 'uuid'],
            'id' => [Uuid::isValid($id) ? Uuid::fromString($id) : throw new NotFoundHttpException(), 'uuid'],
        ];

        return $this->ask(
            'SELECT o FROM '.OwnPicture::class.' o WHERE o.teacher = :teacher AND o.id = :id',
            $known,
        )->getOneOrNullResult() ?? throw new NotFoundHttpException();
    }

    /** @throws NotFoundHttpException when there is none of this practitioner's */
    public function picture(Practitioner $practitioner, string $id): StoredPicture
    {
        return $this->ofPractitioner(StoredPicture::class, $practitioner, $id);
    }

    /** @return list<StoredPicture> the newest first */
    public function pictures(Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery(
                'SELECT k FROM '.StoredPicture::class.' k WHERE k.practitioner = :p ORDER BY k.at DESC, k.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->getResult();
    }

    /** @return list<PracticePlan> the newest first */
    public function plans(Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery(
                'SELECT l FROM '.PracticePlan::class.' l WHERE l.practitioner = :p ORDER BY l.at DESC, l.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->getResult();
    }

    /** @throws NotFoundHttpException when there is none of this practitioner's */
    public function plan(Practitioner $practitioner, string $id): PracticePlan
    {
        return $this->ofPractitioner(PracticePlan::class, $practitioner, $id);
    }

    public function newestPlan(Practitioner $practitioner): ?PracticePlan
    {
        return $this->about($practitioner, PracticePlan::class)[0] ?? null;
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

    /** @return list<Practitioner> those of whom a session was logged, by name */
    public function practised(Teacher $teacher): array
    {
        return $this->em
            ->createQuery(
                'SELECT p FROM '.
                    Practitioner::class.
                    ' p WHERE p.teacher = :teacher AND EXISTS (SELECT 1 FROM '.
                    SessionLog::class.
                    ' l WHERE l.practitioner = p) ORDER BY p.name, p.id',
            )
            ->setParameter('teacher', $teacher->id, 'uuid')
            ->getResult();
    }

    /** @return list<RungCheck> of all ladders and both sides, the newest first */
    public function allChecks(Practitioner $practitioner): array
    {
        return $this->about($practitioner, RungCheck::class);
    }

    /** @return list<Decision> of all ladders, the newest first */
    public function allDecisions(Practitioner $practitioner): array
    {
        return $this->about($practitioner, Decision::class);
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

    /** @param array<string, array{mixed, string|null}> $known values with their types, by name */
    private function ask(string $dql, array $known): Query
    {
        $query = $this->em->createQuery($dql);
        foreach ($known as $name => [$value, $type]) {
            $query->setParameter($name, $value, $type);
        }

        return $query;
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     *
     * @throws NotFoundHttpException when there is none of this practitioner's
     */
    private function ofPractitioner(string $class, Practitioner $practitioner, string $id): object
    {
        $found = Uuid::isValid($id)
            ? $this->em
                ->createQuery("SELECT o FROM $class o WHERE o.practitioner = :p AND o.id = :id")
                ->setParameter('p', $practitioner->id, 'uuid')
                ->setParameter('id', Uuid::fromString($id), 'uuid')
                ->getOneOrNullResult()
            : null;

        return $found instanceof $class ? $found : throw new NotFoundHttpException();
    }
}
