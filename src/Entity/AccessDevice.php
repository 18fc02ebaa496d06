<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** The one device on which a key was used first. */
#[ORM\Entity(readOnly: true), ORM\Table(name: 'own_device')]
class AccessDevice
{
    public function __construct(
        /** The key's own id: it is used first once. */
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 64)]
        public readonly string $tokenHash,
        #[ORM\Column(length: 255)]
        public readonly string $pinHash,
    ) {
    }
}
