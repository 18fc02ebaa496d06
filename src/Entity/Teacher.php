<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Uid\Uuid;

/** Somebody who signs in: a member of a studio. */
#[ORM\Entity]
class Teacher implements UserInterface, PasswordAuthenticatedUserInterface
{
    /** Who wrote something elsewhere has a name here, and no address to sign in with. */
    private const ELSEWHERE = '@elsewhere.invalid';

    #[ORM\Column(length: 255)]
    private string $password = '';
    #[ORM\ManyToOne(cascade: ['persist'], fetch: 'EAGER')]
    private ?Studio $studio = null;
    /** Of somebody who has no account here. */
    private ?Studio $elsewhere = null;
    /** Of texts and numbers, as Languages has it; null until the teacher has chosen. */
    #[ORM\Column(length: 10, nullable: true)]
    private ?string $locale = null;

    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        /** @var non-empty-string in lower case */
        #[ORM\Column(length: 180, unique: true)]
        public readonly string $email,
        #[ORM\Column(length: 120)]
        public readonly string $name,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $createdAt,
        ?Studio $studio = null,
        /** Said anew by a MemberRole alone. */
        #[ORM\Column(length: 12)]
        private Role $role = Role::Owner,
    ) {
        // Whoever comes alone has a studio of one.
        $this->studio = self::isClaimedAddress($email) ? null : $studio ?? new Studio(Uuid::v7(), $createdAt);
    }

    /** Somebody of whom a file says that they wrote what is in it: nobody's account, whoever has that id here. */
    public static function claimed(Uuid $id, string $name, \DateTimeImmutable $at): self
    {
        return new self($id, $id.self::ELSEWHERE, $name, $at, role: Role::Left);
    }

    public static function isClaimedAddress(string $email): bool
    {
        return str_ends_with($email, self::ELSEWHERE);
    }

    public function isClaimed(): bool
    {
        return self::isClaimedAddress($this->email);
    }

    public function getUserIdentifier(): string
    {
        return $this->email;
    }

    public function getRoles(): array
    {
        return Role::Left === $this->role ? [] : ['ROLE_MEMBER'];
    }

    public function role(): Role
    {
        return $this->role;
    }

    public function studio(): Studio
    {
        return $this->studio ?? ($this->elsewhere ??= new Studio($this->id, $this->createdAt));
    }

    public function getPassword(): string
    {
        return $this->password;
    }

    public function changePassword(#[\SensitiveParameter] string $hash): void
    {
        $this->password = $hash;
    }

    public function locale(): ?string
    {
        return $this->locale;
    }

    public function speak(string $locale): void
    {
        $this->locale = $locale;
    }

    public function timeZone(): ?string
    {
        return $this->studio()->timeZone();
    }

    /** @param string $zone of the tz database, such as Europe/Oslo */
    public function moveTo(string $zone): void
    {
        $this->studio()->moveTo($zone);
    }

    /** The same moment by the studio's clock: its day is everybody's day there. UTC until a zone was said. */
    public function local(\DateTimeImmutable $moment): \DateTimeImmutable
    {
        return $moment->setTimezone(new \DateTimeZone($this->timeZone() ?? 'UTC'));
    }

    public function eraseCredentials(): void
    {
    }
}
