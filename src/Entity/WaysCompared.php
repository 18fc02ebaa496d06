<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\Core\Body\Side;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** Two set-ups of a rung that are to be tried in turn, and what is measured each time. Never changed. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class WaysCompared
{
    /** In characters. */
    private const LONGEST = 80;

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
        #[ORM\Column(length: self::LONGEST)]
        public readonly string $firstWay,
        #[ORM\Column(length: self::LONGEST)]
        public readonly string $secondWay,
        /** What the number is, with its unit. */
        #[ORM\Column(length: self::LONGEST)]
        public readonly string $measured,
    ) {
    }

    public function way(int $which): string
    {
        return 1 === $which ? $this->firstWay : $this->secondWay;
    }
}
