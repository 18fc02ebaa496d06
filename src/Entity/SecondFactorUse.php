<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** That a code was used: none is good twice. */
#[ORM\Entity(readOnly: true)]
class SecondFactorUse
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $factor,
        /** Its step, or the hash of a code on paper. */
        #[ORM\Id, ORM\Column(length: 64)]
        public readonly string $code,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
