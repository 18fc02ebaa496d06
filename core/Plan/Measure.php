<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\TestDefinition;

/** One number that is read after warming up and again after the work, in the same way: what the work has changed. */
final readonly class Measure
{
    /** Seconds for setting up and reading it. */
    public const SECONDS = 45;

    private function __construct(public TestDefinition $test, public Side $side, public Ability $ability)
    {
    }

    /** @return self|null null where no test isolates what limits, or something holds it */
    public static function of(string $posture, ReadPoses $poses): ?self
    {
        $worst = null;
        foreach (Side::cases() as $side) {
            $limiter = $poses->of($posture, $side)->limiter();
            $worst = null !== $limiter && (null === $worst || $limiter->difference() < $worst[0]->difference()) ? [$limiter, $limiter->leg($side)] : $worst;
        }
        [$ability, $side] = null === $worst ? [$poses->postures[$posture]->abilities[0], Side::Left] : [$worst[0]->ability, $worst[1]];
        $test = $poses->isolating($ability);

        return null === $test || [] !== $poses->person->holds->on($test->work, $side) ? null : new self($test, $side, $ability);
    }
}
