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
use LucidAscent\Core\Practice\Seen;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A rung as it was seen on the walk up a ladder. Never changed. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class SeenRung
{
    /** @param array<string, float> $heights in cm, by the names of the leg chain */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 40)]
        public readonly string $posture,
        #[ORM\Column(length: 40)]
        public readonly string $rung,
        #[ORM\Column(length: 5)]
        public readonly Side $side,
        #[ORM\Column]
        public readonly bool $clean,
        #[ORM\Column]
        public readonly array $heights,
        /** Whether the limb hung free on nothing but the prop. */
        #[ORM\Column]
        public readonly bool $hangs,
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $why,
        #[ORM\Column]
        public readonly int $painLevel,
        #[ORM\Column(length: 20)]
        public readonly PainPlace $painPlace,
        #[ORM\Column(length: 20)]
        public readonly PainKind $painKind,
        /** The teacher's word that nothing of it hurts or is the matter; null where it was not asked or given. */
        #[ORM\Column(nullable: true)]
        public readonly ?bool $noteRead = null,
    ) {
    }

    public function pain(): Pain
    {
        return new Pain($this->painLevel, $this->painPlace, $this->painKind);
    }

    public function seen(): Seen
    {
        $at = $this->practitioner->teacher->local($this->at);

        return new Seen(
            $this->posture,
            $this->rung,
            $this->side,
            $this->clean && !$this->pain()->spoils(),
            $at,
            $at,
            $this->heights,
            $this->hangs,
        );
    }
}
