<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Uncertainty;

/** What one test shows of one ability on one side. */
final readonly class Evidence
{
    /**
     * @param float $value in the ability's unit
     * @param string $test the catalogue's id
     * @param LegAngles|null $at where the leg was when it was read; null when nothing but this was read
     */
    public function __construct(
        public Ability $ability,
        public float $value,
        public Bound $bound,
        public Uncertainty $uncertainty,
        public string $test,
        public Tool $tool = Tool::Tape,
        public ?\DateTimeImmutable $on = null,
        public ?LegAngles $at = null,
    ) {
    }
}
