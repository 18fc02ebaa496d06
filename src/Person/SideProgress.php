<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Testing\Evidence;

/** All that was ever read of one ability on one side, and what it comes to. */
final readonly class SideProgress
{
    /**
     * @param non-empty-list<Evidence> $readings the oldest first
     * @param list<array{posture: string, pose: string, asked: float, isHeld: bool}> $asked what the wanted poses ask,
     *     the most first
     * @param AbilityProgress $progress towards the first of them
     */
    public function __construct(
        public Ability $ability,
        public Side $side,
        public array $readings,
        public array $asked,
        public AbilityProgress $progress,
    ) {
    }
}
