<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Practice\ElsewhereKind;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** What somebody did elsewhere: a class, teaching, another sport. Never changed. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class OtherLoad
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
        public readonly \DateTimeImmutable $doneOn,
        #[ORM\Column(length: 20)]
        public readonly ElsewhereKind $what,
        #[ORM\Column]
        public readonly int $minutes,
    ) {
    }

    public function elsewhere(): Elsewhere
    {
        return new Elsewhere($this->what, $this->minutes, $this->doneOn);
    }
}
