<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedJsonType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/**
 * What was typed into a form and not recorded yet. No record: it is overwritten while somebody types,
 * but only by who has seen the version that is there.
 */
#[ORM\Entity]
#[ORM\UniqueConstraint(columns: ['practitioner_id', 'place', 'by_id'])]
class Draft
{
    #[ORM\Version, ORM\Column(type: 'integer')]
    private int $version = 1;

    /** @param array<string, string|list<string>> $content by the form's field names */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        /** Who typed it: nobody else is shown it. */
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        /** Which form: a test's id. */
        #[ORM\Column(length: 80)]
        public readonly string $place,
        #[ORM\Column(type: SealedJsonType::NAME)]
        public array $content,
        #[ORM\Column(type: MomentType::NAME)]
        public \DateTimeImmutable $at,
    ) {
    }

    public function version(): int
    {
        return $this->version;
    }
}
