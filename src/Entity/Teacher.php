<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Uid\Uuid;

#[ORM\Entity]
class Teacher implements UserInterface, PasswordAuthenticatedUserInterface
{
    /** Who wrote something elsewhere has a name here, and no address to sign in with. */
    private const ELSEWHERE = '@elsewhere.invalid';

    #[ORM\Column(length: 255)]
    private string $password = '';
    /** Of the tz database; null until the teacher has said. */
    #[ORM\Column(length: 64, nullable: true)]
    private ?string $timeZone = null;
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
    ) {
    }

    /** Somebody of whom a file says that they wrote what is in it: nobody's account, whoever has that id here. */
    public static function claimed(Uuid $id, string $name, \DateTimeImmutable $at): self
    {
        return new self($id, $id.self::ELSEWHERE, $name, $at);
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
        return ['ROLE_TEACHER'];
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
        return $this->timeZone;
    }

    /** @param string $zone of the tz database, such as Europe/Oslo */
    public function moveTo(string $zone): void
    {
        $this->timeZone = $zone;
    }

    /** The same moment by the teacher's clock: its day is the teacher's day. UTC until a zone was said. */
    public function local(\DateTimeImmutable $moment): \DateTimeImmutable
    {
        return $moment->setTimezone(new \DateTimeZone($this->timeZone ?? 'UTC'));
    }

    public function eraseCredentials(): void
    {
    }
}
