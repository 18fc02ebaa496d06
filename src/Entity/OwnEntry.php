<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** One version of a teacher's own catalogue entry. Never changed: the next version is a new row. */
#[ORM\Entity(readOnly: true)]
#[ORM\UniqueConstraint(columns: ['studio_id', 'kind', 'name', 'version'])]
class OwnEntry
{
    #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
    public readonly Studio $studio;

    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $teacher,
        #[ORM\Column(length: 10)]
        public readonly Kind $kind,
        /** The entry's id within the catalogue. */
        #[ORM\Column(length: 80)]
        public readonly string $name,
        #[ORM\Column]
        public readonly int $version,
        /** The shipped entry that it adapts. */
        #[ORM\Column(length: 80, nullable: true)]
        public readonly ?string $adapts,
        /** YAML */
        #[ORM\Column(type: 'text')]
        public readonly string $text,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
    ) {
        $this->studio = $teacher->studio();
    }
}
