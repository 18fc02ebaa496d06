<?php

declare(strict_types=1);

namespace LucidAscent\App\Practice;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\Core\Body\Side;

/** On which side which rungs have stood in the plans of one person: where no teacher was there, nothing else is proved. */
final readonly class PlannedRungs
{
    /** @param list<PracticePlan> $plans every version: a device may have kept the week of an older one */
    public function __construct(private array $plans)
    {
    }

    public function has(string $posture, string $rung, Side $side): bool
    {
        foreach ($this->plans as $plan) {
            foreach ($plan->plan['weeks'] as $week) {
                foreach ($week['sessions'] as $session) {
                    foreach ($session['items'] as $item) {
                        if ($item['posture'] === $posture && $item['rung'] === $rung && in_array($item['side'], [$side->value, 'both'], true)) {
                            return true;
                        }
                    }
                }
            }
        }

        return false;
    }
}
