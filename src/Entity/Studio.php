<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** Where people are taught, by one teacher or by several: it has one clock, one set of tools and one library. */
#[ORM\Entity]
class Studio
{
    public const LONGEST_NAME = 120;

    /** Of the tz database; null until somebody has said. */
    #[ORM\Column(length: 64, nullable: true)]
    private ?string $timeZone = null;
    /** Empty until somebody has said. */
    #[ORM\Column(length: self::LONGEST_NAME)]
    private string $name = '';
    /** Whether whoever owns it signs in with a second factor, or sees nobody's record. */
    #[ORM\Column]
    private bool $ownersProveTwice = false;

    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
    ) {
    }

    public function name(): string
    {
        return $this->name;
    }

    public function timeZone(): ?string
    {
        return $this->timeZone;
    }

    public function ownersProveTwice(): bool
    {
        return $this->ownersProveTwice;
    }

    /** @param string $zone of the tz database, such as Europe/Oslo */
    public function moveTo(string $zone): void
    {
        $this->timeZone = $zone;
    }

    public function set(string $name, bool $ownersProveTwice): void
    {
        $this->name = $name;
        $this->ownersProveTwice = $ownersProveTwice;
    }
}
