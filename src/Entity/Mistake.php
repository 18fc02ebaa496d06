<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** An entry taken back as a slip of the pen; both stay for ever. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class Mistake
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
        /** The entry, as the judge of holds calls it. */
        #[ORM\Column(length: 120)]
        public readonly string $names,
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $why,
    ) {
    }
}
