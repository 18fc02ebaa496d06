<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Posture\Purpose;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A round of tests: why, what was asked beforehand, and which tests were chosen. Never changed once begun. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class Assessment
{
    /**
     * @param list<string> $wanted the poses it is for; none for a full one
     * @param list<string> $tests the chosen tests, in their order
     * @param list<string> $conditions the cautions' ids that were answered with yes
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
        #[ORM\Column]
        public readonly bool $quick,
        #[ORM\Column]
        public readonly array $wanted,
        #[ORM\Column]
        public readonly array $tests,
        #[ORM\Column]
        public readonly array $conditions,
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $note,
        #[ORM\Column]
        public readonly bool $warm,
        #[ORM\Column]
        public readonly int $painLevel,
        #[ORM\Column(length: 20)]
        public readonly PainPlace $painPlace,
        #[ORM\Column(length: 20)]
        public readonly PainKind $painKind,
        /** The teacher's word that nothing of the note hurts or is the matter; null where it was not asked or given. */
        #[ORM\Column(nullable: true)]
        public readonly ?bool $noteRead = null,
        /** @var array<string, string>|null what a wanted pose is for, by its id */
        #[ORM\Column(nullable: true)]
        public readonly ?array $purposes = null,
    ) {
    }

    /** @return array<string, Purpose> what the wanted poses are for, as far as it was said and can be read */
    public function purposes(): array
    {
        return array_filter(
            array_map(
                Purpose::tryFrom(...),
                array_intersect_key($this->purposes ?? [], array_flip($this->wanted)),
            ),
        );
    }

    /** What hurt before anything was done. */
    public function pain(): Pain
    {
        return new Pain($this->painLevel, $this->painPlace, $this->painKind);
    }
}
