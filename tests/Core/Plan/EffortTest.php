<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Plan\Effort;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\RungDefinition;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How much a shape asks of what it works. */
final class EffortTest extends TestCase
{
    /**
     * @param array<string, float> $angles
     * @param list<string> $loads
     */
    #[DataProvider('shapes')]
    public function testOfAnAngleOrALoadWhatIsNearestToTheEnd(float $effort, array $angles, array $loads = []): void
    {
        self::assertEqualsWithDelta($effort, Effort::of(self::rung(new Work($loads, angles: $angles))), 1e-9);
        self::assertEqualsWithDelta($effort, Effort::of(self::rung(new Work([], otherLegLoads: $loads,
            otherLegAngles: $angles))), 1e-9, 'Of whichever leg.');
    }

    public static function shapes(): iterable
    {
        yield 'nothing' => [0.0, []];
        yield 'folded hip' => [0.8, ['flexion' => 100.0, 'kneeFlexion' => 90.0]];
        yield 'with a straight leg that is more' => [1.0, ['flexion' => 90.0, 'kneeFlexion' => 14.9]];
        yield 'behind the body' => [0.75, ['flexion' => -15.0, 'kneeFlexion' => 20.0]];
        yield 'wide' => [0.5, ['abduction' => 30.0]];
        yield 'crossed' => [0.5, ['abduction' => -15.0]];
        yield 'turned out' => [0.5, ['rotation' => 55.0]];
        yield 'turned in' => [0.5, ['rotation' => -20.0]];
        yield 'folded knee' => [1.0, ['kneeFlexion' => 155.0]];
        yield 'backbend' => [0.8, ['rotation' => 11.0], ['backbend', 'twist']];
    }

    private static function rung(Work $work): PracticeRung
    {
        return new PracticeRung('p', 'P', new RungDefinition('r', 'R', null, [], $work), Stance::Lying, [], [], true);
    }
}
