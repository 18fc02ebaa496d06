<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** The number of one session in which one of two ways was tried. Never changed. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class WayTried
{
    /** Of a number, in whatever unit it has. */
    public const MOST = 1000.0;

    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $compared,
        /** 1 or 2. */
        #[ORM\Column]
        public readonly int $way,
        /** Null where it was stopped here. */
        #[ORM\Column(nullable: true)]
        public readonly ?float $number,
        #[ORM\Column(type: 'date_immutable')]
        public readonly \DateTimeImmutable $triedOn,
    ) {
    }
}
