<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Ending;
use LucidAscent\Core\Caution\Exemption;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Figure\DrawnLoads;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\Plan\Dose;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\GateDefinition;
use LucidAscent\Core\Posture\GateKind;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TestDefinition;

/** Entries of the catalogue as the core takes them. */
final class Definitions
{
    /**
     * @param array<string, array<string, mixed>> $entries
     *
     * @return array<string, TestDefinition> by id, in the taught order
     */
    public static function ofTests(array $entries, DrawnShapes $drawn): array
    {
        $tests = array_map(static fn (array $test): TestDefinition => self::ofTest($test, $drawn), $entries);
        uasort($tests, static fn (TestDefinition $a, TestDefinition $b): int => $a->order <=> $b->order);

        return $tests;
    }

    /** @param array<string, mixed> $test */
    public static function ofTest(array $test, DrawnShapes $drawn): TestDefinition
    {
        return new TestDefinition(
            $test['id'],
            $test['name'],
            $test['order'],
            Formula::named($test['formula']),
            array_map(Bound::from(...), $test['proves'] ?? []),
            array_column($test['measured'], 'unit', 'name'),
            array_column($test['compensations'], 'id'),
            (float) $test['minutes']['value'],
            $test['both_sides'],
            self::workOfTest($test, $drawn),
            $test['trials']['least'],
            $test['posture'] ?? '',
            $test['goes_beyond'] ?? false,
            self::position($test['figure'] ?? null),
            array_column(
                array_filter($test['measured'], static fn (array $one): bool => true === ($one['beside'] ?? false)),
                'name',
            ),
        );
    }

    /**
     * What taking a test loads. It is gentle: nobody stays in it. A test in the shape of a rung loads all that the rung
     * does, so that who is held from the one is not let in by the other.
     *
     * @param array<string, mixed> $test
     */
    private static function workOfTest(array $test, DrawnShapes $drawn): Work
    {
        $loads = $drawn->loads($test);
        $in = $drawn->standsIn($test);
        $shape = null === $in ? null : self::ofRung($in[0], $in[1], $drawn)->work;

        return new Work(
            array_values(
                array_unique([
                    ...self::loads($test, $loads),
                    ...array_diff($shape->loads ?? [], [Load::LyingRest->value]),
                ]),
            ),
            true,
            true !== $test['both_sides'],
            otherLegLoads: array_values(
                array_unique([
                    ...$loads->other ?? [],
                    ...$shape->otherLegLoads ?? [],
                    ...CatalogueDemand::find($test['formula'], [])?->otherLoads() ?? [],
                ]),
            ),
            angles: $loads->angles ?? [],
            otherLegAngles: $loads->otherAngles ?? [],
        );
    }

    /** @param array<string, mixed> $item */
    public static function ofCondition(array $item): Condition
    {
        return new Condition(
            $item['id'],
            $item['name'],
            $item['holds'],
            $item['changes'] ?? [],
            $item['deep_holds'] ?? [],
            $item['footed_holds'] ?? [],
            $item['other_side'] ?? [],
            Exemption::from($item['spares'] ?? Exemption::Nothing->value),
            $item['gentle_only'] ?? false,
            $item['besides'] ?? [],
            Ending::from($item['ending'] ?? Ending::Clinician->value),
            $item['months'] ?? null,
            $item['in_free_words'] ?? false,
        );
    }

    /**
     * @param array<string, array<string, mixed>> $entries
     *
     * @return array<string, PostureDefinition> by id
     */
    public static function ofPostures(array $entries, ?DrawnShapes $drawn = null): array
    {
        $drawn ??= new DrawnShapes($entries);
        $by = [];
        foreach ($entries as $id => $posture) {
            foreach (array_keys($posture['relations']['prepares'] ?? []) as $prepared) {
                $by[$prepared][] = $id;
            }
        }

        $postures = array_map(
            static fn (array $posture): PostureDefinition => self::ofPosture($posture, $drawn),
            $entries,
        );
        $same = SameShapes::of($entries, $postures);

        return array_map(
            static fn (PostureDefinition $posture): PostureDefinition => $posture->among(
                $by[$posture->id] ?? [],
                $same[$posture->id] ?? [],
            ),
            $postures,
        );
    }

    /** @param array<string, mixed> $posture */
    public static function ofPosture(array $posture, DrawnShapes $drawn): PostureDefinition
    {
        $rungs = array_map(
            static fn (array $rung): RungDefinition => self::ofRung($posture, $rung, $drawn),
            array_values($posture['rungs']),
        );
        $forms = [];
        foreach ($posture['forms'] ?? [] as $form) {
            $forms[(string) $form['alternates_with']][] = self::ofRung($posture, $form, $drawn);
        }
        $full =
            array_pop($rungs) ??
            throw new \OutOfBoundsException(sprintf('The posture %s has no rungs.', $posture['id']));
        $needs = array_map(strval(...), array_keys($posture['relations']['needs'] ?? []));
        // What a posture needs comes before its full form, and before the other forms of that.
        $behind = array_map(static fn (string $id): GateDefinition => new GateDefinition(GateKind::First, $id), $needs);
        if (isset($forms[$full->id])) {
            $forms[$full->id] = array_map(
                static fn (RungDefinition $form): RungDefinition => $form->isForAnybody()
                    ? $form
                    : $form->behind($behind),
                $forms[$full->id],
            );
        }

        return new PostureDefinition(
            $posture['id'],
            $posture['name'],
            array_values(array_map(Ability::from(...), $posture['components'])),
            [...$rungs, $full->behind($behind)],
            $needs,
            array_map(strval(...), array_keys($posture['relations']['same_action_as'] ?? [])),
            $forms,
        );
    }

    /**
     * @param array<string, mixed> $posture
     * @param array<string, mixed> $rung of its ladder, or a form beside one
     */
    private static function ofRung(array $posture, array $rung, DrawnShapes $drawn): RungDefinition
    {
        $demand = $rung['demand'];
        $leg = CatalogueDemand::find($demand['contact'] ?? '', $demand['values'] ?? []);
        $other = $rung['other_leg'] ?? [];
        $otherLeg = CatalogueDemand::find($other['contact'] ?? '', $other['values'] ?? []);
        $work = self::work($posture, $rung, $leg, $otherLeg, $drawn->loads($rung));

        return new RungDefinition(
            $rung['id'],
            $rung['name'],
            $leg,
            self::least($demand),
            $work,
            self::propRule($rung),
            array_values(
                array_map(self::gate(...), [
                    ...$rung['gates'] ?? [],
                    ...true === ($rung['gentle'] ?? false) ? [] : $posture['gates'] ?? [],
                ]),
            ),
            self::least($other),
            $otherLeg,
            // Weight on a bent knee is practised, and not measured.
            true === ($rung['may_be_measured_through'] ?? false) && !$work->has(Load::WeightOnKnee),
            array_values(array_filter((array) ($rung['felt'] ?? []), is_string(...))),
            $drawn->reach($rung),
        );
    }

    /**
     * What a rung loads. That it is gentle is believed where it is drawn, and nothing that it loads says otherwise.
     *
     * @param array<string, mixed> $posture
     * @param array<string, mixed> $rung of its ladder, or a form beside one
     */
    private static function work(
        array $posture,
        array $rung,
        ?CatalogueDemand $leg,
        ?CatalogueDemand $otherLeg,
        ?DrawnLoads $drawn,
    ): Work {
        $loads = self::loads($rung, $drawn, [
            ...$leg?->loads() ?? [],
            ...Load::ofThresholds(self::least($rung['demand'])),
        ]);
        $other = array_values(
            array_unique([
                ...$rung['other_loads'] ?? [],
                ...Load::ofThresholds(self::least($rung['other_leg'] ?? [])),
                ...$otherLeg?->loads() ?? [],
                ...$leg?->otherLoads() ?? [],
                ...$drawn->other ?? [],
            ]),
        );

        return new Work(
            $loads,
            true === ($rung['gentle'] ?? false) && null !== $drawn && Work::mayBeGentle([...$loads, ...$other]),
            true === ($posture['both_legs'] ?? false)
                || (null === $leg ? self::isSymmetric($posture['figure']) : $leg->usesBothLegs()),
            $rung['foot_free'] ?? false,
            $other,
            $rung['gentle'] ?? false,
            self::most([
                $drawn->angles ?? [],
                $leg?->angles() ?? [],
                self::ofLegs(self::least($rung['demand'])),
            ]),
            self::most([
                $drawn->otherAngles ?? [],
                $otherLeg?->angles() ?? [],
                self::ofLegs(self::least($rung['other_leg'] ?? [])),
            ]),
            Stance::Bearing->value === ($rung['stance'] ?? ($posture['stance'] ?? null)),
        );
    }

    /**
     * @param list<array<string, float>> $angles degrees by ability, each as one source has it
     *
     * @return array<string, float>
     */
    private static function most(array $angles): array
    {
        $most = [];
        foreach ($angles as $of) {
            foreach ($of as $ability => $degrees) {
                $most[$ability] = max($degrees, $most[$ability] ?? $degrees);
            }
        }

        return $most;
    }

    /**
     * @param array<string, float> $asked by ability
     *
     * @return array<string, float> of those that a word in writing may limit
     */
    private static function ofLegs(array $asked): array
    {
        return array_intersect_key($asked, Allowance::LIMITS);
    }

    /**
     * What is written, with all that is derived and drawn: rest alone is taken away, where nobody lies in the picture.
     *
     * @param array<string, mixed> $shape
     * @param list<string> $derived
     *
     * @return list<string>
     */
    private static function loads(array $shape, ?DrawnLoads $drawn, array $derived = []): array
    {
        $written = array_filter((array) ($shape['loads'] ?? []), is_string(...));

        return array_values(
            array_unique([
                ...true === $drawn?->isLying ? $written : array_diff($written, [Load::LyingRest->value]),
                ...$derived,
                ...$drawn->own ?? [],
            ]),
        );
    }

    /**
     * @param array<string, array<string, mixed>> $entries
     *
     * @return array<string, list<PracticeRung>> the ladder of each posture as something to practise, by id
     */
    public static function ofPractice(array $entries, ?DrawnShapes $drawn = null): array
    {
        $drawn ??= new DrawnShapes($entries);
        $ladders = [];
        foreach ($entries as $id => $posture) {
            $definition = self::ofPosture($posture, $drawn);
            $forms = [];
            foreach ($posture['forms'] ?? [] as $i => $form) {
                $beside = (string) $form['alternates_with'];
                $rung = array_values(
                    array_filter(
                        $definition->forms[$beside],
                        static fn (RungDefinition $one): bool => $one->id === $form['id'],
                    ),
                )[0];
                $forms[$beside][] = self::practice($entries, $posture, $form, $rung);
            }
            foreach ($posture['rungs'] as $i => $rung) {
                $ladders[$id][] = self::practice(
                    $entries,
                    $posture,
                    $rung,
                    $definition->rungs[$i],
                    $forms[$rung['id']] ?? [],
                    0 === $i,
                );
            }
        }

        return $ladders;
    }

    /**
     * @param array<string, array<string, mixed>> $entries all postures
     * @param array<string, mixed> $posture
     * @param array<string, mixed> $rung of its ladder, or a form beside one
     * @param list<PracticeRung> $forms that are alternated with it
     */
    private static function practice(
        array $entries,
        array $posture,
        array $rung,
        RungDefinition $of,
        array $forms = [],
        bool $isFirst = false,
    ): PracticeRung {
        return new PracticeRung(
            $posture['id'],
            $posture['name'],
            $of,
            Stance::from($rung['stance'] ?? ($posture['stance'] ?? Stance::Seated->value)),
            array_values(array_filter($rung['counter'] ?? [], is_string(...))),
            self::equipment($rung['props']),
            // Where an entry does not say so, a shape is done on both sides at once when its drawing is the same on
            // both.
            isset($posture['sides'])
                ? 'both' === ($rung['sides'] ?? $posture['sides'])
                : self::isSymmetric($posture['figure']),
            $isFirst ? $posture['warm_up'] ?? null : null,
            $isFirst ? $posture['rest'] ?? null : null,
            self::holds($rung),
            $posture['remedies'] ?? [],
            PracticeLevel::tryFrom($posture['level'] ?? '') ?? PracticeLevel::TeacherFirst,
            array_values(
                array_filter([$rung['knee_safe']['rung'] ?? null, $rung['lying']['rung'] ?? null], is_string(...)),
            ),
            ContactList::putsFootOnThigh($rung['demand']['contact'] ?? ''),
            $forms,
            $rung['purpose'] ?? '',
            $rung['alternates_with'] ?? '',
            $isFirst ? $posture['daily'] ?? null : null,
            SameShapes::drawn($entries, "$posture[id]/$rung[id]", $rung),
        );
    }

    /**
     * @param array<string, array<string, mixed>> $entries
     * @param array<string, list<PracticeRung>> $ladders by posture
     *
     * @return array<string, PracticeDrill> by id
     */
    public static function ofDrills(array $entries, array $ladders): array
    {
        $drills = [];
        foreach ($entries as $id => $drill) {
            $uses = PracticeRung::named($drill['uses'], $ladders);
            if (null !== $uses) {
                $range = $drill['repetitions'];
                $repetition = (float) ($drill['lasts'] ?? HoldRange::MOVEMENT);
                $drills[$id] = new PracticeDrill(
                    $id,
                    $drill['name'],
                    $uses,
                    HoldRange::in($range['unit'], (float) $range['least'], (float) $range['most'], $repetition),
                    'repetitions' === $range['unit'] ? $repetition : 0.0,
                    'each' === $drill['side'],
                    $drill['remedies'],
                );
            }
        }

        return $drills;
    }

    /**
     * @param array<string, mixed> $rung
     *
     * @return array<string, HoldRange> by school
     */
    private static function holds(array $rung): array
    {
        $in = static fn (array $hold, float $repetition): HoldRange => HoldRange::in(
            $hold['unit'],
            (float) $hold['least'],
            (float) $hold['most'],
            $repetition,
        );

        // Where a school repeats, it is to press and to yield; a rung that is repeated in any is a movement.
        return array_map(
            static fn (array $hold): HoldRange => $in($hold, HoldRange::PRESS_AND_YIELD),
            $rung['hold_by_school'] ?? [],
        ) + (isset($rung['hold']['unit']) ? [PracticeRung::ANY => $in($rung['hold'], HoldRange::MOVEMENT)] : []);
    }

    /**
     * @param array<string, mixed> $demand
     *
     * @return array<string, float> by ability
     */
    private static function least(array $demand): array
    {
        return array_map(
            static fn (array $least): float => (float) $least['value'],
            array_column($demand['thresholds'] ?? [], 'at_least', 'component'),
        );
    }

    /** @param array<string, string> $gate */
    private static function gate(array $gate): GateDefinition
    {
        $kind = (string) array_key_first($gate);

        return new GateDefinition(GateKind::from($kind), $gate[$kind]);
    }

    /**
     * Where the leg is in a test, by its drawing.
     *
     * @param array<string, mixed>|null $figure
     */
    private static function position(?array $figure): ?LegAngles
    {
        $drawn = CatalogueDemand::find($figure['lab'] ?? '', $figure['values'] ?? []);
        try {
            $posture = $drawn?->posture(StandardBody::openHips(), StandardBody::upper());
        } catch (\DomainException) {
            return null;
        }

        return match (true) {
            $posture instanceof ChainReading => $posture->pose(StandardBody::leg())->angles,
            isset($figure['angles']['left']) => new LegAngles(...array_map(floatval(...), $figure['angles']['left'])),
            default => null,
        };
    }

    /**
     * A shape is the same on both sides when its drawing is.
     *
     * @param array<string, mixed> $figure
     */
    private static function isSymmetric(array $figure): bool
    {
        return isset($figure['angles'])
            ? $figure['angles']['left'] === $figure['angles']['right']
            : true === CatalogueDemand::find($figure['lab'], [])?->isSymmetric();
    }

    /**
     * What a posture and its rungs ask for.
     *
     * @param array<string, mixed> $posture
     *
     * @return list<string>
     */
    public static function abilities(array $posture): array
    {
        $asked = $posture['components'];
        foreach ($posture['rungs'] as $rung) {
            array_push(
                $asked,
                ...array_column(
                    [...$rung['demand']['thresholds'] ?? [], ...$rung['other_leg']['thresholds'] ?? []],
                    'component',
                ),
            );
        }

        return array_values(array_unique($asked));
    }

    /**
     * Which of the props have a rule for their height; the first that has one counts.
     *
     * @param array<string, mixed> $rung
     */
    public static function propRule(array $rung): PropRule
    {
        return PropRule::from(array_column($rung['props'] ?? [], 'rule')[0] ?? PropRule::None->value);
    }

    /**
     * What a rung cannot do without.
     *
     * @param list<array<string, mixed>> $props
     *
     * @return array<string, int> how many, by the names of Equipment
     */
    private static function equipment(array $props): array
    {
        $needed = [];
        foreach (array_column($props, 'takes') as $takes) {
            foreach ($takes as $kind => $many) {
                $needed[$kind] = ($needed[$kind] ?? 0) + $many;
            }
        }

        return $needed;
    }

    /** @param array<string, mixed> $school as the catalogue has it */
    public static function ofSchool(array $school): Dose
    {
        $hold = $school['hold'];
        $range = static fn (string $least, string $most): HoldRange => HoldRange::in(
            $hold['least']['unit'],
            (float) $hold[$least]['value'],
            (float) $hold[$most]['value'],
            HoldRange::PRESS_AND_YIELD,
        );
        $deep = $range('least', 'most');

        return new Dose(
            $school['id'],
            $deep,
            isset($hold['gentle_least'], $hold['gentle_most']) ? $range('gentle_least', 'gentle_most') : $deep,
            (int) $school['deep_days_apart']['value'],
            $school['lotus_lying_last'] ?? false,
        );
    }
}
