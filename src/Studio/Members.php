<?php

declare(strict_types=1);

namespace LucidAscent\App\Studio;

use LucidAscent\App\Entity\Invitation;
use LucidAscent\App\Entity\InvitationEnd;
use LucidAscent\App\Entity\MemberRole;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\SharingEnd;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\StudioRecords;
use LucidAscent\App\Security\OneAtATime;
use LucidAscent\App\Security\SignedInBrowser;
use Psr\Clock\ClockInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/** Who comes to a studio, what they are there, and who leaves it: nobody's people are left without a teacher. */
final readonly class Members
{
    /** An invitation that nobody has used by then is over. */
    public const DAYS = 7;

    public function __construct(
        private StudioRecords $studio,
        private SharedRecord $shared,
        private Records $records,
        private SignedInBrowser $browsers,
        private UserPasswordHasherInterface $hasher,
        private OneAtATime $oneAtATime,
        private ClockInterface $clock,
    ) {
    }

    /** @return string the secret that the invitation is used with: told once, and kept nowhere */
    public function invite(Teacher $by, string $email, string $name, Role $role): string
    {
        $secret = bin2hex(random_bytes(24));
        $now = $this->clock->now();
        // Whoever is invited again has one invitation, the newest.
        $before = array_filter(
            $this->studio->invitations($by->studio()),
            static fn (Invitation $one): bool => $one->email === $email,
        );
        $this->records->add(
            ...array_map(static fn (Invitation $one): InvitationEnd => new InvitationEnd($one->id, $now), $before),
            ...[
                new Invitation(
                    Uuid::v7(),
                    $by->studio(),
                    $email,
                    $name,
                    $role,
                    $now,
                    $by,
                    $now->modify(sprintf('+%d days', self::DAYS)),
                    self::hash($secret),
                ),
            ],
        );

        return $secret;
    }

    public function invitation(#[\SensitiveParameter] string $secret): ?Invitation
    {
        return $this->studio->invitation(self::hash($secret));
    }

    /** @return Teacher|null null when somebody was quicker */
    public function join(Invitation $invitation, string $name, #[\SensitiveParameter] string $password): ?Teacher
    {
        $now = $this->clock->now();
        $member = new Teacher(
            Uuid::v7(),
            '' === $invitation->email ? throw new \LogicException() : $invitation->email,
            $name,
            $now,
            $invitation->studio,
            $invitation->role,
        );
        $member->changePassword($this->hasher->hashPassword($member, $password));

        return $this->records->addOnce(
            new InvitationEnd($invitation->id, $now),
            $member,
            new MemberRole(Uuid::v7(), $member, $invitation->role, $now, $invitation->by),
        )
            ? $member
            : null;
    }

    /**
     * @param Teacher|null $to whose their people are from now on, where they have any and are to have none
     *
     * @return string|null the message that says why not
     */
    public function change(Teacher $member, Role $role, Teacher $by, ?Teacher $to = null): ?string
    {
        // Of two owners who make one another something else at once, one stays.
        $this->oneAtATime->hold('studio '.$by->studio()->id);
        $people = $role->teaches() ? [] : $this->studio->peopleOf($member);
        $was = $this->studio->roleNow($member);
        $fault = match (true) {
            Role::Owner !== $this->studio->roleNow($by) => 'studio.fault.by',
            Role::Owner !== $role && !$this->studio->hasOwnerBeside($member) => 'studio.fault.last_owner',
            [] !== $people && null === $to => 'studio.fault.people',
            [] !== $people && ($to === $member || !$this->studio->roleNow($to)->teaches()) => 'studio.fault.to',
            default => null,
        };
        if (null !== $fault) {
            return $fault;
        }
        $now = $this->clock->now();
        $records = [new MemberRole(Uuid::v7(), $member, $role, $now, $by)];
        foreach ($people as $one) {
            array_push($records, ...$this->shared->handedOver($one, $to ?? $by, $by));
        }
        // What was agreed to for a colleague was not agreed to for what they are now.
        foreach ($role->teaches() && $was->teaches() ? [] : $this->studio->sharedWith($member) as $one) {
            $records[] = new SharingEnd($one->id, $now, $by);
        }
        $this->records->add(...$records);
        if (Role::Left === $role) {
            $this->browsers->endAll($member);
        }

        return null;
    }

    private static function hash(#[\SensitiveParameter] string $secret): string
    {
        return hash('sha256', $secret);
    }
}
