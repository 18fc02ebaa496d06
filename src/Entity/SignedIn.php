<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A browser in which a teacher signed in. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['teacher_id', 'at'])]
class SignedIn
{
    public const LONGEST_AGENT = 200;

    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $teacher,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 45)]
        public readonly string $address,
        /** What the browser calls itself. */
        #[ORM\Column(length: self::LONGEST_AGENT)]
        public readonly string $agent,
    ) {
    }
}
