<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use LucidAscent\Core\Caution\ClearanceAuthority;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/**
 * A word in writing that lifts what it names: who gave it, on what day, what they allow, and who wrote it down. Never
 * changed.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class Clearance
{
    /**
     * @param list<string> $names the entries that it lifts, as the judge of holds calls them
     * @param array<string, mixed>|null $allowance
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
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $clearedBy,
        #[ORM\Column(length: 20)]
        public readonly ClearanceAuthority $word,
        #[ORM\Column(type: 'date_immutable')]
        public readonly \DateTimeImmutable $givenOn,
        /** What they allow, in their words. */
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $allows,
        /** Whether it was asked: no pain since, stairs and squatting down free. */
        #[ORM\Column]
        public readonly bool $asked,
        #[ORM\Column]
        public readonly array $names,
        /** Null in a record of before, which has it beside the name. */
        #[ORM\Column(type: SealedType::NAME, nullable: true)]
        public readonly ?string $profession = null,
        /** How far it goes; null in a record of before, which has words alone. */
        #[ORM\Column(nullable: true)]
        public readonly ?array $allowance = null,
    ) {
    }
}
