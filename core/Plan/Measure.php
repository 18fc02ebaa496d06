<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\TestDefinition;

/** One number that is read after warming up and again after the work, in the same way: what the work has changed. */
final readonly class Measure
{
    /** Seconds for setting up and reading it. */
    public const SECONDS = 45;

    public function __construct(public TestDefinition $test, public Side $side, public Ability $ability)
    {
    }

    /** @return self|null null where no test isolates what limits, or something holds it */
    public static function of(string $posture, ReadPoses $poses): ?self
    {
        [$ability, $side] = self::limiting($posture, $poses);
        $test = $poses->isolating($ability);

        return null !== $test && May::take($poses->person->holds, $test, $side)->isYes()
            ? new self($test, $side, $ability)
            : null;
    }

    /** @return array{Ability, Side} of both sides what is furthest behind, of what was read before what was not */
    private static function limiting(string $posture, ReadPoses $poses): array
    {
        $worst = null;
        foreach (Side::cases() as $side) {
            $pose = $poses->of($posture, $side);
            $limiting = $pose->toWorkOn();
            $behind = INF;
            foreach ($pose->full()->margins as $margin) {
                $behind =
                    null !== $margin->shown && $margin->ability === $limiting[0]
                        ? min($behind, $margin->difference())
                        : $behind;
            }
            if (null === $worst || $behind < $worst[0]) {
                $worst = [$behind, $limiting];
            }
        }

        return $worst[1];
    }
}
