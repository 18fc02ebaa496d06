<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** Up to this moment the teacher has seen what came in from a practitioner. */
#[ORM\Entity]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class SeenByTeacher
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
