<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Uid\Uuid;

/** Who has said that nothing more is recorded of them. */
final readonly class Consents
{
    /** Of a consent c of a person p: it is the newest, and is none. */
    public const WITHDRAWN = 'c.given = 0 AND c.id = (
        SELECT n.id FROM consent n WHERE n.practitioner_id = p.id ORDER BY n.at DESC, n.id DESC LIMIT 1
    )';

    public function __construct(private EntityManagerInterface $em)
    {
    }

    /** Since when; null while somebody agrees. */
    public function withdrawn(Practitioner $practitioner): ?\DateTimeImmutable
    {
        return $this->those('p.id = ?', $practitioner->id)[0]['since'] ?? null;
    }

    /** @return list<array{who: Practitioner, since: \DateTimeImmutable}> of a teacher's people, by name */
    public function allWithdrawn(Teacher $teacher): array
    {
        return $this->those('p.teacher_id = ?', $teacher->id);
    }

    /** @return list<array{who: Practitioner, since: \DateTimeImmutable}> */
    private function those(string $which, Uuid $of): array
    {
        $connection = $this->em->getConnection();
        $all = [];
        foreach (
            $connection->iterateNumeric(
                'SELECT p.id, c.at FROM practitioner p JOIN consent c ON '.self::WITHDRAWN.
                    " WHERE $which ORDER BY p.name, p.id",
                [$of->toBinary()],
            ) as [$id, $at]
        ) {
            $who = $this->em->find(Practitioner::class, Uuid::fromBinary($id));
            $all[] = [
                'who' => $who ?? throw new \LogicException(),
                'since' => $connection->convertToPHPValue($at, MomentType::NAME),
            ];
        }

        return $all;
    }
}
