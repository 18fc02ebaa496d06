<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query\ResultSetMappingBuilder;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Whose records somebody may open: their own people's, and those that are shared with them now, as long as the people
 * themselves agree.
 */
final readonly class OpenPeople
{
    /** Sharings s that are not over. */
    public const SHARINGS = 'sharing s LEFT JOIN sharing_end e ON e.id = s.id
        WHERE e.id IS NULL AND (s.until IS NULL OR s.until > :now)';

    /** Joins people as p, whether they agree to be recorded or not; what it asks for is named by asked(). */
    public const WHOSE = 'JOIN (
        SELECT id FROM practitioner WHERE teacher_id = :member
        UNION SELECT s.practitioner_id FROM '.self::SHARINGS.' AND s.member_id = :member
    ) open ON open.id = p.id';

    /** The same, without those who do not agree any more. */
    public const JOIN = self::WHOSE.' AND NOT EXISTS (SELECT 1 FROM consent c WHERE '.Consents::WITHDRAWN.')';

    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    public function one(Teacher $member, Uuid $id): ?Practitioner
    {
        return $this->of($member, 'WHERE p.id = :id', ['id' => $id->toBinary()])[0] ?? null;
    }

    /** @return array{member: string, now: string} */
    public function asked(Teacher $member): array
    {
        return [
            'member' => $member->id->toBinary(),
            'now' => $this->connection()->convertToDatabaseValue($this->clock->now(), MomentType::NAME),
        ];
    }

    /**
     * @param string $rest of the question, after the people that are open to the member
     * @param array<string, mixed> $asked in the rest
     *
     * @return list<Practitioner>
     */
    public function of(Teacher $member, string $rest, array $asked = []): array
    {
        $columns = new ResultSetMappingBuilder($this->em);
        $columns->addRootEntityFromClassMetadata(Practitioner::class, 'p');
        $people = $this->em->createNativeQuery(
            "SELECT {$columns->generateSelectClause()} FROM practitioner p ".self::JOIN." $rest",
            $columns,
        );
        foreach ($asked + $this->asked($member) as $name => $value) {
            $people->setParameter($name, $value);
        }

        return $people->getResult();
    }

    private function connection(): Connection
    {
        return $this->em->getConnection();
    }
}
