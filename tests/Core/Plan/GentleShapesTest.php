<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\GentleShapes;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\TestCase;

/** Three shapes for the spine, two for the hips and one to rest in: what a session begins and ends with. */
final class GentleShapesTest extends TestCase
{
    private const WARM = ['cat' => ['spine', true], 'cobra' => ['spine', true], 'bridge' => ['spine', true],
        'hug' => ['flexion', false], 'cross' => ['rotation', false]];

    public function testTheSpineComesFirstThenWhatLimitsTheDayAndTheTimeIsAllThereIs(): void
    {
        $warm = static fn (int $seconds, array $limiters, int $count = 0,
            array $later = []): array => array_map(
                static fn (PlannedItem $item): string => $item->rung->posture.' '.($item->side->value ?? 'both')
                    .' '.$item->seconds,
                self::shapes()->warmUp($seconds, $limiters, $count, $later),
            );
        self::assertSame(['cat both 100', 'cobra both 100', 'cross left 50', 'cross right 50'],
            $warm(300, ['rotation']), 'Two for the spine, and no third before the limiters.');
        self::assertSame(['cat both 100', 'cobra both 100'], $warm(200, ['rotation']), 'Each its time.');
        self::assertSame(['cat both 120', 'cobra both 120', 'bridge both 120', 'hug left 60', 'hug right 60',
            'cross left 60', 'cross right 60'], $warm(600, ['flexion']), 'Five, however much time there is.');
        self::assertSame(['cobra both 100', 'bridge both 100', 'cross left 50', 'cross right 50'],
            $warm(300, ['rotation'], 1), 'Not the same from day to day.');
        self::assertSame(['cat both 100', 'cobra both 100', 'hug left 50', 'hug right 50'],
            $warm(300, ['rotation'], 0, [self::ladders()['cross'][0]]), 'What is worked on later is for the work.');
        self::assertSame(['plan.warm-up', 'plan.warm-up', 'plan.warm-up-for'],
            array_map(static fn (PlannedItem $item): string => $item->because->code,
                array_slice(self::shapes()->warmUp(300, ['rotation']), 0, 3)));
    }

    public function testWhatIsHeldOrForbiddenOrHasNoPropWarmsNobodyUp(): void
    {
        $names = static fn (GentleShapes $shapes): array => array_values(
            array_unique(
                array_map(static fn (PlannedItem $item): string => $item->rung->posture, $shapes->warmUp(600, [])),
            ),
        );
        self::assertSame(['cat', 'cobra', 'bridge', 'hug', 'cross'], $names(self::shapes()));
        self::assertSame(['cat', 'cobra', 'bridge', 'hug'], $names(self::shapes(forbidden: ['cross'])));
        self::assertSame(['cat', 'cobra', 'bridge', 'hug'], $names(self::shapes(props: ['strap' => 1])));
        $held = self::shapes([new ConditionTold('c', new \DateTimeImmutable('2026-03-01'),
            new \DateTimeImmutable('2026-03-01'), new Condition('c', 'C', ['knee-folded']), null)]);
        self::assertSame(['cat', 'cobra'], $names($held), 'Of little, half is left for the work.');
    }

    public function testABackbendComesOnceOneIsWarmAndWhatLiesStaysTogether(): void
    {
        $place = ['bend' => [Stance::Lying, ['backbend']], 'kneel' => [Stance::Bearing, []],
            'sit' => [Stance::Seated, []], 'lie' => [Stance::Lying, []], 'roll' => [Stance::Lying, []],
            'rest' => [Stance::Lying, []], 'fold' => [Stance::Lying, []]];
        $postures = $ladders = [];
        foreach ($place as $id => [$stance, $loads]) {
            $rung = new RungDefinition('first', 'First', null, [], new Work($loads, true));
            $postures[$id] = new PostureDefinition($id, $id, [], [$rung], []);
            $ladders[$id] = [new PracticeRung($id, $id, $rung, $stance, [], [], true, count($ladders))];
        }
        $warm = GentleShapes::of(new ReadPoses($postures, Person::of([]), []), $ladders,
            new PlanRequest(new \DateTimeImmutable('2026-03-09'), 1, [1], 60, new Equipment(0, 0, false)));
        $names = static fn (int $count): array => array_map(static fn (PlannedItem $item): string => $item->rung
            ->posture, $warm->warmUp(400, [], $count));
        self::assertSame(['bend', 'lie', 'sit', 'kneel'], $names(0), 'What is softest by its place begins.');
        self::assertSame(['kneel', 'lie', 'roll', 'sit'], $names(1));
        self::assertSame(['bend', 'rest', 'fold', 'kneel'], $names(5));
        self::assertSame(['bend', 'fold', 'sit', 'kneel'], $names(6));
    }

    public function testWhatIsForEveryDayIsOnlyWhatBothSidesMayDoAndChangesFromWeekToWeek(): void
    {
        $note = static fn (GentleShapes $shapes,
            int $week): mixed => $shapes->daily($week)?->numbers['posture'];
        self::assertSame(['cross', 'hug', 'cross'], array_map(static fn (int $week): mixed => $note(self::shapes(),
            $week), [0, 1, 2]));
        $held = static fn (array $loads): GentleShapes => self::shapes([new ConditionTold('c',
            new \DateTimeImmutable('2026-03-01'), new \DateTimeImmutable('2026-03-01'),
            new Condition('c', 'C', $loads), Side::Left)]);
        self::assertSame('hug', $note($held(['knee-folded']), 0));
        self::assertNull($note(self::shapes(forbidden: ['cross', 'hug']), 0));
    }

    public function testOneRestsInWhatThereIsForItAndNothingElse(): void
    {
        $rest = self::shapes()->rest(187);
        self::assertSame([['lie', 'rest', 185]],
            array_map(static fn (PlannedItem $item): array => [$item->rung->posture, $item->phase->value,
                $item->seconds], $rest));
        self::assertSame([], self::shapes(forbidden: ['lie'])->rest(180));
    }

    /**
     * @param list<ConditionTold> $told
     * @param list<string> $forbidden
     * @param array<string, int> $props that the crossed shape needs
     */
    private static function shapes(array $told = [], array $forbidden = [], array $props = []): GentleShapes
    {
        $ladders = self::ladders($props);
        $postures = array_map(static fn (array $ladder): PostureDefinition => new PostureDefinition($ladder[0]->posture,
            $ladder[0]->name, [], [$ladder[0]->rung], []), $ladders);

        return GentleShapes::of(new ReadPoses($postures, Person::of([], entries: $told), []), $ladders,
            new PlanRequest(new \DateTimeImmutable('2026-03-09'), 1, [1], 60, new Equipment(0, 0, false), [],
                $forbidden));
    }

    /**
     * @param array<string, int> $props that the crossed shape needs
     *
     * @return array<string, non-empty-list<PracticeRung>>
     */
    private static function ladders(array $props = []): array
    {
        $ladders = [];
        foreach (self::WARM + ['lie' => ['rest', true]] as $id => [$remedy, $isSymmetric]) {
            $rung = new RungDefinition('first', 'First', null, [],
                new Work('cross' === $id ? ['knee-folded', 'knee-twist'] : [], true));
            $ladders[$id] = [new PracticeRung($id, ucfirst($id), $rung, Stance::Seated, [], 'cross' === $id ? $props
                    : [], $isSymmetric, 'lie' === $id ? null : count($ladders), 'lie' === $id ? 0 : null, [],
                [$remedy], daily: ['cross' => 1, 'hug' => 2][$id] ?? null)];
        }

        return $ladders;
    }
}
