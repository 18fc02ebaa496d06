<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** Which tests somebody may take at home; the newest counts. */
#[ORM\Entity(readOnly: true), ORM\Table(name: 'own_allowed')]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class HomeTestsAllowed
{
    /** @param array<string, bool> $tests by the test's id: whether the teacher has seen how it is taken */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column]
        public readonly array $tests,
    ) {
    }
}
