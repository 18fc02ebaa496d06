<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** What a practitioner wrote, or ticked, on the own page; and what a teacher noted where nothing could ask. */
#[ORM\Entity(readOnly: true), ORM\Table(name: 'own_word')]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class PractitionerNote
{
    /** In own words. */
    public const WORDS = 'words';
    /** Of a session that a teacher has logged: nobody was asked what the note means. */
    public const OF_TEACHER = 'teacher';
    /** In characters. */
    public const LONGEST = 2000;
    /** The daily note was done: sat on the floor, in ways that change. */
    public const SAT = 'sat';
    /** Came to a class; the text is the name of it. */
    public const CLASS_ATTENDED = 'class';
    /** Asked a day after practice, nothing hurt; the text is the day of practice. */
    public const DAY_AFTER = 'after';

    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(type: 'date_immutable')]
        public readonly \DateTimeImmutable $saidOn,
        #[ORM\Column(length: 10)]
        public readonly string $kind,
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $text,
    ) {
    }
}
