<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A class that a teacher gives: when, where, and which postures. It is changed as often as needed. */
#[ORM\Entity]
#[ORM\Index(columns: ['teacher_id', 'held_on'])]
#[ORM\Index(columns: ['course'])]
class StudioClass
{
    /** In minutes, of one posture. */
    public const USUAL = 5;
    public const LONGEST = 60;
    /** In postures, and in people. */
    public const MOST_PIECES = 40;
    public const MOST_PEOPLE = 40;

    #[ORM\Version, ORM\Column(type: 'integer')]
    private int $version = 1;

    /**
     * @param list<array{posture: string, minutes: int}> $pieces in their order
     * @param Uuid|null $course what the days of one course have in common
     * @param string $theme the posture that a day of a course is about; empty when there is none
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $teacher,
        #[ORM\Column(length: 80)]
        public string $name,
        #[ORM\Column(type: 'date_immutable')]
        public \DateTimeImmutable $heldOn,
        #[ORM\Column(length: 80)]
        public string $place,
        #[ORM\Column]
        public array $pieces,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(type: UuidType::NAME, nullable: true)]
        public readonly ?Uuid $course = null,
        #[ORM\Column(length: 40, options: ['default' => ''])]
        public readonly string $theme = '',
    ) {
    }

    public function version(): int
    {
        return $this->version;
    }

    public function minutes(): int
    {
        return array_sum(array_column($this->pieces, 'minutes'));
    }

    /** @return list<string> ids */
    public function postures(): array
    {
        return array_column($this->pieces, 'posture');
    }
}
