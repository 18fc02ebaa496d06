<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/** What one step of each prop changes of what a posture asks, in degrees. */
final class PropTable
{
    /**
     * @return list<array{prop: Prop, from: float, step: float, change: array<string, float>}> props that this set-up
     *     allows a step of
     *
     * @throws OutOfReach when the posture itself cannot be made
     * @throws StraightKnee when rotation cannot be read
     */
    public static function of(Posture $posture, Body $body): array
    {
        $now = $posture->angles($body);
        $rows = [];
        foreach ($posture->props() as $name => $value) {
            $prop = Prop::tryFrom($name);
            if (null === $prop) {
                continue;
            }
            $then = self::stepped($posture, $body, $prop, $prop->step());
            if (null === $then) {
                continue;
            }
            $change = [];
            foreach ($now as $component => $degrees) {
                $change[$component] = $then[$component] - $degrees;
            }
            $rows[] = ['prop' => $prop, 'from' => $value, 'step' => $prop->step(), 'change' => $change];
        }

        return $rows;
    }

    /**
     * What each further folded blanket under the seat takes off, so that the diminishing return shows.
     *
     * @param float $thickness of one folded blanket, in cm
     *
     * @return list<array<string, float>> degrees by component, each blanket against the one before
     */
    public static function blankets(Posture $posture, Body $body, float $thickness, int $most): array
    {
        $rows = [];
        $before = $posture->angles($body);
        for ($blanket = 1; $blanket <= $most; ++$blanket) {
            $then = self::stepped($posture, $body, Prop::Seat, $blanket * $thickness);
            if (null === $then) {
                break;
            }
            $row = [];
            foreach ($then as $component => $degrees) {
                $row[$component] = $degrees - $before[$component];
            }
            $rows[] = $row;
            $before = $then;
        }

        return $rows;
    }

    /** @return array<string, float>|null */
    private static function stepped(Posture $posture, Body $body, Prop $prop, float $by): ?array
    {
        try {
            return $posture->shifted($prop->value, $by)->angles($body);
        } catch (OutOfReach|StraightKnee|\LucidAscent\Core\Body\InvalidValue) {
            return null;
        }
    }
}
