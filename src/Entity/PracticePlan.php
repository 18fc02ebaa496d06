<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A plan as it stood. Never changed: a change by hand or a new start is a new row that names the old. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class PracticePlan
{
    /**
     * @param array<string, mixed> $request the time there is, as it was asked for
     * @param array<string, mixed> $plan what was planned, in the version that it names
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
        #[ORM\Column(length: 10)]
        public readonly string $rules,
        #[ORM\Column]
        public readonly array $request,
        #[ORM\Column]
        public readonly array $plan,
        #[ORM\Column(type: UuidType::NAME, nullable: true)]
        public readonly ?Uuid $replaces,
        /** What was changed, and why in the teacher's words; empty for a plan that was made anew. */
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $changed,
    ) {
    }
}
