<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Readiness\ReadPoses;

/**
 * In which order the work of a session is done (common practice): a sequence that the teacher has set; what makes
 * strong and steady, before it is stretched; movements for what limits; gentle shapes, then deep ones, by how much each
 * asks of what it works, and not by whether it lies or sits; the pose of the day as the one peak, after all that
 * prepares it. Where the school wants a foot that goes onto the other thigh lying, and at the end, it comes last; only
 * breathing comes later.
 */
final class WorkOrder
{
    private const SET = 0;
    private const STRENGTH = 1;
    private const MOVEMENT = 2;
    private const GENTLE = 3;
    private const DEEP = 4;
    private const PEAK = 5;
    private const AT_THE_END = 6;
    private const BREATH = 7;
    /** What asks for about as much is done without getting up and down in between. */
    private const ALIKE = 0.6;

    /**
     * @template T of array{0: Candidate}
     *
     * @param array<string, T> $work by key
     * @param string|null $theme the wanted posture of the day
     *
     * @return array<string, T>
     */
    public static function of(array $work, ?string $theme, Dose $dose, ReadPoses $poses): array
    {
        $orders = array_map(static fn (array $one): array => self::place($one[0], $theme, $dose), $work);
        uksort($work, static fn (int|string $a, int|string $b): int => $orders[$a] <=> $orders[$b]);
        $sorted = [];
        foreach ($work as $key => [$candidate]) {
            // What prepares it, and asks for about as much, comes before it.
            foreach ($work as $other => [$one]) {
                if ($orders[$other][0] === $orders[$key][0] && self::prepares($one, $candidate, $poses)) {
                    $sorted[$other] ??= $work[$other];
                }
            }
            $sorted[$key] ??= $work[$key];
        }

        return $sorted;
    }

    private static function prepares(Candidate $one, Candidate $other, ReadPoses $poses): bool
    {
        $posture = $poses->postures[$other->posture] ?? null;

        return null !== $posture
            && null === $other->set
            && null === $one->set
            && $one->posture !== $other->posture
            && in_array($one->posture, [...$posture->needs, ...$posture->preparedBy], true);
    }

    /** @return array{int, float, int, int} */
    private static function place(Candidate $candidate, ?string $theme, Dose $dose): array
    {
        if (null !== $candidate->set) {
            return [self::SET, (float) $candidate->set, 0, 0];
        }
        $rungs = array_values(array_filter($candidate->rungs));
        $effort = max([0.0, ...array_map(Effort::of(...), $rungs)]);
        $rank = max([0, ...array_map(static fn (PracticeRung $rung): int => $rung->stance->rank(), $rungs)]);
        $isLast =
            $dose->lotusLast
            && [] !== array_filter($rungs, static fn (PracticeRung $rung): bool => $rung->isLyingLotus());
        $tier = match (true) {
            $candidate->isFor(Remedy::Breath) => self::BREATH,
            $isLast => self::AT_THE_END,
            $candidate->isDeep() => $candidate->isWanted() && $candidate->posture === $theme ? self::PEAK : self::DEEP,
            null !== $candidate->drill => self::MOVEMENT,
            $candidate->isFor(Remedy::Strength, Remedy::Balance) => self::STRENGTH,
            default => self::GENTLE,
        };

        return match ($tier) {
            // Movements go from lying to seated to standing.
            self::MOVEMENT => [$tier, 0.0, $rank, 0],
            self::GENTLE => [$tier, floor($effort / self::ALIKE), $rank, 0],
            // Once down, one stays down.
            self::STRENGTH => [$tier, 0.0, -$rank, 0],
            default => [$tier, $effort, $rank, null === $candidate->drill ? 1 : 0],
        };
    }
}
