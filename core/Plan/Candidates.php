<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\Route;

/** What there is to work on, what matters most first, and what cannot be. */
final readonly class Candidates
{
    /** What the keystone gets more than anything else. */
    private const KEYSTONE = 1.5;

    /**
     * @param list<Candidate> $list
     * @param array<string, Reason> $leftOut by posture
     */
    private function __construct(public array $list, public array $leftOut)
    {
    }

    /**
     * @param list<string> $wanted
     * @param array<string, list<PracticeRung>> $ladders by posture
     */
    public static function of(array $wanted, ReadPoses $poses, array $ladders, Equipment $equipment): self
    {
        $routes = array_map(static fn (string $id): Route => Route::to($id, $poses), $wanted);
        $keystone = Keystone::of($routes, $poses);
        $ids = [];
        foreach ($routes as $route) {
            $ids = [...$ids, ...($route->isClosed($poses) ? [$route->wanted] : [$route->wanted, ...$route->frontier])];
        }
        $list = $leftOut = [];
        foreach (array_values(array_unique($ids)) as $place => $id) {
            $isWanted = in_array($id, $wanted, true);
            $left = Stage::of($id, Side::Left, $poses, $ladders, $equipment);
            $right = Stage::of($id, Side::Right, $poses, $ladders, $equipment);
            $rung = $left ?? $right;
            // A shape of both sides at once needs both.
            if (null === $rung || ($rung->isSymmetric && (null === $left || null === $right))) {
                $leftOut[$id] = new Reason(State::Held === $poses->state($id) ? 'plan.held' : 'plan.no-rung', Source::Trade, ['posture' => $poses->postures[$id]->name]);
                continue;
            }
            if (null === $left || null === $right) {
                $leftOut[$id] = new Reason('plan.held-side', Source::Trade, ['posture' => $poses->postures[$id]->name, 'side' => null === $left ? 'left' : 'right']);
            }
            [$counter, $counterSide] = self::counter($rung, null === $left ? Side::Right : (null === $right ? Side::Left : null), $poses, $ladders, $equipment);
            if (null === $counter) {
                $leftOut[$id] = new Reason('plan.no-counter', Source::Trade, ['posture' => $poses->postures[$id]->name]);
                continue;
            }
            $isKey = null !== $keystone && in_array($keystone->ability, $poses->postures[$id]->abilities, true);
            $list[] = [
                [$isKey ? 0 : 1, $isWanted ? 0 : 1, $place],
                new Candidate($id, ['left' => $left, 'right' => $right], self::tighter($id, $poses), array_map(static fn (Ability $ability): string => $ability->value, $poses->postures[$id]->abilities), match (true) {
                    $isKey => new Reason('plan.keystone', Source::Computed, ['ability' => $keystone->ability->value, 'side' => $keystone->side->value]),
                    $isWanted => new Reason('plan.stage', Source::Computed, ['posture' => $poses->postures[$id]->name]),
                    default => new Reason('plan.prepares', Source::Trade, ['postures' => $wanted]),
                }, $isKey ? self::KEYSTONE : 1.0, $counter, $counterSide),
            ];
        }
        usort($list, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return new self(array_column($list, 1), $leftOut);
    }

    /**
     * A gentle posture that undoes another: the first of those named that nothing holds on either side; where
     * one side alone was worked on, also one that can be done on that side alone.
     *
     * @param array<string, list<PracticeRung>> $ladders
     *
     * @return array{PracticeRung|null, Side|null}
     */
    private static function counter(PracticeRung $rung, ?Side $worked, ReadPoses $poses, array $ladders, Equipment $equipment): array
    {
        $aside = [null, null];
        foreach ($rung->counters as $id) {
            if (!isset($ladders[$id])) {
                continue;
            }
            $first = $ladders[$id][0];
            if (!$first->rung->isGentle() || !$equipment->has($first)) {
                continue;
            }
            $isFree = static fn (Side $side): bool => [] === $poses->of($id, $side)->rungs[0]->heldBy;
            if ($isFree(Side::Left) && $isFree(Side::Right)) {
                return [$first, null];
            }
            if (null === $aside[0] && null !== $worked && $isFree($worked) && !$first->isSymmetric) {
                $aside = [$first, $worked];
            }
        }

        return $aside;
    }

    private static function tighter(string $id, ReadPoses $poses): ?Side
    {
        [$left, $right] = [$poses->of($id, Side::Left), $poses->of($id, Side::Right)];
        $worse = $left->state()->compare($right->state());
        if (0 !== $worse) {
            return $worse > 0 ? Side::Left : Side::Right;
        }
        $difference = ($left->limiter()?->difference() ?? 0.0) <=> ($right->limiter()?->difference() ?? 0.0);

        return 0 === $difference ? null : ($difference < 0 ? Side::Left : Side::Right);
    }
}
