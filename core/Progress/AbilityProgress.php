<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\SmallestChange;

/** What months of readings say of one ability on one side. */
final readonly class AbilityProgress
{
    private const DAY = 86400.0;

    public ?\DateTimeImmutable $from;
    public ?\DateTimeImmutable $to;
    public ?int $chance;
    public Reason $because;

    /**
     * @param int $readings how many there are, bounds among them
     * @param float|null $change of the last exact reading against the first; null where there are no two
     * @param float|null $smallestReal what that would have to be to be more than noise
     * @param Trend|null $trend of what grows as the ability does: turned over where less is more
     * @param float $turn one, or less than nothing where less is more
     * @param list<Evidence> $exact in order
     * @param array{Forecast|null, Reason} $towards the goal
     */
    private function __construct(
        public Ability $ability,
        public int $readings,
        public ?float $change,
        public ?float $smallestReal,
        public ?Trend $trend,
        public ?\DateTimeImmutable $step,
        public float $turn,
        private array $exact,
        \DateTimeImmutable $now,
        private Prior $prior,
        array $towards,
    ) {
        [$forecast, $this->because] = $towards;
        $on = static fn (?float $days): ?\DateTimeImmutable => null === $days
            ? null
            : $now->add(new \DateInterval('P'.(int) ceil($days).'D'));
        $this->from = $on($forecast?->from);
        $this->to = $on($forecast?->to);
        $this->chance = $forecast?->chance;
    }

    /**
     * @param non-empty-list<Evidence> $evidence of one ability and side, in any order
     * @param float|null $asked what the goal asks of it, as a margin has it: of a gap less is more, so that it is below
     *     nothing; null where it asks nothing
     * @param Prior|null $prior what is usual; the stated figure when nothing is said
     * @param bool $isHeld whether something holds the goal on that side: there is never a day for that
     */
    public static function of(
        Ability $ability,
        array $evidence,
        \DateTimeImmutable $now,
        ?float $asked = null,
        bool $isHeld = false,
        ?Prior $prior = null,
    ): self {
        $day = static fn (?\DateTimeImmutable $on): float => (($on ?? $now)->getTimestamp() -
            $now->getTimestamp()) /
            self::DAY;
        usort($evidence, static fn (Evidence $a, Evidence $b): int => $day($a->on) <=> $day($b->on));
        $sd = static fn (Evidence $one): float => max(1e-3, $one->uncertainty->readingError());
        $exact = array_values(
            array_filter($evidence, static fn (Evidence $one): bool => Bound::Exact === $one->bound),
        );
        // What was seen has no error of reading, and is no surer of where the body was that day than a reading is.
        $usual = [] === $exact ? 0.0 : array_sum(array_map($sd, $exact)) / count($exact);
        // Of a gap less is more, and its bounds are upper ones: turned over, it grows as any other ability does.
        $turn = $ability->turn();
        $trend = Trend::of(
            array_map(
                static fn (Evidence $one): TimedReading => Bound::Exact === $one->bound
                    ? new TimedReading($day($one->on), $turn * $one->value, $sd($one), false, $one->setUp())
                    : new TimedReading(
                        $day($one->on),
                        $turn * $one->value,
                        max($usual, $sd($one)),
                        true,
                        isCut: $one->isIsolating,
                    ),
                $evidence,
            ),
        );
        [$first, $last] = self::ends($exact, $day);
        $hasTwo = null !== $first && null !== $last && $day($first->on) < $day($last->on);
        $change = $hasTwo ? $last->value - $first->value : null;
        // Read by two set-ups they may be apart by as much as those are.
        $smallest = $hasTwo
            ? SmallestChange::between(
                sqrt(
                    $sd($first) ** 2 +
                        $sd($last) ** 2 +
                        ($first->setUp() === $last->setUp() ? 0.0 : Trend::SET_UPS_APART ** 2),
                ),
            )
            : null;
        $step = null === $trend ? null : Step::of($trend);
        $towards = self::goal(
            $ability,
            $exact,
            $change,
            $smallest,
            $trend,
            $asked,
            $isHeld,
            $prior ?? Prior::usual(),
        );

        return new self(
            $ability,
            count($evidence),
            $change,
            $smallest,
            $trend,
            null === $step ? null : $now->sub(new \DateInterval('P'.max(0, (int) round(-$step->after)).'D')),
            $turn,
            $exact,
            $now,
            $prior ?? Prior::usual(),
            $towards,
        );
    }

    /** The same readings towards another goal. */
    public function towards(?float $asked, bool $isHeld, \DateTimeImmutable $now): self
    {
        return new self(
            $this->ability,
            $this->readings,
            $this->change,
            $this->smallestReal,
            $this->trend,
            $this->step,
            $this->turn,
            $this->exact,
            $now,
            $this->prior,
            self::goal(
                $this->ability,
                $this->exact,
                $this->change,
                $this->smallestReal,
                $this->trend,
                $asked,
                $isHeld,
                $this->prior,
            ),
        );
    }

    /**
     * @param list<Evidence> $exact
     *
     * @return array{Forecast|null, Reason}
     */
    private static function goal(
        Ability $ability,
        array $exact,
        ?float $change,
        ?float $smallest,
        ?Trend $trend,
        ?float $asked,
        bool $isHeld,
        Prior $prior,
    ): array {
        $forecast =
            null === $trend || null === $asked || $isHeld ? null : Forecast::of($trend, 0.0, $asked, $prior);

        return [
            $forecast,
            self::because($ability, $exact, $change, $smallest, $trend, $forecast, $asked, $isHeld, $prior),
        ];
    }

    /**
     * The trend a month in the ability's own unit.
     *
     * @return array{value: float, low: float, high: float}|null the most likely, and its 95 % interval
     */
    public function perMonth(): ?array
    {
        if (null === $this->trend) {
            return null;
        }
        $of = fn (float $perDay): float => $this->turn * Trend::MONTH * $perDay;
        [$low, $high] = array_map($of, $this->trend->slope->interval());

        return [
            'value' => $of($this->trend->slope->mean()),
            'low' => min($low, $high),
            'high' => max($low, $high),
        ];
    }

    /**
     * The first and the last of the set-up that was read most often, where it was on two days; else of all.
     *
     * @param list<Evidence> $exact in order
     * @param callable(\DateTimeImmutable|null): float $day
     *
     * @return array{Evidence|null, Evidence|null}
     */
    private static function ends(array $exact, callable $day): array
    {
        $setUp = Trend::commonest(array_map(static fn (Evidence $one): string => $one->setUp(), $exact));
        $alike = array_values(array_filter($exact, static fn (Evidence $one): bool => $one->setUp() === $setUp));
        foreach ([$alike, $exact] as $some) {
            if (count($some) > 1 && $day($some[0]->on) < $day($some[count($some) - 1]->on)) {
                return [$some[0], $some[count($some) - 1]];
            }
        }

        return [$exact[0] ?? null, $exact[count($exact) - 1] ?? null];
    }

    /** @param list<Evidence> $exact */
    private static function because(
        Ability $ability,
        array $exact,
        ?float $change,
        ?float $smallest,
        ?Trend $trend,
        ?Forecast $forecast,
        ?float $asked,
        bool $isHeld,
        Prior $prior,
    ): Reason {
        $numbers = ['ability' => $ability->value, 'unit' => $ability->unit()];
        $turn = $ability->turn();

        return match (true) {
            [] === $exact => new Reason('progress.bounds', Source::Computed, $numbers),
            null === $change || null === $smallest => new Reason('progress.one', Source::Computed, $numbers),
            $isHeld => new Reason('progress.held', Source::Trade, $numbers),
            null === $trend => new Reason(
                abs($change) > $smallest ? 'progress.changed' : 'progress.noise',
                Source::Computed,
                $numbers + ['change' => $change, 'smallest' => $smallest],
            ),
            null !== $asked && $trend->at(0.0)->mean() >= $asked => new Reason(
                'progress.met',
                Source::Computed,
                $numbers + ['asked' => $turn * $asked, 'now' => $turn * $trend->at(0.0)->mean()],
            ),
            null !== $forecast => new Reason(
                'progress.forecast',
                Source::Own,
                $numbers + [
                    'month' => $turn * Forecast::rate($trend, $prior)['mean'] * Trend::MONTH,
                    'asked' => $turn * ($asked ?? 0.0),
                    'people' => $prior->people,
                ],
            ),
            // Not even at the best that the readings allow, as far as anybody sees.
            null !== $asked
            && $trend->at(0.0)->mean() + Forecast::FURTHEST * $trend->slope->interval()[1] < $asked => new Reason(
                'progress.not-by-this',
                Source::Own,
                $numbers + ['month' => $turn * $trend->slope->mean() * Trend::MONTH],
            ),
            !$trend->isReal() => new Reason(
                null === $asked ? 'progress.flat' : 'progress.unsure',
                Source::Own,
                $numbers + ['month' => $turn * $trend->slope->mean() * Trend::MONTH],
            ),
            default => new Reason(
                $trend->slope->mean() > 0.0 ? 'progress.grows' : 'progress.falls',
                Source::Computed,
                $numbers + [
                    'month' => abs($trend->slope->mean()) * Trend::MONTH,
                    'less' => $ability->isLessMore() ? 'yes' : 'no',
                ],
            ),
        };
    }
}
