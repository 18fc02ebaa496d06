<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\Route;

/** What there is to work on, what matters most first, and what cannot be. */
final class Candidates
{
    /** So many gentle shapes for what is short at most: there is no session for more. */
    private const MOST_REMEDIES = 16;

    /** What keeps the rest of somebody going, where little is left to do or time is. */
    private const WHOLE = [
        Ability::ShoulderFlexion,
        Ability::Strength,
        Ability::SpineRotation,
        Ability::Ease,
        Ability::Balance,
    ];

    /** @var array<string, list<Candidate>> what has been asked for of each kind */
    private array $read = [];

    /**
     * @param list<Candidate> $list what leads to the wanted poses
     * @param list<Candidate> $drills for what is short, what matters most first
     * @param array<string, Reason> $leftOut by posture
     * @param list<string> $aims wanted postures that may be aimed at
     * @param \Generator<Candidate> $remedies gentle shapes for what is short, whether or not they lead there: each is
     *     read when there is room for it
     * @param \Generator<Candidate> $whole likewise for the rest of the body
     */
    private function __construct(
        public readonly array $list,
        public readonly array $drills,
        public readonly array $leftOut,
        public readonly array $aims,
        private readonly \Generator $remedies,
        private readonly \Generator $whole,
    ) {
    }

    /**
     * @param list<string> $wanted
     * @param array<string, list<PracticeRung>> $ladders by posture
     * @param array<string, PracticeDrill> $drills by id
     */
    public static function of(
        array $wanted,
        ReadPoses $poses,
        array $ladders,
        PlanRequest $request,
        array $drills = [],
    ): self {
        $forbidden = array_intersect($wanted, $request->forbidden);
        $leftOut = array_map(
            static fn (string $id): Reason => new Reason('plan.forbidden', Source::Own, ['posture' => $id]),
            array_combine($forbidden, $forbidden),
        );
        $wanted = array_values(array_diff($wanted, $forbidden));
        $routes = array_map(static fn (string $id): Route => Route::to($id, $poses), $wanted);
        $keystone = Keystone::of($routes, $poses);
        $pinned = array_values(
            array_filter(
                [...$request->sequence, ...$request->pinned],
                static fn (string $id): bool => isset($poses->postures[$id]),
            ),
        );
        $ids = $pinned;
        foreach ($routes as $route) {
            $ids = [
                ...$ids,
                ...$route->isClosed($poses)
                    ? [$route->wanted]
                    : [$route->wanted, ...$route->frontier, ...$route->helps],
            ];
        }
        $ids = array_values(array_diff(array_unique($ids), $request->forbidden));
        $list = $instead = [];
        foreach ($ids as $id) {
            $wishes = [];
            foreach (
                [
                    [Wish::Pinned, in_array($id, $pinned, true)],
                    [
                        Wish::Keystone,
                        null !== $keystone && in_array($keystone->ability, $poses->postures[$id]->abilities, true),
                    ],
                    [Wish::Wanted, in_array($id, $wanted, true)],
                    [Wish::Prepares, !in_array($id, [...$pinned, ...$wanted], true)],
                ] as [$wish, $isOne]
            ) {
                if ($isOne) {
                    $wishes[] = $wish;
                }
            }
            $list[] = self::candidate(
                $id,
                $poses,
                $ladders,
                $request,
                $wishes,
                match ($wishes[0] ?? Wish::Prepares) {
                    Wish::Pinned => new Reason('plan.pinned', Source::Own, ['posture' => $id]),
                    Wish::Keystone => new Reason('plan.keystone', Source::Computed, [
                        'ability' => $keystone->ability->value ?? '',
                        'side' => $keystone->side->value ?? '',
                    ]),
                    Wish::Wanted => self::wanted($id, $poses),
                    default => new Reason('plan.prepares', Source::Trade, ['postures' => $wanted]),
                },
                $leftOut,
            );
            foreach (
                in_array($leftOut[$id]->code ?? '', ['plan.held', 'plan.held-side'], true) ? Side::cases() : [] as $side
            ) {
                $safer =
                    null === Stage::of($id, $side, $poses, $ladders, $request->equipment)
                        ? Instead::form(
                            $id,
                            $side,
                            $poses,
                            $ladders,
                            $request->equipment,
                            [...$ids, ...$request->forbidden],
                        )
                        : null;
                if (null !== $safer) {
                    $instead[$safer->posture] ??= [$safer, $side, $id];
                }
            }
        }
        $list = array_values(array_filter($list));
        foreach ($instead as [$safer, $side, $id]) {
            $list[] = self::inPlace(
                $safer,
                $side,
                $poses,
                $ladders,
                $request,
                new Reason('plan.instead', Source::Trade, ['posture' => $id]),
            );
        }
        $list = array_values(array_filter($list));
        // Where one side is held, the other goes on; where the full form is, what may be done below it.
        $there = array_column(
            array_map(static fn (Candidate $candidate): array => [$candidate->posture, $candidate], $list),
            1,
            0,
        );
        $aims = $free = [];
        foreach ($routes as $route) {
            $rungs = ($there[$route->wanted] ?? null)?->rungs;
            $aims[$route->wanted] = array_values(
                array_filter(
                    Side::cases(),
                    static fn (Side $side): bool => !$route->isClosed($poses)
                        || null !== ($rungs[$side->value] ?? null),
                ),
            );
            // A side that does not rest works on what it is short of, though the pose has to wait.
            $free[$route->wanted] = array_values(
                array_filter(
                    Side::cases(),
                    static fn (Side $side): bool => in_array($side, $aims[$route->wanted], true)
                        || !$poses->person->holds->isWholeSideHeld($side),
                ),
            );
        }
        $sought = Remedies::sought($free, $poses, $keystone?->ability);
        $there = array_map(static fn (Candidate $candidate): string => $candidate->posture, $list);

        return new self(
            $list,
            self::drills($sought, $drills, $poses, $ladders, $request),
            $leftOut,
            array_keys(array_filter($aims)),
            self::gentle(
                $sought,
                [...$there, ...$ids],
                $poses,
                $ladders,
                $request,
                static fn (Sought $for): Reason => new Reason('plan.remedy', Source::Trade, [
                    'ability' => $for->ability->value,
                ]),
            ),
            self::gentle(
                self::wholeBody(),
                [...$there, ...$ids],
                $poses,
                $ladders,
                $request,
                static fn (): Reason => new Reason('plan.whole', Source::Trade),
            ),
        );
    }

    /** The gentle shapes for what is short, as many as have been asked for; null when there are no more. */
    public function remedy(int $at): ?Candidate
    {
        return $this->read('remedies', $this->remedies, $at);
    }

    /** Likewise those that keep the rest of the body going. */
    public function whole(int $at): ?Candidate
    {
        return $this->read('whole', $this->whole, $at);
    }

    private static function wanted(string $id, ReadPoses $poses): Reason
    {
        $purpose = $poses->person->purposes[$id] ?? null;

        return null === $purpose
            ? new Reason('plan.stage', Source::Computed, ['posture' => $id])
            : new Reason('plan.stage-for', Source::Computed, ['posture' => $id, 'purpose' => $purpose->value]);
    }

    /** @param \Generator<Candidate> $from */
    private function read(string $kind, \Generator $from, int $at): ?Candidate
    {
        $this->read[$kind] ??= [];
        while (!isset($this->read[$kind][$at]) && $from->valid() && count($this->read[$kind]) < self::MOST_REMEDIES) {
            $this->read[$kind][] = $from->current();
            $from->next();
        }

        return $this->read[$kind][$at] ?? null;
    }

    /**
     * @param array<string, Sought> $sought by remedy
     * @param list<string> $there postures that are candidates already
     * @param array<string, list<PracticeRung>> $ladders
     * @param callable(Sought): Reason $because
     *
     * @return \Generator<Candidate>
     */
    private static function gentle(
        array $sought,
        array $there,
        ReadPoses $poses,
        array $ladders,
        PlanRequest $request,
        callable $because,
    ): \Generator {
        foreach (Remedies::shapes($sought, $ladders, [...$there, ...$request->forbidden]) as $id => $remedy) {
            $unsaid = [];
            $candidate = self::candidate(
                $id,
                $poses,
                $ladders,
                $request,
                [Wish::Remedy],
                $because($sought[$remedy]),
                $unsaid,
            );
            if (null !== $candidate && !$candidate->isDeep()) {
                yield $candidate;
            }
        }
    }

    /** @return array<string, Sought> by remedy */
    private static function wholeBody(): array
    {
        $sought = [];
        foreach (self::WHOLE as $ability) {
            $sought[Remedy::ofAbility($ability)->value ?? ''] = new Sought($ability, Sought::LITTLE);
        }

        return $sought;
    }

    /**
     * Drills for what is short, one for each limiter in turn, and those that the teacher wants before them: as far as
     * the position in which they are done may be practised now.
     *
     * @param array<string, Sought> $sought by remedy
     * @param array<string, PracticeDrill> $drills by id
     * @param array<string, list<PracticeRung>> $ladders
     *
     * @return list<Candidate>
     */
    private static function drills(
        array $sought,
        array $drills,
        ReadPoses $poses,
        array $ladders,
        PlanRequest $request,
    ): array {
        $found = [];
        foreach (array_intersect_key($drills, array_flip($request->pinned)) as $id => $drill) {
            $found[$id] = self::drill(
                $drill,
                $poses,
                $ladders,
                $request,
                [Wish::Pinned],
                new Reason('plan.pinned', Source::Own, ['posture' => $drill->id]),
            );
        }
        $of = [];
        foreach ($drills as $id => $drill) {
            // One that helps with several is there for what matters most.
            $remedy = array_values(array_intersect(array_keys($sought), $drill->remedies))[0] ?? null;
            $candidate =
                null === $remedy
                    ? null
                    : self::drill(
                        $drill,
                        $poses,
                        $ladders,
                        $request,
                        [Wish::Remedy],
                        new Reason('plan.drill', Source::Trade, ['ability' => $sought[$remedy]->ability->value]),
                    );
            if (null !== $candidate) {
                $of[$remedy][] = $id;
                $found[$id] ??= $candidate;
            }
        }
        uksort(
            $of,
            static fn (string $a, string $b): int => array_search($a, array_keys($sought), true) <=>
                array_search($b, array_keys($sought), true),
        );
        $order = array_flip([...$request->pinned, ...array_keys(Remedies::shared($of, $sought))]);
        $found = array_filter($found);
        uksort($found, static fn (string $a, string $b): int => $order[$a] <=> $order[$b]);

        return array_values($found);
    }

    /**
     * @param array<string, list<PracticeRung>> $ladders
     * @param list<Wish> $wishes
     */
    private static function drill(
        PracticeDrill $drill,
        ReadPoses $poses,
        array $ladders,
        PlanRequest $request,
        array $wishes,
        Reason $because,
    ): ?Candidate {
        $rung = $drill->uses;
        $isFree = static fn (Side $side): bool => May::practise(
            $poses,
            $rung->posture,
            $rung->rung->id,
            $side,
        )->isYes();
        $free = array_values(array_filter(Side::cases(), $isFree));
        if (
            [] !== array_intersect([$drill->id, $rung->posture], $request->forbidden)
            || !$request->equipment->has($rung)
            || [] === $free
            || (1 === count($free) && !$drill->eachSide)
        ) {
            return null;
        }
        $rungs = [
            'left' => in_array(Side::Left, $free, true) ? $rung : null,
            'right' => in_array(Side::Right, $free, true) ? $rung : null,
        ];
        $counter = self::counter($rungs, $poses, $ladders, $request);
        if (null === $counter) {
            return null;
        }

        return new Candidate(
            $rung->posture,
            $rungs,
            self::tighter($rung->posture, $poses),
            array_map(
                static fn (Ability $ability): string => $ability->value,
                $poses->postures[$rung->posture]->abilities,
            ),
            $because,
            $wishes,
            ...$counter,
            drill: $drill,
        );
    }

    /**
     * A form in the place of what one side may not do; the other side does it, too, or what it does of that posture.
     *
     * @param array<string, list<PracticeRung>> $ladders
     */
    private static function inPlace(
        PracticeRung $safer,
        Side $side,
        ReadPoses $poses,
        array $ladders,
        PlanRequest $request,
        Reason $because,
    ): ?Candidate {
        $other = Side::Left === $side ? Side::Right : Side::Left;
        $beside = May::practise($poses, $safer->posture, $safer->rung->id, $other)->isYes()
            ? $safer
            : Stage::of($safer->posture, $other, $poses, $ladders, $request->equipment);
        $rungs =
            Side::Left === $other ? ['left' => $beside, 'right' => $safer] : ['left' => $safer, 'right' => $beside];
        $counter = self::counter($rungs, $poses, $ladders, $request);
        $candidate =
            null === $counter
                ? null
                : new Candidate(
                    $safer->posture,
                    $rungs,
                    self::tighter($safer->posture, $poses),
                    array_map(
                        static fn (Ability $ability): string => $ability->value,
                        $poses->postures[$safer->posture]->abilities,
                    ),
                    $because,
                    [Wish::InPlace],
                    ...$counter,
                );

        return true === $candidate?->isDeep() ? null : $candidate;
    }

    /**
     * A posture on the rung where each side of it is, with what undoes it; null where nothing of it may be done.
     *
     * @param array<string, list<PracticeRung>> $ladders
     * @param list<Wish> $wishes
     * @param array<string, Reason> $leftOut why not, or not all of it
     */
    private static function candidate(
        string $id,
        ReadPoses $poses,
        array $ladders,
        PlanRequest $request,
        array $wishes,
        Reason $because,
        array &$leftOut,
    ): ?Candidate {
        ['left' => $left, 'right' => $right] = Stage::ofBoth($id, $poses, $ladders, $request->equipment);
        $rung = $left ?? $right;
        if (null === $rung) {
            $missing = Stage::missing($id, $poses, $ladders, $request->equipment);
            $leftOut[$id] = match (true) {
                State::Held === $poses->state($id) => new Reason('plan.held', Source::Trade, ['posture' => $id]),
                [] !== $missing => new Reason('plan.no-prop', Source::Trade, ['posture' => $id, 'props' => $missing]),
                default => new Reason('plan.no-rung', Source::Trade, ['posture' => $id]),
            };

            return null;
        }
        if (null === $left || null === $right) {
            $held = null === $left ? Side::Left : Side::Right;
            $safer = Instead::form($id, $held, $poses, $ladders, $request->equipment, null);
            $isHeld =
                [] !==
                array_filter(
                    $poses->of($id, $held)->onLadder()->bars,
                    static fn (Reason $bar): bool => 'held.condition' === $bar->code,
                );
            $leftOut[$id] = new Reason(
                null !== $safer ? 'plan.safer-side' : ($isHeld ? 'plan.held-side' : 'plan.closed-side'),
                Source::Trade,
                ['posture' => $id, 'side' => $held->value],
            );
            $left ??= $safer;
            $right ??= $safer;
        }
        // A set sequence says itself which side comes first: left, then right.
        $set = array_search($id, $request->sequence, true);
        $set = false === $set ? null : $set;
        $rungs = ['left' => $left, 'right' => $right];
        $counter = self::counter($rungs, $poses, $ladders, $request);
        if (null === $counter) {
            $leftOut[$id] = new Reason('plan.no-counter', Source::Trade, ['posture' => $id]);

            return null;
        }

        return new Candidate(
            $id,
            $rungs,
            null === $set ? self::tighter($id, $poses) : null,
            array_map(static fn (Ability $ability): string => $ability->value, $poses->postures[$id]->abilities),
            $because,
            $wishes,
            ...$counter,
            set: $set,
        );
    }

    /**
     * A light shape that undoes what the sides do. One is owed to deep work, and to nothing else (common practice): of
     * the postures named the first rung or form that may be done on both sides; where one side alone was worked on,
     * also one that can be done on that side alone. Somebody of whom something is held lies still instead, where none
     * of them may be done.
     *
     * @param array{left: PracticeRung|null, right: PracticeRung|null} $rungs what each side does; null for nothing
     * @param array<string, list<PracticeRung>> $ladders
     *
     * @return array{counter: PracticeRung|null, counterSide: Side|null}|null null where one is owed and there is none
     */
    private static function counter(
        array $rungs,
        ReadPoses $poses,
        array $ladders,
        PlanRequest $request,
    ): ?array {
        $worked = array_filter($rungs);
        $deep = array_values(
            array_filter($worked, static fn (PracticeRung $rung): bool => !$rung->rung->isForAnybody()),
        );
        if ([] === $deep) {
            return ['counter' => null, 'counterSide' => null];
        }
        $alone = 1 === count($worked) ? Side::from(array_key_first($worked)) : null;
        $aside = null;
        // Who may do everything does what is named, or leaves the work.
        $isHeld = [] !== $poses->person->holds->active;
        foreach (self::undoing($deep[0], $ladders, $request, $isHeld) as $one) {
            $isFree = static fn (Side $side): bool => May::practise(
                $poses,
                $one->posture,
                $one->rung->id,
                $side,
            )->isYes();
            if ($isFree(Side::Left) && $isFree(Side::Right)) {
                return ['counter' => $one, 'counterSide' => null];
            }
            if (null === $aside && null !== $alone && $isFree($alone) && !$one->needsBothSides()) {
                $aside = ['counter' => $one, 'counterSide' => $alone];
            }
        }

        return $aside;
    }

    /**
     * What undoes a shape, in order: light rungs and forms of the postures that it names, then those in which one
     * rests.
     *
     * @param array<string, list<PracticeRung>> $ladders
     * @param bool $isHeld whether something of the person is held
     *
     * @return iterable<PracticeRung>
     */
    private static function undoing(
        PracticeRung $rung,
        array $ladders,
        PlanRequest $request,
        bool $isHeld,
    ): iterable {
        $may = static fn (PracticeRung $one): bool => !in_array($one->posture, $request->forbidden, true)
            && $request->equipment->has($one);
        foreach ($rung->counters as $id) {
            foreach ($ladders[$id] ?? [] as $one) {
                foreach ([$one, ...$one->forms] as $shape) {
                    if ($shape->rung->isForAnybody() && $may($shape)) {
                        yield $shape;
                    }
                }
            }
        }
        foreach ($isHeld ? $ladders : [] as $id => $ladder) {
            $isRest = null !== $ladder[0]->rest && $ladder[0]->rung->work->isLyingRest();
            if ($isRest && $id !== $rung->posture && $may($ladder[0])) {
                yield $ladder[0];
            }
        }
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
