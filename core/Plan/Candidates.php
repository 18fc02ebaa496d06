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
     * @param list<Candidate> $list what leads to the wanted poses, what matters most first
     * @param list<Candidate> $remedies gentle shapes for what is short, whether or not they lead there
     * @param array<string, Reason> $leftOut by posture
     * @param list<string> $short postures of which a side keeps to the hold with which it begins
     */
    private function __construct(public array $list, public array $remedies, public array $leftOut, public array $short)
    {
    }

    /**
     * @param list<string> $wanted
     * @param array<string, list<PracticeRung>> $ladders by posture
     */
    public static function of(array $wanted, ReadPoses $poses, array $ladders, PlanRequest $request): self
    {
        $forbidden = array_intersect($wanted, $request->forbidden);
        $leftOut = array_map(static fn (string $id): Reason => new Reason('plan.forbidden', Source::Own, ['posture' => $poses->postures[$id]->name]), array_combine($forbidden, $forbidden));
        $wanted = array_values(array_diff($wanted, $forbidden));
        $routes = array_map(static fn (string $id): Route => Route::to($id, $poses), $wanted);
        $keystone = Keystone::of($routes, $poses);
        $pinned = array_values(array_filter($request->pinned, static fn (string $id): bool => isset($poses->postures[$id])));
        $ids = $pinned;
        foreach ($routes as $route) {
            $ids = [...$ids, ...($route->isClosed($poses) ? [$route->wanted] : [$route->wanted, ...$route->frontier])];
        }
        $ids = array_values(array_diff(array_unique($ids), $request->forbidden));
        $list = [];
        foreach ($ids as $place => $id) {
            $isKey = null !== $keystone && in_array($keystone->ability, $poses->postures[$id]->abilities, true);
            $isPinned = in_array($id, $pinned, true);
            $isWanted = in_array($id, $wanted, true);
            $found = self::candidate($id, $poses, $ladders, $request, $isKey ? self::KEYSTONE : 1.0, $isWanted, match (true) {
                $isPinned => new Reason('plan.pinned', Source::Own, ['posture' => $poses->postures[$id]->name]),
                $isKey => new Reason('plan.keystone', Source::Computed, ['ability' => $keystone->ability->value, 'side' => $keystone->side->value]),
                $isWanted => new Reason('plan.stage', Source::Computed, ['posture' => $poses->postures[$id]->name]),
                default => new Reason('plan.prepares', Source::Trade, ['postures' => $wanted]),
            }, $leftOut);
            if (null !== $found) {
                $list[] = [[$isPinned ? 0 : 1, $isKey ? 0 : 1, $isWanted ? 0 : 1, $place], $found];
            }
        }
        usort($list, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $aims = array_values(array_map(static fn (Route $route): string => $route->wanted, array_filter($routes, static fn (Route $route): bool => !$route->isClosed($poses))));

        $list = array_column($list, 1);
        $remedies = self::remedies($aims, $ids, $poses, $ladders, $request);
        $short = array_filter([...$list, ...$remedies], static fn (Candidate $candidate): bool => $candidate->keepsShort($poses->person->holds));

        return new self($list, $remedies, $leftOut, array_values(array_map(static fn (Candidate $candidate): string => $candidate->posture, $short)));
    }

    /**
     * @param list<string> $wanted
     * @param list<string> $there postures that are candidates already
     * @param array<string, list<PracticeRung>> $ladders
     *
     * @return list<Candidate>
     */
    private static function remedies(array $wanted, array $there, ReadPoses $poses, array $ladders, PlanRequest $request): array
    {
        $sought = Remedies::sought($wanted, $poses);
        $remedies = $unsaid = [];
        foreach (Remedies::shapes(array_keys($sought), $ladders, [...$there, ...$request->forbidden]) as $id => $remedy) {
            $candidate = self::candidate($id, $poses, $ladders, $request, 1.0, false, new Reason('plan.remedy', Source::Trade, ['ability' => $sought[$remedy]->value]), $unsaid);
            if (null !== $candidate && !$candidate->isDeep()) {
                $remedies[] = $candidate;
            }
        }

        return $remedies;
    }

    /**
     * A posture on the rung where each side of it is, with what undoes it; null where nothing of it may be done.
     *
     * @param array<string, list<PracticeRung>> $ladders
     * @param array<string, Reason> $leftOut why not, or not all of it
     */
    private static function candidate(string $id, ReadPoses $poses, array $ladders, PlanRequest $request, float $weight, bool $isWanted, Reason $because, array &$leftOut): ?Candidate
    {
        $left = Stage::of($id, Side::Left, $poses, $ladders, $request->equipment);
        $right = Stage::of($id, Side::Right, $poses, $ladders, $request->equipment);
        $rung = $left ?? $right;
        // A shape of both sides at once needs both.
        if (null === $rung || ($rung->isSymmetric && (null === $left || null === $right))) {
            $leftOut[$id] = new Reason(State::Held === $poses->state($id) ? 'plan.held' : 'plan.no-rung', Source::Trade, ['posture' => $poses->postures[$id]->name]);

            return null;
        }
        if (null === $left || null === $right) {
            $leftOut[$id] = new Reason('plan.held-side', Source::Trade, ['posture' => $poses->postures[$id]->name, 'side' => null === $left ? 'left' : 'right']);
        }
        [$counter, $counterSide] = self::counter($rung, null === $left ? Side::Right : (null === $right ? Side::Left : null), $poses, $ladders, $request);
        if (null === $counter) {
            $leftOut[$id] = new Reason('plan.no-counter', Source::Trade, ['posture' => $poses->postures[$id]->name]);

            return null;
        }

        return new Candidate($id, ['left' => $left, 'right' => $right], self::tighter($id, $poses), array_map(static fn (Ability $ability): string => $ability->value, $poses->postures[$id]->abilities), $because, $weight, $counter, $counterSide, $isWanted);
    }

    /**
     * A gentle posture that undoes another: the first of those named that nothing holds on either side; where
     * one side alone was worked on, also one that can be done on that side alone.
     *
     * @param array<string, list<PracticeRung>> $ladders
     *
     * @return array{PracticeRung|null, Side|null}
     */
    private static function counter(PracticeRung $rung, ?Side $worked, ReadPoses $poses, array $ladders, PlanRequest $request): array
    {
        $aside = [null, null];
        foreach ($rung->counters as $id) {
            if (!isset($ladders[$id]) || in_array($id, $request->forbidden, true)) {
                continue;
            }
            $first = $ladders[$id][0];
            if (!$first->rung->isGentle() || !$request->equipment->has($first)) {
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
