<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Posture;

use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Posture\AsksLess;
use LucidAscent\Core\Posture\DemandOrder;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Posture\RungDemand;
use LucidAscent\Tests\Core\Readiness\Demand;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DemandOrderTest extends TestCase
{
    /**
     * @param array<string, float> $under
     * @param array<string, float> $full
     * @param list<array{string, float|null, float}> $lacking
     */
    #[DataProvider('ladders')]
    public function testAFullFormAsksAtLeastWhatTheRungsUnderItAsk(array $under, array $full, array $lacking): void
    {
        self::assertEquals($lacking, self::lacking(self::posture('pose',
            [self::rung('under', $under), self::rung('full', $full)])));
    }

    /**
     * @return iterable<string, array{array<string, float>, array<string, float>, list<array{string, float|null,
     *     float}>}>
     */
    public static function ladders(): iterable
    {
        yield 'as much' => [['rotation' => 60.0], ['rotation' => 60.0], []];
        yield 'more' => [['rotation' => 60.0], ['rotation' => 70.0, 'flexion' => 90.0], []];
        yield 'less' => [['rotation' => 60.0], ['rotation' => 50.0], [['rotation this', 50.0, 60.0]]];
        yield 'nothing of it' => [['rotation' => 60.0, 'flexion' => 90.0], ['rotation' => 60.0],
            [['flexion this', null, 90.0]]];
        yield 'nearer than a test can tell' => [['rotation' => 60.0], ['rotation' => 59.1], []];
        yield 'hands a strap apart are asked for' => [['shoulder-reach' => -15.0], ['rotation' => 20.0],
            [['shoulder-reach this', null, -15.0]]];
        yield 'hands that meet are more' => [['shoulder-reach' => -15.0], ['shoulder-reach' => 0.0], []];
        yield 'an angle of nothing is asked of everybody' => [['extension' => 0.0], ['rotation' => 20.0], []];
    }

    /** What a posture needs comes before its full form; what only prepares it does not. */
    public function testItAsksAtLeastWhatItNeeds(): void
    {
        $needed = self::posture('needed', [self::rung('low', ['rotation' => 90.0]),
            self::rung('full', ['rotation' => 60.0])]);
        $of = static fn (array $needs): array => self::lacking(self::posture('pose',
            [self::rung('full', ['rotation' => 40.0])], $needs), ['needed' => $needed]);
        self::assertEquals([['rotation this', 40.0, 60.0]], $of(['needed']),
            'Its full form counts, not what leads there.');
        self::assertSame([], $of([]));
    }

    /** The other leg has demands of its own: what is asked of one leg is not what is asked of the other. */
    public function testEachLegIsComparedWithItself(): void
    {
        $under = new RungDefinition('under', 'under', null, [], new Work([]), otherLeg: ['extension' => 15.0]);
        self::assertEquals([['extension other', null, 15.0]],
            self::lacking(self::posture('pose', [$under, self::rung('full', ['extension' => 20.0])])));
    }

    /** A lower block is no deeper rung: both are set up on the full form's. */
    public function testTheSamePropUnderBoth(): void
    {
        $at = static fn (float $knee): RungDefinition => self::rung('at', [],
            new Demand(static fn (Capacity $c): KneeAtHeight => new KneeAtHeight(HalfLotus::place(new Sitting()),
                $knee)));
        self::assertSame([], self::lacking(self::posture('pose', [$at(10.0), $at(20.0)])),
            'The lower knee asks for more turn, at its own height.');
    }

    /** Small bodies fold further where a height is the same: each body is asked. */
    public function testEveryBodyIsAsked(): void
    {
        $half = self::rung('half', [],
            new Demand(static fn (Capacity $c): KneeAtHeight => new KneeAtHeight(HalfLotus::place(new Sitting()),
                14.0)));
        // 98.7° of an average leg, and 102.5° of a small one.
        $lacking = self::lacking(self::posture('pose', [$half,
            self::rung('full', ['flexion' => 100.0, 'abduction' => 60.0, 'rotation' => 120.0,
                'kneeFlexion' => 160.0])]));
        self::assertSame(['flexion this'], array_column($lacking, 0));
        self::assertEqualsWithDelta(102.5, $lacking[0][2], 0.1);
    }

    /**
     * @param array<string, PostureDefinition> $others
     *
     * @return list<array{string, float|null, float}>
     */
    private static function lacking(PostureDefinition $posture, array $others = []): array
    {
        return array_map(static fn (AsksLess $one): array => [$one->key(), $one->asked, $one->more],
            DemandOrder::lacking($posture, $others, new Capacity(140, 70, 115, 160)));
    }

    /**
     * @param non-empty-list<RungDefinition> $rungs
     * @param list<string> $needs
     */
    private static function posture(string $id, array $rungs, array $needs = []): PostureDefinition
    {
        return new PostureDefinition($id, $id, [Ability::ExternalRotation], $rungs, $needs);
    }

    /** @param array<string, float> $thresholds */
    private static function rung(string $id, array $thresholds, ?RungDemand $demand = null): RungDefinition
    {
        return new RungDefinition($id, $id, $demand, $thresholds, new Work([]));
    }
}
