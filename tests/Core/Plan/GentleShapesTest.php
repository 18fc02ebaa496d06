<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

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
        $warm = static fn (int $seconds,
            array $limiters): array => array_map(
                static fn (PlannedItem $item): string => $item->rung->posture.' '.($item->side->value ?? 'both')
                    .' '.$item->seconds,
                self::shapes()->warmUp($seconds, $limiters),
            );
        self::assertSame(['cat both 60', 'cobra both 60', 'cross left 30', 'cross right 30', 'bridge both 60',
            'hug left 30', 'hug right 30'], $warm(300, ['rotation']),
            'Two for the spine, and no third before the limiters.');
        self::assertSame(['cat both 60', 'cobra both 60'], $warm(120, ['rotation']),
            'Nothing is begun for which there is no time.');
        self::assertSame(['cat both 120', 'cobra both 120', 'hug left 60', 'hug right 60', 'bridge both 120',
            'cross left 60', 'cross right 60'], $warm(600, ['flexion']), 'More time is more of each.');
        self::assertSame([], $warm(0, ['rotation']));
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
        self::assertSame(['cat', 'cobra', 'bridge', 'hug'], $names($held));
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
        $postures = $ladders = [];
        foreach (self::WARM + ['lie' => ['rest', true]] as $id => [$remedy, $isSymmetric]) {
            $rung = new RungDefinition('first', 'First', null, [],
                new Work('cross' === $id ? ['knee-folded', 'knee-twist'] : [], true));
            $postures[$id] = new PostureDefinition($id, ucfirst($id), [], [$rung], []);
            $ladders[$id] = [new PracticeRung($id, ucfirst($id), $rung, Stance::Seated, [], 'cross' === $id ? $props
                    : [], $isSymmetric, 'lie' === $id ? null : count($ladders), 'lie' === $id ? 0 : null, [],
                [$remedy])];
        }
        $poses = new ReadPoses($postures, Person::of([], entries: $told), []);

        return GentleShapes::of($poses, $ladders, new PlanRequest(new \DateTimeImmutable('2026-03-09'), 1, [1], 60,
            new Equipment(0, 0, false), [], $forbidden));
    }
}
