<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Practice\ReadinessCheck;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A readiness check as it was answered. Never changed. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'readiness_check')]
#[ORM\Index(columns: ['practitioner_id', 'ladder', 'side', 'practised_on'])]
class RungCheck
{
    /** @param list<string> $compensations ids from the catalogue */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(length: 40)]
        public readonly string $ladder,
        #[ORM\Column(length: 5)]
        public readonly Side $side,
        #[ORM\Column(length: 40)]
        public readonly string $rung,
        #[ORM\Column(type: 'date_immutable')]
        public readonly \DateTimeImmutable $practisedOn,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        /** cm; null where the rung has no measured prop */
        #[ORM\Column(nullable: true)]
        public readonly ?float $propHeight,
        #[ORM\Column]
        public readonly bool $holdReached,
        #[ORM\Column]
        public readonly bool $evenBreath,
        #[ORM\Column]
        public readonly int $painLevel,
        #[ORM\Column(length: 20)]
        public readonly PainPlace $painPlace,
        #[ORM\Column(length: 20)]
        public readonly PainKind $painKind,
        #[ORM\Column]
        public readonly array $compensations,
        #[ORM\Column]
        public readonly bool $soreAtNight,
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $note,
        /** The teacher's word that nothing of the note hurts or is the matter; null where it was not asked or given. */
        #[ORM\Column(nullable: true)]
        public readonly ?bool $noteRead = null,
    ) {
    }

    public function check(): ReadinessCheck
    {
        return new ReadinessCheck(
            $this->rung,
            $this->practisedOn,
            $this->holdReached,
            $this->evenBreath,
            new Pain($this->painLevel, $this->painPlace, $this->painKind),
            $this->compensations,
            $this->soreAtNight,
            $this->at,
        );
    }
}
