<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A body as it was measured once. Never changed: a later or a corrected measurement is a new row. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class BodyMeasures
{
    /**
     * @param array<string, float> $lengths measured ones only, in cm, named as in Proportions
     * @param array<string, string> $confirmed doubts about a length that the teacher has answered, by its name
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        /** cm */
        #[ORM\Column]
        public readonly float $stature,
        #[ORM\Column]
        public readonly array $lengths,
        #[ORM\Column]
        public readonly array $confirmed,
    ) {
    }

    public function proportions(): Proportions
    {
        return Proportions::of(
            Length::cm($this->stature),
            array_map(Length::cm(...), $this->lengths),
        );
    }
}
