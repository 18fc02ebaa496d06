<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\PasswordChange;
use LucidAscent\App\Entity\SignedIn;
use LucidAscent\App\Entity\SignedInEnd;
use LucidAscent\App\Entity\SignInAttempt;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Uid\Uuid;

/** Where teachers are signed in, and what happened to their accounts. */
final readonly class SignedInRecords
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    /** @return list<SignedIn> of a teacher, begun after a moment and not ended, the newest first */
    public function open(Teacher $teacher, \DateTimeImmutable $since): array
    {
        return $this->em
            ->createQuery(
                'SELECT s FROM '.
                    SignedIn::class.
                    ' s WHERE s.teacher = :teacher AND s.at > :since AND NOT EXISTS (SELECT 1 FROM '.
                    SignedInEnd::class.
                    ' e WHERE e.id = s.id) ORDER BY s.at DESC, s.id DESC',
            )
            ->setParameter('teacher', $teacher->id, 'uuid')
            ->setParameter('since', $since, MomentType::NAME)
            ->getResult();
    }

    public function hasEnded(Uuid $id): bool
    {
        return null !== $this->em->find(SignedInEnd::class, $id);
    }

    /** Signs browsers of a teacher out; what is nobody's or has ended is passed over. */
    public function end(Teacher $teacher, \DateTimeImmutable $at, Uuid ...$ids): void
    {
        foreach ($ids as $id) {
            $one = $this->em->find(SignedIn::class, $id);
            if (null !== $one && $one->teacher === $teacher && !$this->hasEnded($id)) {
                $this->em->persist(new SignedInEnd($id, $at));
            }
        }
        $this->em->flush();
    }

    /** When somebody last signed in to an account; long ago when nobody has. */
    public function last(string $email): \DateTimeImmutable
    {
        $last = $this->em
            ->createQuery(
                'SELECT MAX(a.at) FROM '.SignInAttempt::class.' a WHERE a.email = :email AND a.succeeded = true',
            )
            ->setParameter('email', $email)
            ->getSingleScalarResult();

        return new \DateTimeImmutable((string) ($last ?? '@0'), new \DateTimeZone('UTC'));
    }

    /**
     * What a teacher has to know who signs in: since the last time that somebody did.
     *
     * @return array{int, PasswordChange|null} tries that failed; the newest change of the password
     */
    public function since(Teacher $teacher): array
    {
        $since = $this->last($teacher->email);
        $failed = $this->em
            ->createQuery(
                'SELECT COUNT(a.id) FROM '.
                    SignInAttempt::class.
                    ' a WHERE a.email = :email AND a.succeeded = false AND a.at > :since',
            )
            ->setParameter('email', $teacher->email)
            ->setParameter('since', $since, MomentType::NAME)
            ->getSingleScalarResult();
        $changes = $this->em
            ->createQuery(
                'SELECT c FROM '.
                    PasswordChange::class.
                    ' c WHERE c.teacher = :teacher AND c.at > :since ORDER BY c.at DESC, c.id DESC',
            )
            ->setParameter('teacher', $teacher->id, 'uuid')
            ->setParameter('since', $since, MomentType::NAME)
            ->setMaxResults(1)
            ->getOneOrNullResult();

        return [(int) $failed, $changes];
    }

    /** Who was signed in from where is nobody's business for longer. */
    public function forget(\DateTimeImmutable $before): void
    {
        $this->em
            ->createQuery('DELETE FROM '.SignedIn::class.' s WHERE s.at < :before')
            ->setParameter('before', $before, MomentType::NAME)
            ->execute();
    }
}
