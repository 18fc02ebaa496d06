<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Swing;
use LucidAscent\Core\Figure\Tape;

/** What is drawn on a figure, or behind it. */
final readonly class Overlay
{
    /**
     * @param list<Tape> $tapes what is measured, and where
     * @param bool $hasNumbers whether each tape says its length
     * @param Swing|null $swing the way that a leg would still have to go
     * @param Figure|null $ghost another set-up, behind this one
     * @param float $kneeShare degrees of turn that the knee of the working leg would have to give, where the hip's turn
     *     ends
     * @param list<Spot> $spots places that are marked
     */
    public function __construct(
        public array $tapes = [],
        public bool $hasNumbers = false,
        public ?Swing $swing = null,
        public ?Figure $ghost = null,
        public float $kneeShare = 0.0,
        public array $spots = [],
    ) {
    }
}
