<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** Somebody typed a PIN. */
#[ORM\Entity(readOnly: true)]
class PinTry
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    private int $id = 0; // @phpstan-ignore property.onlyWritten

    /** Which one of its device's it was, as the database counts them. */
    #[ORM\Column(insertable: false, options: ['unsigned' => true, 'default' => 0])]
    private int $number = 0; // @phpstan-ignore property.onlyWritten

    public function __construct(
        #[ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $device,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column]
        public readonly bool $succeeded,
    ) {
    }
}
