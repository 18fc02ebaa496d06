<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/**
 * Pain that was said where no other record keeps it: with an entry that could not be recorded, beside a side
 * without numbers, in a warm-up, at the end of a session, or when a form was sent again. Never changed.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class PainSaid
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
        public readonly \DateTimeImmutable $saidOn,
        #[ORM\Column(length: 5, nullable: true)]
        public readonly ?Side $side,
        #[ORM\Column]
        public readonly int $painLevel,
        #[ORM\Column(length: 20)]
        public readonly PainPlace $painPlace,
        #[ORM\Column(length: 20)]
        public readonly PainKind $painKind,
        /** Where it was said, in a word, and the entry it was said with. */
        #[ORM\Column(length: 80)]
        public readonly string $source,
        /** What was being done: a posture or a test of the catalogue; empty when nobody knows. */
        #[ORM\Column(length: 40)]
        public readonly string $during = '',
        #[ORM\Column(length: 40)]
        public readonly string $rung = '',
    ) {
    }

    public function pain(): Pain
    {
        return new Pain($this->painLevel, $this->painPlace, $this->painKind);
    }
}
