<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Testing\Ability;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\MeasuredCapacity;
use LucidAscent\Core\Testing\Tool;
use PHPUnit\Framework\TestCase;

final class CapacitiesTest extends TestCase
{
    use TestTrait;

    public function testIsolatingReadingsCountByTheirPrecision(): void
    {
        $capacity = self::of(self::exact(84.0, 1.0, 'shins-stacked'), self::exact(80.0, 2.0, 'figure-four-lying'));
        self::assertEqualsWithDelta((84 + 80 / 4) / 1.25, $capacity->value, 1e-9);
        self::assertEqualsWithDelta(sqrt(1 / 1.25), $capacity->error, 1e-9, 'As of two independent readings.');
        self::assertSame(Bound::Exact, $capacity->bound);
        self::assertSame(['shins-stacked', 'figure-four-lying'], $capacity->tests());
        self::assertSame([], $capacity->against);
    }

    public function testAnErrorOfTheBodyDoesNotAverageOut(): void
    {
        $shared = static fn (string $test): Evidence => new Evidence(Ability::Rotation, 80.0, Bound::Exact, new Uncertainty(['thigh' => 2.0], [$test => 1.0]), $test);
        $capacity = self::of($shared('one'), $shared('other'));
        self::assertEqualsWithDelta(sqrt(4.0 + 0.5), $capacity->error, 1e-9);
    }

    public function testALowerBoundBelowChangesNothing(): void
    {
        $capacity = self::of(self::exact(84.0, 1.5), self::bound(60.0));
        self::assertSame([84.0, Bound::Exact, ['shins-stacked']], [$capacity->value, $capacity->bound, $capacity->tests()]);
    }

    public function testAHigherLowerBoundRaises(): void
    {
        $within = self::of(self::exact(84.0, 1.5), self::bound(86.0));
        self::assertSame([86.0, Bound::Exact], [$within->value, $within->bound]);
        $beyond = self::of(self::exact(70.0, 1.5), self::bound(91.0));
        self::assertSame([91.0, Bound::AtLeast, ['soles-together']], [$beyond->value, $beyond->bound, $beyond->tests()]);
        self::assertCount(1, $beyond->against);
    }

    public function testTheNewestAssessmentComesFirst(): void
    {
        $capacity = self::of(self::exact(84.0, 1.0, on: '2026-01-10'), self::exact(78.0, 2.0, on: '2026-02-10'), self::bound(82.0, '2026-01-10'));
        self::assertSame(78.0, $capacity->value);
        self::assertSame('2026-02-10', $capacity->on()?->format('Y-m-d'));
        self::assertSame(70.0, self::of(self::bound(75.0, '2026-01-10'), self::bound(70.0, '2026-02-10'))->value);
        self::assertSame(84.0, self::of(self::exact(84.0, 1.0, on: '2026-01-10'), self::bound(70.0, '2026-02-10'))->value, 'A later bound below an isolating reading takes nothing away.');
    }

    public function testReadingsThatContradictKeepTheWiderError(): void
    {
        $capacity = self::of(self::exact(84.0, 1.0), self::exact(60.0, 1.0, 'figure-four-lying'));
        self::assertSame(72.0, $capacity->value);
        self::assertEqualsWithDelta(12.0, $capacity->error, 1e-9);
        self::assertCount(2, $capacity->against);
        self::assertEqualsWithDelta($capacity->error, $capacity->uncertainty->error(BodyError::measured()), 1e-9);
    }

    public function testASmallerGapIsTheLargerReach(): void
    {
        $gap = static fn (float $cm): Evidence => new Evidence(Ability::ShoulderReach, $cm, Bound::AtLeast, Uncertainty::ofReading(0.7), 'behind-back-reach');
        self::assertSame(4.0, self::of($gap(9.0), $gap(4.0))->value);
    }

    public function testWhatNobodyReadIsLeftOut(): void
    {
        $capacities = Capacities::of([self::exact(84.0, 1.0)], BodyError::measured());
        self::assertSame(['rotation'], array_keys($capacities->known));
        self::assertNull($capacities->get(Ability::Abduction));
        self::assertSame(84.0, $capacities->ofLeg()->rotation);
        self::assertNull($capacities->ofLeg()->flexion);
    }

    public function testAReadingWithoutEndDecidesNothingBesideOneWith(): void
    {
        self::assertSame(80.0, self::of(self::exact(80.0, 2.0), self::exact(120.0, INF, 'figure-four-lying'))->value);
        self::assertSame(INF, self::of(self::exact(120.0, INF))->error);
    }

    public function testMoreEvidenceNeverLowersWhatABoundHasShown(): void
    {
        $this->minimumEvaluationRatio(0.5)->forAll(
            Generators::choose(30, 110),
            Generators::seq(Generators::choose(30, 110)),
            Generators::seq(Generators::choose(30, 110)),
        )->then(function (int $shown, array $exact, array $bounds): void {
            $evidence = [self::bound((float) $shown)];
            foreach ($exact as $value) {
                $evidence[] = self::exact((float) $value, 1.5);
            }
            foreach ($bounds as $value) {
                $evidence[] = self::bound((float) $value);
            }
            $capacity = self::of(...$evidence);
            self::assertGreaterThanOrEqual((float) $shown, $capacity->value);
            self::assertGreaterThan(0.0, $capacity->error);
        });
    }

    public function testUncertaintiesOfOneBodyCancel(): void
    {
        $one = new Uncertainty(['thigh' => 1.5, 'shin' => -1.0], ['knee' => 2.0]);
        self::assertSame(0.0, (new Uncertainty(['thigh' => 1.5], []))->minus(new Uncertainty(['thigh' => 1.5], []))->error(BodyError::measured()));
        self::assertEqualsWithDelta(sqrt(2 * 4.0), $one->minus(new Uncertainty(['thigh' => 1.5, 'shin' => -1.0], ['other' => 2.0]))->error(BodyError::measured()), 1e-12, 'Readings are new each time.');
        self::assertSame(0.0, $one->minus($one)->error(BodyError::measured()), 'A reading agrees with itself.');
        self::assertEqualsWithDelta(sqrt(2.25 + 0.49 + 4), $one->error(BodyError::measured()), 1e-12);
        self::assertSame(4.0, $one->times(-2.0)->readingError());
        self::assertSame(2.0, (new Uncertainty(['thigh' => INF], ['knee' => 2.0]))->error(BodyError::of(static fn (Segment $s): float => 0.0)));
    }

    private static function of(Evidence ...$evidence): MeasuredCapacity
    {
        self::assertNotSame([], $evidence);

        return MeasuredCapacity::of(array_values($evidence), BodyError::measured());
    }

    private static function exact(float $value, float $sd, string $test = 'shins-stacked', string $on = '2026-03-02'): Evidence
    {
        return new Evidence(Ability::Rotation, $value, Bound::Exact, Uncertainty::ofReading($sd, $test.$value), $test, Tool::Tape, new \DateTimeImmutable($on));
    }

    private static function bound(float $value, string $on = '2026-03-02'): Evidence
    {
        return new Evidence(Ability::Rotation, $value, Bound::AtLeast, Uncertainty::ofReading(3.0, 'soles'.$value), 'soles-together', Tool::Tape, new \DateTimeImmutable($on));
    }
}
