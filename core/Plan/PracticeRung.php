<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Posture\RungDefinition;

/** A rung as something to practise. */
final readonly class PracticeRung
{
    /** The range of a rung in whatever school says nothing else. */
    public const ANY = '';

    /**
     * @param list<string> $counters ids of postures that undo it
     * @param array<string, int> $props how many of what it needs, by the names of Equipment
     * @param bool $isSymmetric both sides at once
     * @param int|null $warmUp its place among what warms up; null when it does not
     * @param int|null $rest its place among what one rests in; null when one does not
     * @param array<string, HoldRange> $holds by school, or for ANY
     * @param list<string> $remedies what its posture helps with, by the names of Remedy
     */
    public function __construct(
        public string $posture,
        public string $name,
        public RungDefinition $rung,
        public Stance $stance,
        public array $counters,
        public array $props,
        public bool $isSymmetric,
        public ?int $warmUp = null,
        public ?int $rest = null,
        public array $holds = [],
        public array $remedies = [],
        public PracticeLevel $level = PracticeLevel::Anyone,
    ) {
    }
}
