<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;

/**
 * Which side comes first, and how much of it: a movement that is new is learned on the easier side; after that the
 * tighter side is worked on first and last, half as much again (common practice).
 */
final class SideOrder
{
    /** A movement is new until it was practised in so many sessions. */
    public const NEW = 3;
    private const AGAIN = 0.5;

    /**
     * @param int $sessions in which it was practised before
     *
     * @return list<array{Side|null, PracticeRung, float}> the side, null for both at once; what is done; the part of a
     *     hold
     */
    public static function of(Candidate $candidate, int $sessions): array
    {
        ['left' => $left, 'right' => $right] = $candidate->rungs;
        if (null === $left || null === $right) {
            return null === $left ? (null === $right ? [] : [[Side::Right, $right, 1.0]]) : [[Side::Left, $left, 1.0]];
        }
        if (null === $candidate->drill ? $left->isSymmetric && $left === $right : !$candidate->drill->eachSide) {
            return [[null, $left, 1.0]];
        }
        $one = static fn (Side $side, float $part): array => [$side, $candidate->rungs[$side->value] ?? $left, $part];
        $tighter = $candidate->tighter;
        $easier = Side::Left === $tighter ? Side::Right : Side::Left;

        return match (true) {
            null === $tighter => [$one(Side::Left, 1.0), $one(Side::Right, 1.0)],
            $sessions < self::NEW => [$one($easier, 1.0), $one($tighter, 1.0)],
            // What is repeated has no second turn.
            null !== $candidate->drill => [$one($tighter, 1.0), $one($easier, 1.0)],
            default => [$one($tighter, 1.0), $one($easier, 1.0), $one($tighter, self::AGAIN)],
        };
    }
}
