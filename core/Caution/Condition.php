<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** Something about a person that holds, or changes, what may be practised. */
final readonly class Condition
{
    /** Holds every load there is. */
    public const ALL = 'all';

    /**
     * @param list<string> $holds the loads that it holds, or "all"
     * @param array<string, string> $changes how a load is to be done otherwise, by load
     * @param list<string> $allows loads that stay allowed in spite of "all"
     */
    public function __construct(
        public string $id,
        public string $name,
        public Effect $effect,
        public array $holds,
        public array $changes = [],
        public array $allows = [],
    ) {
    }

    /**
     * The loads among these that it holds.
     *
     * @param list<string> $loads
     *
     * @return list<string>
     */
    public function held(array $loads): array
    {
        return array_values(array_filter(
            $loads,
            fn (string $load): bool => !in_array($load, $this->allows, true)
                && (in_array(self::ALL, $this->holds, true) || in_array($load, $this->holds, true)),
        ));
    }
}
