<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;

/** One of the two or three times that a test was read. */
#[ORM\Entity(readOnly: true)]
#[ORM\UniqueConstraint(columns: ['test_id', 'ordinal'])]
class Trial
{
    #[ORM\Id, ORM\Column, ORM\GeneratedValue]
    private int $id = 0; // @phpstan-ignore property.onlyWritten

    /**
     * @param array<string, float> $readings in cm, degrees or seconds, by name
     * @param array<string, string> $entered the same as it was written down, with its unit
     * @param array<string, float> $errors one SD where the tool gave one with the reading, by name
     */
    public function __construct(
        #[ORM\ManyToOne(inversedBy: 'trials'), ORM\JoinColumn(nullable: false)]
        public readonly Test $test,
        #[ORM\Column]
        public readonly int $ordinal,
        #[ORM\Column]
        public readonly array $readings,
        #[ORM\Column]
        public readonly array $entered = [],
        #[ORM\Column]
        public readonly array $errors = [],
    ) {
    }
}
