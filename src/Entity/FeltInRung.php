<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** Where a rung, or a form beside one, was felt on one side, and what it was like. Never changed. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class FeltInRung
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
        #[ORM\Column(type: 'date_immutable')]
        public readonly \DateTimeImmutable $feltOn,
        #[ORM\Column(length: 40)]
        public readonly string $posture,
        #[ORM\Column(length: 40)]
        public readonly string $rung,
        #[ORM\Column(length: 5, nullable: true)]
        public readonly ?Side $side,
        /** A place of the catalogue's list. */
        #[ORM\Column(length: 20)]
        public readonly string $felt,
        #[ORM\Column(length: 20)]
        public readonly PainKind $kind,
        /** Where it was said, in a word, and the entry it was said with. */
        #[ORM\Column(length: 80)]
        public readonly string $source,
    ) {
    }
}
