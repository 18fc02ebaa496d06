<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** Whether a rung may be practised by a person with these conditions, and why not, or how otherwise. */
final readonly class Permission
{
    /**
     * @param list<Condition> $because the conditions that hold it
     * @param list<string> $changes how it is done otherwise, where it is allowed
     */
    private function __construct(public bool $isHeld, public array $because, public array $changes)
    {
    }

    /**
     * One condition that holds a rung is enough; another that allows it does not lift that. Changes add up.
     *
     * @param list<Condition> $conditions
     * @param list<string> $loads what the rung loads
     * @param bool $isGentle whether it is one of the gentle rungs
     */
    public static function of(array $conditions, array $loads, bool $isGentle): self
    {
        $because = [];
        $changes = [];
        foreach ($conditions as $condition) {
            $held = $condition->held($loads);
            // Lying and resting are no load in themselves; a condition that keeps to gentle rungs holds all others.
            if ([] !== $held || (Effect::Gentle === $condition->effect && !$isGentle)) {
                $because[] = $condition;
            }
            foreach ($loads as $load) {
                if (isset($condition->changes[$load])) {
                    $changes[] = $condition->changes[$load];
                }
            }
        }

        return new self([] !== $because, $because, [] === $because ? array_values(array_unique($changes)) : []);
    }
}
