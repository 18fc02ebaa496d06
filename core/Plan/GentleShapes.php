<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * What one warms up in, what one rests in, and what one does in between: first rungs that are gentle, that may be done
 * and for which there are the props.
 */
final readonly class GentleShapes
{
    /** About so long each, in seconds, and on each side at least. */
    private const EACH = 100;
    private const MOST = 5;
    private const EACH_SIDE = 30;
    /** Fewer than so many are few. */
    private const FEW = 4;
    /** So many shapes for the spine and for what limits come before others. */
    private const SPINE = 2;
    private const LIMITERS = 2;

    /**
     * @param list<array{PracticeRung, Side|null}> $warm in their order
     * @param list<array{PracticeRung, Side|null}> $resting likewise
     * @param list<array{PracticeRung, Side|null}> $daily likewise what one does for a minute in between
     * @param bool $isLittle whether little is left to warm up in, because something is held
     */
    private function __construct(
        private array $warm,
        private array $resting,
        private array $daily,
        private bool $isLittle,
    ) {
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
                        && $request->equipment->has($ladder[0])
                        && !in_array($ladder[0]->posture, $request->forbidden, true),
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

        return new self(
            $warm,
            $able(static fn (PracticeRung $rung): ?int => $rung->rest),
            array_values(
                array_filter(
                    $able(static fn (PracticeRung $rung): ?int => $rung->daily),
                    static fn (array $one): bool => null === $one[1],
                ),
            ),
            $isLess && count($warm) < 2 * self::FEW,
        );
    }

    /**
     * Softly from the spine on, then what is round the limiters of the day, then others; not the same from day to day.
     * One-sided shapes on both sides; a backbend once one is warm.
     *
     * @param int $seconds that there are for it
     * @param list<string> $limiters of the day, by the names of Remedy
     * @param int $count the how many-th session it is for
     * @param list<PracticeRung> $later what is worked on in it: it warms up only where there is nothing else
     *
     * @return list<PlannedItem>
     */
    public function warmUp(
        int $seconds,
        array $limiters,
        int $count = 0,
        array $later = [],
        Likeness $likeness = new Likeness(),
    ): array {
        $many = min(self::MOST, max(1, (int) round($seconds / self::EACH)));
        if ($this->isLittle) {
            // Half of it is left for the work.
            $many = min($many, max(1, intdiv(count($this->warm) + 1, 2)));
        }
        $warm = $this->chosen($many, $limiters, $count, $later, $likeness);
        $each = [] === $warm ? 0 : FillTime::grain($seconds / count($warm));
        $items = [];
        foreach ($warm as $i => [$rung, $side]) {
            $because =
                [] === array_intersect($limiters, $rung->remedies)
                    ? new Reason('plan.warm-up', Source::Trade)
                    : new Reason('plan.warm-up-for', Source::Trade, [
                        'remedy' => current(array_intersect($limiters, $rung->remedies)),
                    ]);
            // What dividing has left over goes to the first.
            $now = 0 === $i ? FillTime::grain($seconds - (count($warm) - 1) * $each) : $each;
            $isSplit = null === $side && !$rung->isSymmetric && $now >= 2 * self::EACH_SIDE;
            $first = $isSplit ? FillTime::grain($now / 2) : $now;
            foreach (
                $isSplit ? [[Side::Left, $first], [Side::Right, $now - $first]] : [[$side, $now]] as [$one, $lasts]
            ) {
                $items[] = new PlannedItem($rung, Phase::WarmUp, $one, $lasts, $because);
            }
        }

        return $items;
    }

    /**
     * @param list<string> $limiters of the day, by the names of Remedy
     * @param list<PracticeRung> $later
     *
     * @return list<array{PracticeRung, Side|null}>
     */
    private function chosen(
        int $many,
        array $limiters,
        int $count,
        array $later,
        Likeness $likeness,
    ): array {
        $spine = $round = $other = $last = [];
        foreach ($this->warm as $place => [$rung]) {
            if ($likeness->toAny($rung, $later)) {
                $last[] = $place;
            } elseif (in_array(Remedy::Spine->value, $rung->remedies, true)) {
                $spine[] = $place;
            } elseif ([] !== array_intersect($limiters, $rung->remedies)) {
                $round[] = $place;
            } else {
                $other[] = $place;
            }
        }
        // What warms both sides before what warms one, where the other is held.
        $isOne = fn (int $place): bool => null !== $this->warm[$place][1];
        [$spine, $round, $other] = array_map(
            static fn (array $places): array => [
                ...Turns::round(array_values(array_filter($places, static fn (int $p): bool => !$isOne($p))), $count),
                ...Turns::round(array_values(array_filter($places, $isOne)), $count),
            ],
            [$spine, $round, $other],
        );
        $first = [...array_splice($spine, 0, self::SPINE), ...array_splice($round, 0, self::LIMITERS)];
        $places = array_slice([...$first, ...$other, ...$round, ...$spine, ...$last], 0, $many);
        sort($places);
        // The softest for the spine begins; then lying, sitting and standing are not mixed, and backbends come last.
        $bends = fn (int $place): bool => $this->warm[$place][0]->rung->work->has(Load::Backbend);
        $isSpine = fn (int $place): bool => in_array(
            Remedy::Spine->value,
            $this->warm[$place][0]->remedies,
            true,
        );
        $soft = array_filter($places, static fn (int $place): bool => $isSpine($place) && !$bends($place));
        $begins = array_values($soft)[0] ?? ($places[0] ?? null);
        $order = fn (int $place): array => [
            $place !== $begins,
            $bends($place),
            $this->warm[$place][0]->stance->rank(),
            $place,
        ];
        usort($places, static fn (int $a, int $b): int => $order($a) <=> $order($b));

        return array_map(fn (int $place): array => $this->warm[$place], $places);
    }

    /** What is for every day of a week, another shape each week; null where there is none that both sides may do. */
    public function daily(int $week): ?Reason
    {
        return [] === $this->daily
            ? null
            : new Reason('plan.daily', Source::Trade, [
                'posture' => $this->daily[$week % count($this->daily)][0]->posture,
            ]);
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
            if (2 === count($free) || (1 === count($free) && !$rung->needsBothSides())) {
                $able[$order] = [$rung, 2 === count($free) ? null : $free[0]];
            }
        }
        ksort($able);

        return array_values($able);
    }
}
