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

    /** The same, with what the other knows in place of one's own. */
    public function replaced(self $other): self
    {
        return new self($other->known + $this->known);
    }

    public function get(Ability $ability): ?MeasuredCapacity
    {
        return $this->known[$ability->value] ?? null;
    }

    /**
     * How far a leg is taken to go where nothing exact is known, in degrees: a lower bound is no limit, and
     * something has to be. Flexion: Soucie et al., Haemophilia (2011), from memory; the others this product's own.
     */
    private const FURTHEST = ['flexion' => 130.0, 'abduction' => 80.0, 'rotation' => 130.0, 'kneeFlexion' => 160.0];

    /**
     * What really limits this leg: what was read exactly; a component known as a lower bound or not at
     * all goes as far as any leg does. A shortage that shows even so is a shortage for sure.
     */
    public function limitsOfLeg(): Capacity
    {
        $of = function (Component $component): float {
            $known = $this->get(Ability::ofComponent($component));

            return null !== $known && Bound::Exact === $known->bound ? $known->value : max(self::FURTHEST[$component->value], $known->value ?? 0.0);
        };

        return new Capacity($of(Component::Flexion), $of(Component::Abduction), $of(Component::Rotation), $of(Component::KneeFlexion));
    }

    /** As the leg chain takes it: a component that was not read sets no limit. */
    public function ofLeg(): Capacity
    {
        $of = fn (Component $component): ?float => $this->get(Ability::ofComponent($component))?->value;

        return new Capacity($of(Component::Flexion), $of(Component::Abduction), $of(Component::Rotation), $of(Component::KneeFlexion));
    }
}
