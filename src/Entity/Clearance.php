<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Repository\MomentType;
use LucidAscent\Core\Body\Side;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A stop lifted by a person, in writing: who said so, what they said, and who wrote it down. */
#[ORM\Entity]
#[ORM\Index(columns: ['practitioner_id', 'side', 'at'])]
class Clearance
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(length: 5)]
        public readonly Side $side,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 160)]
        public readonly string $clearedBy,
        #[ORM\Column(type: 'text')]
        public readonly string $reason,
    ) {
    }
}
