<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegPose;

/** What a posture asks of this leg, and how far what was shown goes beyond it or falls behind. */
final readonly class Demand
{
    /**
     * @param list<Margin> $margins
     * @param bool $fits whether what was shown, and what is taken for granted, reaches
     */
    public function __construct(public LegPose $pose, public array $margins, public bool $fits = false)
    {
    }

    public function margin(Component $component): ?Margin
    {
        foreach ($this->margins as $margin) {
            if ($margin->component === $component) {
                return $margin;
            }
        }

        return null;
    }
}
