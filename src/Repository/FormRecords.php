<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Draft;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\SentForm;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Uid\Uuid;

/**
 * What was typed: into forms that were sent, and on the bench before anything is recorded. Whose they are is asked
 * first: what belongs to another is answered as if it were not there.
 */
final readonly class FormRecords
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    public function draft(Practitioner $practitioner, Teacher $by, string $place): ?Draft
    {
        return $this->em
            ->getRepository(Draft::class)
            ->findOneBy(['practitioner' => $practitioner->id, 'by' => $by->id, 'place' => $place]);
    }

    /** Takes away what was typed, when it is still what its form had seen. */
    public function dropDraft(Practitioner $practitioner, Teacher $by, string $place, int $version): void
    {
        $draft = $this->draft($practitioner, $by, $place);
        if (null !== $draft && $draft->version() === $version) {
            $this->em->remove($draft);
            $this->em->flush();
        }
    }

    /**
     * @return array<string, string|list<string>>|null what was typed into a form that this teacher sent, and that was
     *     recorded
     */
    public function sentForm(Teacher $teacher, Uuid $entry): ?array
    {
        return $this->em
            ->createQuery(
                'SELECT f.typed FROM '.SentForm::class.' f WHERE f.entry = :entry AND f.by = :teacher',
            )
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
}
