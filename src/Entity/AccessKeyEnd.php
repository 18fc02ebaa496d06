<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A key that was revoked opens nothing any more. */
#[ORM\Entity(readOnly: true), ORM\Table(name: 'own_key_end')]
class AccessKeyEnd
{
    public function __construct(
        /** The key's own id: it ends once. */
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
