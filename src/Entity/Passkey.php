<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** What a device of somebody's signs with: its private half never leaves the device. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['teacher_id', 'at'])]
class Passkey
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $teacher,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        /** What the device calls it, in base 64 for addresses. */
        #[ORM\Column(length: 1400)]
        public readonly string $credential,
        /** Its public half, as PEM. */
        #[ORM\Column(type: 'text')]
        public readonly string $publicKey,
        /** In its owner's words: which device it is. */
        #[ORM\Column(length: 80)]
        public readonly string $name,
        /** @var list<string> hashes of the codes on paper, in hex */
        #[ORM\Column]
        public readonly array $recovery,
    ) {
    }
}
