<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** What makes somebody a member of a studio, once: only the hash of its secret is kept. */
#[ORM\Entity(readOnly: true)]
class Invitation
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Studio $studio,
        /** In lower case. */
        #[ORM\Column(length: 180)]
        public readonly string $email,
        #[ORM\Column(length: 120)]
        public readonly string $name,
        #[ORM\Column(length: 12)]
        public readonly Role $role,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $expiresAt,
        #[ORM\Column(length: 64, unique: true)]
        public readonly string $hash,
    ) {
    }
}
