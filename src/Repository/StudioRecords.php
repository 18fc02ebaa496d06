<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\Invitation;
use LucidAscent\App\Entity\InvitationEnd;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Sharing;
use LucidAscent\App\Entity\Studio;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Who is a member of a studio, who is invited, whose people are whose, and with whom a record is shared. */
final readonly class StudioRecords
{
    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    /** @return list<Teacher> by name, those who have left among them */
    public function everybody(Studio $studio): array
    {
        return $this->em
            ->createQuery('SELECT t FROM '.Teacher::class.' t WHERE t.studio = :s ORDER BY t.name, t.id')
            ->setParameter('s', $studio->id, 'uuid')
            ->getResult();
    }

    /** @return list<Teacher> by name */
    public function members(Studio $studio): array
    {
        return array_values(
            array_filter(
                $this->everybody($studio),
                static fn (Teacher $one): bool => Role::Left !== $one->role(),
            ),
        );
    }

    /** Null when there is none of this studio's. */
    public function member(Studio $studio, string $id): ?Teacher
    {
        $found = Uuid::isValid($id) ? $this->em->find(Teacher::class, Uuid::fromString($id)) : null;

        return null !== $found && $found->studio()->id->equals($studio->id) ? $found : null;
    }

    /** As the database has it at this moment, whatever was read before. */
    public function roleNow(Teacher $member): Role
    {
        return Role::from(
            (string) $this->em
                ->getConnection()
                ->fetchOne('SELECT role FROM teacher WHERE id = ?', [$member->id->toBinary()]),
        );
    }

    /** Whether a studio has an owner beside somebody, at this moment. */
    public function hasOwnerBeside(Teacher $member): bool
    {
        return 0 <
            (int) $this->em
                ->getConnection()
                ->fetchOne('SELECT COUNT(*) FROM teacher WHERE studio_id = ? AND role = ? AND id <> ?', [
                    $member->studio()->id->toBinary(),
                    Role::Owner->value,
                    $member->id->toBinary(),
                ]);
    }

    public function hasAccount(string $email): bool
    {
        return 0 < $this->em->getRepository(Teacher::class)->count(['email' => $email]);
    }

    /** @return list<Practitioner> whose teacher somebody is, by name */
    public function peopleOf(Teacher ...$teachers): array
    {
        return $this->em
            ->createQuery('SELECT p FROM '.Practitioner::class.' p WHERE p.teacher IN (:ids) ORDER BY p.name, p.id')
            ->setParameter('ids', array_map(static fn (Teacher $one): string => $one->id->toBinary(), $teachers))
            ->getResult();
    }

    /** @return list<Invitation> those that can still be used, the newest first */
    public function invitations(Studio $studio): array
    {
        return $this->openInvitations('i.studio = :of', $studio->id, 'uuid');
    }

    public function invitation(string $hash): ?Invitation
    {
        return $this->openInvitations('i.hash = :of', $hash)[0] ?? null;
    }

    /** @return list<Invitation> */
    private function openInvitations(string $where, mixed $of, ?string $type = null): array
    {
        return $this->em
            ->createQuery(
                'SELECT i FROM '.
                    Invitation::class.
                    " i WHERE $where AND i.expiresAt > :now AND NOT EXISTS (SELECT 1 FROM ".
                    InvitationEnd::class.
                    ' e WHERE e.id = i.id) ORDER BY i.at DESC',
            )
            ->setParameter('of', $of, $type)
            ->setParameter('now', $this->clock->now(), MomentType::NAME)
            ->getResult();
    }

    /** @return list<Sharing> with whom somebody's record is shared now, the first first */
    public function sharings(Practitioner $practitioner): array
    {
        return $this->openSharings('practitioner_id', $practitioner->id);
    }

    /** @return list<Sharing> what is shared with a member now, the first first */
    public function sharedWith(Teacher $member): array
    {
        return $this->openSharings('member_id', $member->id);
    }

    /** @return list<Sharing> */
    private function openSharings(string $column, Uuid $of): array
    {
        $ids = $this->em->getConnection()->fetchFirstColumn(
            'SELECT s.id FROM '.OpenPeople::SHARINGS." AND s.$column = :of",
            ['of' => $of->toBinary(), 'now' => $this->clock->now()],
            ['now' => MomentType::NAME],
        );

        return [] === $ids
            ? []
            : $this->em
                ->createQuery(
                    'SELECT s, m FROM '.Sharing::class.' s JOIN s.member m WHERE s.id IN (:ids) ORDER BY s.at, s.id',
                )
                ->setParameter('ids', $ids, ArrayParameterType::BINARY)
                ->getResult();
    }
}
