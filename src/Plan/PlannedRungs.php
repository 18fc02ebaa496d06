<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\Core\Body\Side;

/** On which side which rungs have stood in the plans of one person: where no teacher was there, nothing else is proved. */
final readonly class PlannedRungs
{
    /** @var array<string, true> by posture, rung and side */
    private array $planned;

    /** @param list<PracticePlan> $plans every version: a device may have kept the week of an older one */
    public function __construct(array $plans)
    {
        $weeks = array_merge(...array_map(static fn (PracticePlan $plan): array => $plan->plan['weeks'], $plans));
        $items = array_merge(...array_column(array_merge(...array_column($weeks, 'sessions')), 'items'));
        $planned = [];
        foreach ($items as $item) {
            foreach ('both' === $item['side'] ? Side::cases() : [Side::from($item['side'])] as $side) {
                $planned["$item[posture] $item[rung] $side->value"] = true;
            }
        }
        $this->planned = $planned;
    }

    public function has(string $posture, string $rung, Side $side): bool
    {
        return isset($this->planned["$posture $rung $side->value"]);
    }
}
