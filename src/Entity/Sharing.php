<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** That another member of the studio may open somebody's record, who has agreed to it. */
#[ORM\Entity(readOnly: true)]
class Sharing
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $member,
        /** The day on which the practitioner agreed. */
        #[ORM\Column(type: 'date_immutable')]
        public readonly \DateTimeImmutable $agreedOn,
        /** From then on it is over by itself; null where it goes on until somebody ends it. */
        #[ORM\Column(type: MomentType::NAME, nullable: true)]
        public readonly ?\DateTimeImmutable $until,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
    ) {
    }
}
