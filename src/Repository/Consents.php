<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Consent;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;

/** Who has said that nothing more is recorded of them. */
final readonly class Consents
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    /** Since when; null while somebody agrees. */
    public function withdrawn(Practitioner $practitioner): ?\DateTimeImmutable
    {
        $newest = $this->em
            ->createQuery('SELECT c FROM '.Consent::class.' c WHERE c.practitioner = :p ORDER BY c.at DESC, c.id DESC')
            ->setParameter('p', $practitioner->id, 'uuid')
            ->setMaxResults(1)
            ->getOneOrNullResult();

        return $newest instanceof Consent && !$newest->given ? $newest->at : null;
    }

    /** @return list<array{who: Practitioner, since: \DateTimeImmutable}> of a teacher's people, by name */
    public function allWithdrawn(Teacher $teacher): array
    {
        $all = [];
        foreach (
            $this->em
                ->createQuery(
                    'SELECT DISTINCT p FROM '.
                        Practitioner::class.
                        ' p JOIN '.
                        Consent::class.
                        ' c WITH c.practitioner = p WHERE p.teacher = :t ORDER BY p.name, p.id',
                )
                ->setParameter('t', $teacher->id, 'uuid')
                ->getResult() as $who
        ) {
            $since = $this->withdrawn($who);
            $all = null === $since ? $all : [...$all, ['who' => $who, 'since' => $since]];
        }

        return $all;
    }
}
