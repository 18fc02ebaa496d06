<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** An app of a teacher's that shows codes, and the codes on paper for when it is lost. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['teacher_id', 'at'])]
class SecondFactor
{
    /** @param list<string> $recovery hashes of the codes on paper, in hex */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $teacher,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        /** Sealed with a key that is not in the database, in base 64. */
        #[ORM\Column(length: 120)]
        public readonly string $secret,
        #[ORM\Column]
        public readonly array $recovery,
    ) {
    }
}
