<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Repository\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A picture that a teacher chose to keep; its pixels are in a file of this id, outside the web root. */
#[ORM\Entity]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class KeptPicture
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
        #[ORM\Column(length: 40)]
        public readonly string $test,
        #[ORM\Column]
        public readonly int $width,
        #[ORM\Column]
        public readonly int $height,
    ) {
    }
}
