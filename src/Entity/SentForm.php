<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedJsonType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/**
 * What was typed into a form whose record is kept: whether it says the same is seen when it is sent again. Forgotten
 * after a while.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['at'])]
class SentForm
{
    /** @param array<string, string|list<string>> $typed by the path of the field, such as "pain.level" */
    public function __construct(
        /** The entry that the form was given when it was opened. */
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $entry,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(type: SealedJsonType::NAME)]
        public readonly array $typed,
    ) {
    }
}
