<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\InvalidValue;

/** The least of one prop that closes every margin of a posture with something to spare. */
final readonly class PropAdvice
{
    private const FINE = 1e-3;

    private function __construct(public Prop $prop, public ?float $value)
    {
    }

    /**
     * One answer for each prop of the posture; its value is null where that prop alone does not do it.
     *
     * @param array<string, float> $spare degrees that must be left over, by component
     * @param int $steps in how many steps a prop is taken to its furthest before closing in
     *
     * @return list<self>
     */
    public static function of(Posture $posture, Body $body, Capacity $capacity, array $spare, int $steps = 60): array
    {
        $advice = [];
        foreach ($posture->props() as $name => $value) {
            $prop = Prop::tryFrom($name);
            if (null !== $prop && Prop::HeelDistance !== $prop) {
                $advice[] = new self($prop, self::least($posture, $body, $capacity, $spare, $prop, $value, $steps));
            }
        }

        return $advice;
    }

    /**
     * Whether every margin is closed with enough to spare.
     *
     * @param array<string, float> $demand
     * @param array<string, float> $spare
     */
    public static function closes(array $demand, Capacity $capacity, array $spare): bool
    {
        foreach ($demand as $name => $asked) {
            $limit = $capacity->of(Component::from($name));
            if (null !== $limit && $limit - $asked < ($spare[$name] ?? 0.0)) {
                return false;
            }
        }

        return true;
    }

    /**
     * The least of one prop, from where it stands in the posture towards its furthest.
     *
     * @param array<string, float> $spare degrees that must be left over, by component
     * @param float $from what it is in the posture, in cm or degrees
     */
    public static function least(
        Posture $posture,
        Body $body,
        Capacity $capacity,
        array $spare,
        Prop $prop,
        float $from,
        int $steps = 60,
    ): ?float {
        $enough = static function (float $by) use ($posture, $body, $capacity, $spare, $prop): bool {
            try {
                return self::closes($posture->shifted($prop->value, $by)->angles($body), $capacity, $spare);
            } catch (OutOfReach|StraightKnee|InvalidValue) {
                return false;
            }
        };
        if ($enough(0.0)) {
            return $from;
        }
        $step = ($prop->furthest() - $from) / $steps;
        // Already past the furthest that this prop is taken to.
        if ($step * $prop->step() <= 0.0) {
            return null;
        }
        for ($i = 1; $i <= $steps; ++$i) {
            if (!$enough($i * $step)) {
                continue;
            }
            $low = ($i - 1) * $step;
            $high = $i * $step;
            while (abs($high - $low) > self::FINE) {
                $middle = ($low + $high) / 2;
                if ($enough($middle)) {
                    $high = $middle;
                } else {
                    $low = $middle;
                }
            }

            return $from + $high;
        }

        return null;
    }
}
