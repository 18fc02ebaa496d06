<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/**
 * A picture that a teacher laid beside a posture of their own; its pixels are in a file of this id, outside the web
 * root.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['studio_id', 'posture'])]
class OwnPicture
{
    #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
    public readonly Studio $studio;

    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $teacher,
        /** The posture's id within the catalogue. */
        #[ORM\Column(length: 80)]
        public readonly string $posture,
        /** In words, for whoever does not see it. */
        #[ORM\Column(length: 200)]
        public readonly string $shows,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column]
        public readonly int $width,
        #[ORM\Column]
        public readonly int $height,
    ) {
        $this->studio = $teacher->studio();
    }
}
