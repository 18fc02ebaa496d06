<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

#[ORM\Entity]
#[ORM\Index(columns: ['teacher_id', 'name'])]
class Practitioner
{
    /** Of the own page, as Languages has it; null for that of the teacher. */
    #[ORM\Column(length: 10, nullable: true)]
    private ?string $locale = null;

    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $teacher,
        #[ORM\Column(length: 120)]
        public readonly string $name,
        /** When the practitioner agreed to be measured and recorded. */
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $consentedAt,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $createdAt,
    ) {
    }

    public function locale(): ?string
    {
        return $this->locale ?? $this->teacher->locale();
    }

    public function speak(string $locale): void
    {
        $this->locale = $locale;
    }
}
