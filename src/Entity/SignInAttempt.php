<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;

/** One try to sign in. Throttling counts these, so it also holds across several web servers. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['email', 'at'])]
#[ORM\Index(columns: ['address', 'at'])]
class SignInAttempt
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    private int $id = 0; // @phpstan-ignore property.onlyWritten

    public function __construct(
        #[ORM\Column(length: 180)]
        public readonly string $email,
        #[ORM\Column(length: 45)]
        public readonly string $address,
        #[ORM\Column]
        public readonly bool $succeeded,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
