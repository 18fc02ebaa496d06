<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Posture\FeltPlace;

/**
 * What was felt in one shape on one side, and what that says about going on. The same wrong place on two days, one
 * after the other, keeps a side where it is; nothing at all in three clean sessions says that the shape is too easy
 * (common practice).
 */
final readonly class FeltOnRung
{
    /** On how many days, one after the other, the same wrong place keeps a side on its rung. */
    public const WRONG_DAYS = 2;

    /**
     * @param array<string, non-empty-list<Felt>> $days by day, the oldest first
     * @param list<string> $right the places in which it should be felt
     */
    private function __construct(private array $days, private array $right)
    {
    }

    /**
     * @param iterable<Felt> $felt of anything
     * @param list<string> $right
     */
    public static function of(iterable $felt, string $posture, string $rung, Side $side, array $right): self
    {
        $days = [];
        foreach ($felt as $one) {
            if ($one->posture === $posture && $one->rung === $rung && $one->side === $side) {
                $days[$one->day()][] = $one;
            }
        }
        ksort($days);

        return new self($days, $right);
    }

    /** What had been felt by the end of a day. */
    public function upTo(\DateTimeImmutable $day): self
    {
        return new self(
            array_filter(
                $this->days,
                static fn (string $one): bool => $one <= Day::of($day),
                ARRAY_FILTER_USE_KEY,
            ),
            $this->right,
        );
    }

    /** Whether the same wrong place had been felt twice by the end of a day: what was done on it leads no further. */
    public function keepsOn(\DateTimeImmutable $day): bool
    {
        return null !== $this->upTo($day)->wrongTwice();
    }

    /** The wrong place of the last two days; null when there is none of both. */
    public function wrongTwice(): ?FeltPlace
    {
        $last = array_slice($this->days, -self::WRONG_DAYS);
        if (count($last) < self::WRONG_DAYS) {
            return null;
        }
        $wrong = array_map(
            fn (array $day): array => array_column(
                array_map(
                    static fn (Felt $felt): array => [$felt->place->id, $felt->place],
                    array_filter($day, fn (Felt $felt): bool => $felt->isWrong($this->right)),
                ),
                1,
                0,
            ),
            array_values($last),
        );

        return array_values(array_intersect_key(...$wrong))[0] ?? null;
    }

    /**
     * Whether nothing was felt in any of the last clean sessions, in a shape that is meant to be felt.
     *
     * @param list<ReadinessCheck> $run the unbroken run of clean sessions, the oldest first, one a day
     */
    public function isNothingIn(array $run): bool
    {
        $last = array_slice($run, -Passes::SESSIONS);
        foreach ($last as $check) {
            $felt = $this->days[$check->day()] ?? [];
            if (
                [] === $felt
                || [] !== array_filter($felt, static fn (Felt $one): bool => !$one->place->isNothing())
            ) {
                return false;
            }
        }

        return count($last) >= Passes::SESSIONS && !in_array(FeltPlace::NOTHING, $this->right, true);
    }
}
