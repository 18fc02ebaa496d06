<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A teacher's answer to a practitioner's words: in words, a figure, or a mark on the picture. Never changed. */
#[ORM\Entity(readOnly: true), ORM\Table(name: 'answer')]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class AnswerGiven
{
    /** @param array{float, float}|null $mark on the picture, as shares of its width and height */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        /** The words that it answers. */
        #[ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $question,
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $text,
        /** A figure: a posture and a rung of it; empty where there is none. */
        #[ORM\Column(length: 40)]
        public readonly string $posture,
        #[ORM\Column(length: 40)]
        public readonly string $rung,
        #[ORM\Column(nullable: true)]
        public readonly ?array $mark,
    ) {
    }
}
