<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\Posture\RungDemand;

/** What a rung asks of a leg, for tests of the rules: a posture made out of the capacity. */
final readonly class Demand implements RungDemand
{
    /**
     * @param \Closure(Capacity): Posture $posture
     * @param array<string, float> $values
     */
    public function __construct(private \Closure $posture, private string $contact = '', private array $values = [])
    {
    }

    public function posture(Capacity $capacity, UpperLengths $upper): Posture
    {
        return ($this->posture)($capacity);
    }

    public function isFree(): bool
    {
        return ($this->posture)(new Capacity(140, 70, 115, 160)) instanceof FreeKnee;
    }

    public function contact(): string
    {
        return $this->contact;
    }

    public function values(): array
    {
        return $this->values;
    }

    public function name(): string
    {
        return 'demand '.spl_object_id($this);
    }

    public function ability(Component $component): array
    {
        return [Ability::ofComponent($component), 1.0];
    }
}
