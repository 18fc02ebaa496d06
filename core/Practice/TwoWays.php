<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

/**
 * Two set-ups of one rung, tried in turn over sessions, with one number from each session.
 *
 * The order is first, second, second, first, and again: what only grows with the weeks falls on both alike. Nothing is
 * said before each was tried five times (this product's own number); then the difference of the means counts where it
 * is larger than its error at 95 % (Student, equal spread), and else nothing was told apart.
 */
final readonly class TwoWays
{
    /** In sessions of each way. */
    public const EACH = 5;
    private const ORDER = [1, 2, 2, 1];
    /** Two-sided 95 % of Student's t at 2 * EACH - 2 = 8 degrees of freedom, as printed in any table of it. */
    private const STUDENT = 2.306;

    /** @param list<array{int, float}> $tried which way, 1 or 2, and its number, in the order of the sessions */
    public function __construct(private array $tried)
    {
    }

    /**
     * @param int $ahead so many sessions after the next one
     *
     * @return int|null 1 or 2; null when both have been tried often enough
     */
    public function next(int $ahead = 0): ?int
    {
        $place = count($this->tried) + $ahead;

        return $place < 2 * self::EACH ? self::ORDER[$place % count(self::ORDER)] : null;
    }

    /** How many sessions are missing before something can be said. */
    public function left(): int
    {
        return max(0, 2 * self::EACH - count($this->tried));
    }

    /** @return array{1: float|null, 2: float|null} the mean of each; null of what was not tried yet */
    public function means(): array
    {
        return array_map(
            static fn (array $numbers): ?float => [] === $numbers ? null : self::mean($numbers),
            $this->numbers(),
        );
    }

    /**
     * @return array{difference: float, error: float, isTold: bool}|null how much larger the second's mean is, and its
     *     error at 95 %, both in the number's own unit; null before each was tried often enough
     */
    public function result(): ?array
    {
        [1 => $first, 2 => $second] = $this->numbers();
        if (count($first) < self::EACH || count($second) < self::EACH) {
            return null;
        }
        $squares = 0.0;
        foreach ([$first, $second] as $numbers) {
            foreach ($numbers as $number) {
                $squares += ($number - self::mean($numbers)) ** 2;
            }
        }
        $variance = $squares / (count($first) + count($second) - 2);
        $error = self::STUDENT * sqrt($variance * (1 / count($first) + 1 / count($second)));
        $difference = self::mean($second) - self::mean($first);

        return ['difference' => $difference, 'error' => $error, 'isTold' => abs($difference) > $error];
    }

    /** @param non-empty-list<float> $numbers */
    private static function mean(array $numbers): float
    {
        return array_sum($numbers) / count($numbers);
    }

    /** @return array{1: list<float>, 2: list<float>} */
    private function numbers(): array
    {
        $numbers = [1 => [], 2 => []];
        foreach ($this->tried as [$way, $number]) {
            $numbers[1 === $way ? 1 : 2][] = $number;
        }

        return $numbers;
    }
}
