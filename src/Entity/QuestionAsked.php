<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** What a practitioner's words are about: a rung, and a picture of it. They go by one id. Never changed. */
#[ORM\Entity(readOnly: true), ORM\Table(name: 'question')]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class QuestionAsked
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 40)]
        public readonly string $posture,
        #[ORM\Column(length: 40)]
        public readonly string $rung,
        #[ORM\Column(type: UuidType::NAME, nullable: true)]
        public readonly ?Uuid $picture,
    ) {
    }
}
