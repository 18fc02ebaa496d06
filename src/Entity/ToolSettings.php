<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\Core\Testing\ToolErrors;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** How far a teacher's own tools are off. The newest counts. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['studio_id', 'at'])]
class ToolSettings
{
    #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
    public readonly Studio $studio;

    /** @param array<string, float> $sd by the names of ToolErrors::DEFAULTS */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $teacher,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column]
        public readonly array $sd,
    ) {
        $this->studio = $teacher->studio();
    }

    public function errors(): ToolErrors
    {
        return ToolErrors::of($this->sd);
    }
}
