<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A record that came in by the practitioner's own page, and not by the teacher's hand. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class FromPractitioner
{
    public const PAIN = 'pain';
    public const LOG = 'log';
    /** A check that a log of that page made: its log is shown. */
    public const CHECK = 'check';
    public const TEST = 'test';
    public const WORDS = 'words';
    public const PICTURE = 'picture';

    public function __construct(
        /** The record's own id. */
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 10)]
        public readonly string $kind,
    ) {
    }
}
