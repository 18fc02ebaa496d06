<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\ToolSettings;
use LucidAscent\Core\Testing\ToolErrors;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/**
 * Tests as they were taken, and by how much their tools err. Whose they are is asked first: what belongs to another is
 * answered as if it were not there.
 */
final readonly class TestRecords
{
    /** A test that nothing corrects. */
    private const STANDS = 'NOT EXISTS (SELECT 1 FROM '.Test::class.' c WHERE c.corrects = t.entryId)';

    public function __construct(private EntityManagerInterface $em, private AskedOnce $asked)
    {
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
        return $this->asked->about($practitioner, Test::class);
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
                    'SELECT COUNT(t.id) FROM '.
                        Test::class.
                        ' t WHERE t.practitioner = :p AND t.entryId = :entry',
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

    public function toolErrors(Teacher $teacher): ToolErrors
    {
        return $this->toolSettings($teacher)?->errors() ?? ToolErrors::usual();
    }

    /** As the studio has set them; null where it has not. */
    public function toolSettings(Teacher $teacher): ?ToolSettings
    {
        return $this->em
            ->createQuery('SELECT s FROM '.ToolSettings::class.' s WHERE s.studio = :s ORDER BY s.at DESC, s.id DESC')
            ->setParameter('s', $teacher->studio()->id, 'uuid')
            ->setMaxResults(1)
            ->getOneOrNullResult();
    }

    /** Those that are read with a person. */
    public function toolErrorsFor(Practitioner $practitioner): ToolErrors
    {
        return ($this->asked->about($practitioner, ToolSettings::class)[0] ?? null)?->errors() ??
            ToolErrors::usual();
    }
}
