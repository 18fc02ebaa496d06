<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** A rung of any posture, as far as readiness needs it. */
final readonly class RungDefinition
{
    /**
     * @param RungDemand|null $demand what the leg chain computes for a body; null where thresholds say it
     * @param array<string, float> $thresholds the least of each ability, in degrees, cm or seconds
     * @param list<string> $loads
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?RungDemand $demand,
        public array $thresholds,
        public array $loads,
        public bool $isGentle,
    ) {
    }
}
