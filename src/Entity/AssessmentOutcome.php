<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** What an assessment came to when it ended, with the version of the rules that said so. */
#[ORM\Entity(readOnly: true), ORM\Table(name: 'kept_reading')]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class AssessmentOutcome
{
    /**
     * @param array<string, array<string, string>> $states by pose and side
     * @param array<string, mixed>|null $progress the rates of that day, and what was foretold; null before any were
     *     kept
     */
    public function __construct(
        /** The assessment's own id. */
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 10)]
        public readonly string $rules,
        #[ORM\Column]
        public readonly array $states,
        #[ORM\Column(nullable: true)]
        public readonly ?array $progress = null,
    ) {
    }
}
