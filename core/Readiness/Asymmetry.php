<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\MeasuredCapacity;
use LucidAscent\Core\Testing\SmallestChange;

/**
 * A difference between the sides that is more than noise: the tighter one is trained more, never to the looser one's
 * depth.
 */
final class Asymmetry
{
    /**
     * @return float|null in the ability's unit; null when it cannot be told from noise, or the lesser is only a lower
     *     bound
     */
    public static function between(?MeasuredCapacity $left, ?MeasuredCapacity $right): ?float
    {
        if (null === $left || null === $right) {
            return null;
        }
        $less = $left->ability->compare($left->value, $right->value) < 0 ? $left : $right;
        $difference = abs($left->value - $right->value);

        return Bound::Exact === $less->bound
            && $difference > SmallestChange::between(hypot($left->error, $right->error))
            ? $difference
            : null;
    }

    /** @return list<Reason> of each ability in which the sides differ */
    public static function reasons(Snapshot $person): array
    {
        $reasons = [];
        foreach (Ability::cases() as $ability) {
            $left = $person->capacities(Side::Left)->get($ability);
            $right = $person->capacities(Side::Right)->get($ability);
            $difference = self::between($left, $right);
            if (null !== $difference && null !== $left && null !== $right) {
                $reasons[] = new Reason('asymmetry', Source::Trade, [
                    'ability' => $ability->value,
                    'tighter' => $ability->compare($left->value, $right->value) < 0 ? 'left' : 'right',
                    'difference' => $difference,
                    'unit' => $ability->unit(),
                ]);
            }
        }

        return $reasons;
    }
}
