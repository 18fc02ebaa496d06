<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\OwnPicture;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/**
 * Pictures that were kept, of people and beside postures. Whose they are is asked first: what belongs to another is
 * answered as if it were not there.
 */
final readonly class PictureRecords
{
    public function __construct(private EntityManagerInterface $em, private AskedOnce $asked)
    {
    }

    /** @return list<OwnPicture> those that are laid beside a posture, the oldest first */
    public function ownPictures(Teacher $teacher, string $posture): array
    {
        return $this->em
            ->createQuery(
                'SELECT o FROM '.
                    OwnPicture::class.
                    ' o WHERE o.studio = :studio AND o.posture = :posture ORDER BY o.at, o.id',
            )
            ->setParameter('studio', $teacher->studio()->id, 'uuid')
            ->setParameter('posture', $posture)
            ->getResult();
    }

    /** @throws NotFoundHttpException when there is none of this teacher's */
    public function ownPicture(Teacher $teacher, string $id): OwnPicture
    {
        $found = Uuid::isValid($id)
            ? $this->em
                ->createQuery('SELECT o FROM '.OwnPicture::class.' o WHERE o.studio = :studio AND o.id = :id')
                ->setParameter('studio', $teacher->studio()->id, 'uuid')
                ->setParameter('id', Uuid::fromString($id), 'uuid')
                ->getOneOrNullResult()
            : null;

        return $found ?? throw new NotFoundHttpException();
    }

    /**
     * One that was sent before, under the same id.
     *
     * @throws NotFoundHttpException when it is somebody else's
     */
    public function sent(Practitioner $practitioner, Uuid $id): ?StoredPicture
    {
        return null === $this->em->find(StoredPicture::class, $id)
            ? null
            : $this->picture($practitioner, (string) $id);
    }

    /** @throws NotFoundHttpException when there is none of this practitioner's */
    public function picture(Practitioner $practitioner, string $id): StoredPicture
    {
        return $this->asked->ofPractitioner(StoredPicture::class, $practitioner, $id);
    }

    /** @return list<StoredPicture> the newest first */
    public function pictures(Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery(
                'SELECT k FROM '.
                    StoredPicture::class.
                    ' k WHERE k.practitioner = :p ORDER BY k.at DESC, k.id DESC',
            )
            ->setParameter('p', $practitioner->id, 'uuid')
            ->getResult();
    }
}
