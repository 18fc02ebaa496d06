<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Plan;

/**
 * On which side which rungs have stood in the plans of one person: where no teacher was there, nothing else is proved.
 */
final readonly class PlannedRungs
{
    /** @var array<string, true> by posture, rung and side */
    private array $planned;

    /** @param list<Plan> $plans every version: a device may have kept the week of an older one */
    public function __construct(array $plans)
    {
        $planned = [];
        foreach ($plans as $plan) {
            foreach ($plan->sessions() as $session) {
                foreach ($session->items as $item) {
                    foreach ($item->sides() as $side) {
                        $planned["{$item->rung->posture} {$item->rung->rung->id} $side->value"] = true;
                    }
                }
            }
        }
        $this->planned = $planned;
    }

    public function has(string $posture, string $rung, Side $side): bool
    {
        return isset($this->planned["$posture $rung $side->value"]);
    }
}
