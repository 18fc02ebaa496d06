<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** An assessment was ended: with all of its tests taken, or before that. What was not tested stays unknown. */
#[ORM\Entity(readOnly: true)]
class AssessmentEnd
{
    public function __construct(
        /** The assessment's own id: it ends once. */
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
