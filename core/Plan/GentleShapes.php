<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * What one warms up in, and what one rests in: first rungs that are gentle, that may be done and for which there are
 * the props.
 */
final readonly class GentleShapes
{
    /** So long on each side at least, in seconds. */
    private const EACH = 60;
    private const EACH_SIDE = 30;
    /** Fewer than so many are few. */
    private const FEW = 4;
    /** So many shapes for the spine come first. */
    private const SPINE = 2;

    /**
     * @param list<array{PracticeRung, Side|null}> $warm in their order
     * @param list<array{PracticeRung, Side|null}> $resting likewise
     */
    private function __construct(private array $warm, private array $resting)
    {
    }

    /** @param array<string, list<PracticeRung>> $ladders by posture */
    public static function of(ReadPoses $poses, array $ladders, PlanRequest $request): self
    {
        $able = static fn (callable $place): array => self::able($place, $poses, $ladders, $request);

        $warm = $able(static fn (PracticeRung $rung): ?int => $rung->warmUp);
        $isLess =
            count($warm) <
            count(
                array_filter(
                    $ladders,
                    static fn (array $ladder): bool => null !== $ladder[0]->warmUp
                        && $request->equipment->has($ladder[0]),
                ),
            );
        if ($isLess && count($warm) < self::FEW) {
            // Where something is held and little of it is left, other lying shapes for anyone warm up as well.
            $place = 0;
            $there = array_map(static fn (array $one): string => $one[0]->posture, $warm);
            $warm = [
                ...$warm,
                ...$able(static function (PracticeRung $rung) use (&$place, $there): ?int {
                    return Stance::Lying === $rung->stance
                        && PracticeLevel::Anyone === $rung->level
                        && null === $rung->rest
                        && !in_array($rung->posture, $there, true)
                        ? ++$place
                        : null;
                }),
            ];
        }

        return new self($warm, $able(static fn (PracticeRung $rung): ?int => $rung->rest));
    }

    /**
     * The spine, then what is round the limiters of the day, then the rest; one-sided shapes on both sides.
     *
     * @param int $seconds that there are for it
     * @param list<string> $limiters of the day, by the names of Remedy
     *
     * @return list<PlannedItem>
     */
    public function warmUp(int $seconds, array $limiters): array
    {
        $spine = $round = $other = [];
        foreach ($this->warm as $one) {
            if (in_array(Remedy::Spine->value, $one[0]->remedies, true) && count($spine) < self::SPINE) {
                $spine[] = $one;
            } elseif ([] !== array_intersect($limiters, $one[0]->remedies)) {
                $round[] = $one;
            } else {
                $other[] = $one;
            }
        }
        $warm = [...$spine, ...$round, ...$other];
        $items = [];
        $each =
            [] === $warm
                ? 0
                : max(self::EACH, (int) (ceil($seconds / count($warm) / FillTime::GRAIN) * FillTime::GRAIN));
        foreach ($warm as [$rung, $side]) {
            if ($seconds <= 0) {
                break;
            }
            $because =
                [] === array_intersect($limiters, $rung->remedies)
                    ? new Reason('plan.warm-up', Source::Trade)
                    : new Reason('plan.warm-up-for', Source::Trade, [
                        'remedy' => current(array_intersect($limiters, $rung->remedies)),
                    ]);
            $now = min($each, max(FillTime::GRAIN, $seconds));
            $isSplit = null === $side && !$rung->isSymmetric && $now >= 2 * self::EACH_SIDE;
            $first = $isSplit ? FillTime::grain($now / 2) : $now;
            foreach (
                $isSplit ? [[Side::Left, $first], [Side::Right, $now - $first]] : [[$side, $now]] as [$one, $lasts]
            ) {
                $items[] = new PlannedItem($rung, Phase::WarmUp, $one, $lasts, $because);
            }
            $seconds -= $now;
        }

        return $items;
    }

    /** @return list<PlannedItem> */
    public function rest(int $seconds): array
    {
        return [] === $this->resting
            ? []
            : [
                new PlannedItem(
                    $this->resting[0][0],
                    Phase::Rest,
                    $this->resting[0][1],
                    FillTime::grain($seconds),
                    new Reason('plan.rest', Source::Trade),
                ),
            ];
    }

    /**
     * On the free side alone where the other is held.
     *
     * @param callable(PracticeRung): ?int $place where it comes among its like; null for what is none of them
     * @param array<string, list<PracticeRung>> $ladders
     *
     * @return list<array{PracticeRung, Side|null}>
     */
    private static function able(callable $place, ReadPoses $poses, array $ladders, PlanRequest $request): array
    {
        $able = [];
        foreach ($ladders as $id => $ladder) {
            $rung = $ladder[0];
            $order = $place($rung);
            if (
                null === $order
                || in_array($id, $request->forbidden, true)
                || !$rung->rung->isForAnybody()
                || !$request->equipment->has($rung)
            ) {
                continue;
            }
            $free = array_values(
                array_filter(
                    Side::cases(),
                    static fn (Side $side): bool => May::practise($poses, $id, $rung->rung->id, $side)->isYes(),
                ),
            );
            if (2 === count($free) || (1 === count($free) && !$rung->isSymmetric)) {
                $able[$order] = [$rung, 2 === count($free) ? null : $free[0]];
            }
        }
        ksort($able);

        return array_values($able);
    }
}
