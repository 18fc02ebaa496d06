<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;

/** Everything that is known of one side, by ability; what nobody read is not in it. */
final readonly class Capacities
{
    /** @param array<string, MeasuredCapacity> $known by ability */
    private function __construct(public array $known)
    {
    }

    /** @param iterable<Evidence> $evidence of one side */
    public static function of(iterable $evidence, BodyError $body): self
    {
        $by = [];
        foreach ($evidence as $e) {
            $by[$e->ability->value][] = $e;
        }
        $known = [];
        foreach (Ability::cases() as $ability) {
            if (isset($by[$ability->value])) {
                $known[$ability->value] = MeasuredCapacity::of($by[$ability->value], $body);
            }
        }

        return new self($known);
    }

    public function get(Ability $ability): ?MeasuredCapacity
    {
        return $this->known[$ability->value] ?? null;
    }

    /** As the leg chain takes it: a component that was not read sets no limit. */
    public function ofLeg(): Capacity
    {
        $of = fn (Component $component): ?float => $this->get(Ability::ofComponent($component))?->value;

        return new Capacity($of(Component::Flexion), $of(Component::Abduction), $of(Component::Rotation), $of(Component::KneeFlexion));
    }
}
