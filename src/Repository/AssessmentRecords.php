<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\Practitioner;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * Assessments, and what they came to. Whose they are is asked first: what belongs to another is answered as if it were
 * not there.
 */
final readonly class AssessmentRecords
{
    public function __construct(private EntityManagerInterface $em, private AskedOnce $asked)
    {
    }

    /** @return list<Assessment> the newest first */
    public function assessments(Practitioner $practitioner): array
    {
        return $this->asked->about($practitioner, Assessment::class);
    }

    public function newestAssessment(Practitioner $practitioner): ?Assessment
    {
        return $this->assessments($practitioner)[0] ?? null;
    }

    /** @throws NotFoundHttpException when there is none of this practitioner's */
    public function assessment(Practitioner $practitioner, string $id): Assessment
    {
        return $this->asked->ofPractitioner(Assessment::class, $practitioner, $id);
    }

    public function isEnded(Assessment $assessment): bool
    {
        return null !== $this->em->find(AssessmentEnd::class, $assessment->id);
    }

    /** What the first assessment came to; null before one has ended. */
    public function firstOutcome(Practitioner $practitioner): ?AssessmentOutcome
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
    public function outcomes(Practitioner $practitioner, int $most): array
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
}
