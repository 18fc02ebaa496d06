<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/**
 * What a posture asks for beyond a person's capacity, per angle, in degrees, and where it lands:
 * what the hip's rotation lacks would have to come from the knee if the foot were drawn into place.
 */
final readonly class Shortfall
{
    /** @param array<string, float> $missing degrees by component, never negative; limited components only */
    private function __construct(public array $missing)
    {
    }

    /** @param array<string, float> $demand degrees by component */
    public static function of(array $demand, Capacity $capacity): self
    {
        $missing = [];
        foreach ($demand as $name => $asked) {
            $limit = $capacity->of(Component::from($name));
            if (null !== $limit) {
                $missing[$name] = max(0.0, $asked - $limit);
            }
        }

        return new self($missing);
    }

    /** Degrees that the knee would have to take. */
    public function atKnee(): float
    {
        return $this->missing[Component::ExternalRotation->value] ?? 0.0;
    }

    public function isNone(): bool
    {
        return [] === array_filter($this->missing, static fn (float $degrees): bool => $degrees > 0.0);
    }

    /** How much higher the knee has to be for nothing to be missing, in cm; null when no height does. */
    public static function kneeLift(KneeAtHeight $posture, Body $body, Capacity $capacity): ?float
    {
        $lowest = LowestKnee::search($posture->contact, $body, $capacity);

        return null === $lowest ? null : max(0.0, $lowest->height() - $posture->kneeHeight);
    }
}
