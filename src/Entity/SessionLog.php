<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedJsonType;
use LucidAscent\App\Database\SealedType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A session as it was practised. Its id is made where it is practised, so that sending it twice keeps one. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'practised_on'])]
class SessionLog
{
    /** @param list<array<string, mixed>> $items what was done of each item of work */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly PracticePlan $plan,
        #[ORM\Column(type: 'date_immutable')]
        public readonly \DateTimeImmutable $practisedOn,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(type: SealedJsonType::NAME)]
        public readonly array $items,
        /** One number before the work and the same after it, in cm; null when it was not read. */
        #[ORM\Column(nullable: true)]
        public readonly ?float $numberBefore,
        #[ORM\Column(nullable: true)]
        public readonly ?float $numberAfter,
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $note,
    ) {
    }
}
