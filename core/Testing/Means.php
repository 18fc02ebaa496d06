<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Contact\Numbers;

/** What a test read, each value as the mean of its trials. */
final readonly class Means implements Numbers
{
    public function __construct(private TestDefinition $definition, private TakenTest $taken)
    {
    }

    public function has(string $name): bool
    {
        return $this->taken->has($name);
    }

    /** @throws InvalidValue when it was not read, or a yes or no is not the same in every trial */
    public function number(string $name, ?float $default = null): float
    {
        if (null !== $default && !$this->has($name)) {
            return $default;
        }
        $trials = $this->taken->measure($name)->trials;
        if ('yes or no' === ($this->definition->measured[$name] ?? '') && 1 !== count(array_unique($trials))) {
            throw InvalidValue::because($name, 'is not the same in every trial: read each again.');
        }

        return $this->taken->measure($name)->mean();
    }
}
