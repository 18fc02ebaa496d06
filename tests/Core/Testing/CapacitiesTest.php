<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Testing\AbilityReadings;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\MeasuredCapacity;
use LucidAscent\Core\Testing\Tool;
use PHPUnit\Framework\TestCase;

final class CapacitiesTest extends TestCase
{
    use TestTrait;

    public function testOfReadingsThatAgreeTheNearestToTheWantedPositionDecides(): void
    {
        $seated = self::exact(84.0, 1.0, 'shins-stacked', position: new LegAngles(97.0, 17.0, 84.0, 108.0));
        $lying = self::exact(81.0, 2.0, 'figure-four-lying', position: new LegAngles(95.0, 45.0, 81.0, 95.0));
        self::assertSame(84.0, self::of($seated, $lying)->value, 'Nothing wanted: the most precise.');
        self::assertSame(1.0, self::of($seated, $lying)->error);
        $near = static fn (LegAngles $wanted): float => (new AbilityReadings([$seated, $lying], BodyError::measured()))
            ->capacity($wanted)->value;
        self::assertSame(84.0, $near(new LegAngles(99.0, 20.0, 110.0, 110.0)));
        self::assertSame(81.0, $near(new LegAngles(95.0, 40.0, 90.0, 95.0)));
        self::assertSame(84.0, (new AbilityReadings([self::exact(83.0, 0.5, 'somewhere'), $seated],
            BodyError::measured()))->capacity(new LegAngles(95.0, 40.0, 90.0, 95.0))->value,
            'One whose position nobody knows comes last.');
    }

    public function testALowerBoundBelowChangesNothing(): void
    {
        $capacity = self::of(self::exact(84.0, 1.5), self::bound(60.0));
        self::assertSame([84.0, Bound::Exact, ['shins-stacked']],
            [$capacity->value, $capacity->bound, $capacity->tests()]);
    }

    public function testAHigherLowerBoundRaisesWithinTheErrorsAlone(): void
    {
        $within = self::of(self::exact(84.0, 1.5), self::bound(86.0));
        self::assertSame([86.0, Bound::Exact, []], [$within->value, $within->bound, $within->against]);
        self::assertSame(84.0, $within->isolating()->value);
        $beyond = self::of(self::exact(70.0, 1.5), self::bound(91.0));
        self::assertSame([70.0, Bound::Exact, ['shins-stacked']], [$beyond->value, $beyond->bound, $beyond->tests()],
            'Neither wins: the lower one limits.');
        self::assertSame('soles-together', $beyond->against[0]->test);
        self::assertSame('soles-together', $beyond->doubtful(BodyError::measured())?->test,
            'The one with the larger error.');
        self::assertNull($within->doubtful(BodyError::measured()));
    }

    public function testFurtherApartThanAFortnightTheNewerCounts(): void
    {
        $exact = static fn (string $older, string $newer): MeasuredCapacity => self::of(self::exact(84.0, 1.0,
            on: $older), self::exact(60.0, 1.0, on: $newer));
        self::assertSame([60.0, 1], [$exact('2026-02-01', '2026-02-15')->value,
            count($exact('2026-02-01', '2026-02-15')->against)], 'Fourteen days apart: both shown, the lower limits.');
        self::assertSame([60.0, 0], [$exact('2026-02-01', '2026-02-16')->value,
            count($exact('2026-02-01', '2026-02-16')->against)]);
        self::assertSame([60.0, 1], [$exact('2026-02-15', '2026-02-01')->value,
            count($exact('2026-02-15', '2026-02-01')->against)], 'Neither wins by being newer.');
        self::assertSame([84.0, 0], [$exact('2026-02-16', '2026-02-01')->value,
            count($exact('2026-02-16', '2026-02-01')->against)]);
        $bound = static fn (string $exact, string $bound): MeasuredCapacity => self::of(self::exact(60.0, 1.0,
            on: $exact), self::bound(84.0, $bound));
        self::assertSame([60.0, Bound::Exact, 1], [$bound('2026-02-01', '2026-02-15')->value,
            $bound('2026-02-01', '2026-02-15')->bound, count($bound('2026-02-01', '2026-02-15')->against)]);
        self::assertSame([84.0, Bound::AtLeast, 0], [$bound('2026-02-01', '2026-02-16')->value,
            $bound('2026-02-01', '2026-02-16')->bound, count($bound('2026-02-01', '2026-02-16')->against)],
            'The newer one counts, and is a lower bound.');
        self::assertSame([60.0, Bound::Exact, 0], [$bound('2026-02-16', '2026-02-01')->value,
            $bound('2026-02-16', '2026-02-01')->bound, count($bound('2026-02-16', '2026-02-01')->against)]);
        $raised = static fn (string $bound): float => self::of(self::exact(60.0, 1.0, on: '2026-02-15'),
            self::bound(61.0, $bound))->value;
        self::assertSame([61.0, 60.0], [$raised('2026-02-01'), $raised('2026-01-31')],
            'A bound raises it within the error, up to fourteen days older.');
        self::assertSame(84.0, self::of(self::exact(84.0, 1.0, on: '2026-01-10'), self::bound(70.0, '2026-02-10'))
            ->value, 'A later bound below an isolating reading takes nothing away.');
    }

    public function testOfLowerBoundsAloneTheHighestStands(): void
    {
        $capacity = self::of(self::bound(75.0, '2026-01-10'), self::bound(70.0, '2026-02-10'));
        self::assertSame([75.0, Bound::AtLeast], [$capacity->value, $capacity->bound]);
    }

    public function testWhatIsTooOldGivesWayToWhatIsNot(): void
    {
        $now = new \DateTimeImmutable('2026-06-01');
        $old = self::exact(84.0, 1.0, on: '2026-03-02');
        self::assertSame(84.0, Capacities::of([$old], BodyError::measured(), $now)
            ->get(Ability::ExternalRotation)?->value, 'Kept, for its date to be shown.');
        self::assertSame(60.0, Capacities::of([$old, self::bound(60.0, '2026-05-30')], BodyError::measured(), $now)
            ->get(Ability::ExternalRotation)?->value);
        self::assertSame(84.0, Capacities::of([self::exact(84.0, 1.0, on: '2026-03-03'),
            self::bound(60.0, '2026-05-30')], BodyError::measured(), $now)->get(Ability::ExternalRotation)?->value,
            'Ninety days are not too old.');
    }

    public function testOfWhatNobodyHasReadForLongOnlyTheLastTimeIsShown(): void
    {
        $shown = static fn (Evidence ...$evidence): ?float => Capacities::of($evidence, BodyError::measured(),
            new \DateTimeImmutable('2026-06-01'))->get(Ability::ExternalRotation)?->value;
        $last = self::exact(84.0, 1.0, on: '2025-08-30');
        self::assertSame(85.0, $shown(self::bound(85.0, '2025-09-01'), $last));
        self::assertSame(84.0, $shown($last, self::exact(95.0, 1.0, on: '2025-06-01')), 'Ninety days before.');
        self::assertSame(84.0, $shown($last, self::bound(95.0, '2025-05-31')), 'Still older ones are gone.');
        self::assertSame(70.0, $shown(self::bound(70.0, '2025-11-29'), $last), 'Ninety-one days after.');
    }

    public function testASmallerGapIsTheLargerReach(): void
    {
        $gap = static fn (float $cm): Evidence => new Evidence(Ability::ShoulderReach, $cm, Bound::AtLeast,
            Uncertainty::ofReading(0.7), 'behind-back-reach');
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

    public function testNothingCountsBeyondWhatAWordAllows(): void
    {
        $of = static fn (float $limit, Evidence ...$read): Capacities => Capacities::of($read, BodyError::measured(),
            limits: ['rotation' => $limit, 'kneeFlexion' => 115.0, 'flexion' => 100.0]);
        $cut = $of(70.0, self::exact(84.0, 1.0))->get(Ability::ExternalRotation);
        self::assertSame([70.0, 0.0, Bound::Exact], [$cut?->value, $cut?->error, $cut?->bound]);
        self::assertSame(84.0, $of(90.0, self::exact(84.0, 1.0))->get(Ability::ExternalRotation)?->value);
        $leg = $of(70.0, self::exact(84.0, 1.0));
        self::assertSame([115.0, 115.0], [$leg->ofLeg()->kneeFlexion, $leg->limitsOfLeg()->kneeFlexion],
            'Whoever was not measured goes no further than that.');
        self::assertSame([100.0, 70.0], [$leg->shown()?->flexion, $leg->shown()?->rotation]);
        self::assertSame(70.0, $of(70.0, self::bound(80.0, '2026-02-10'))->limitsOfLeg()->rotation);
    }

    public function testAReadingWithoutEndDecidesNothingBesideOneWith(): void
    {
        self::assertSame(80.0, self::of(self::exact(80.0, 2.0), self::exact(120.0, INF, 'figure-four-lying'))->value);
        self::assertSame(INF, self::of(self::exact(120.0, INF))->error);
    }

    public function testWhatABoundHasShownIsNeverQuietlyLowered(): void
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
            self::assertTrue($capacity->value >= (float) $shown || [] !== $capacity->against,
                'Or the two are shown as against each other.');
            self::assertGreaterThan(0.0, $capacity->error);
        });
    }

    public function testUncertaintiesOfOneBodyCancel(): void
    {
        $one = new Uncertainty(['thigh' => 1.5, 'shin' => -1.0], ['knee' => 2.0]);
        self::assertSame(0.0, (new Uncertainty(['thigh' => 1.5], []))->minus(new Uncertainty(['thigh' => 1.5], []))
            ->error(BodyError::measured()));
        self::assertEqualsWithDelta(sqrt(2 * 4.0), $one->minus(new Uncertainty(['thigh' => 1.5, 'shin' => -1.0],
            ['other' => 2.0]))->error(BodyError::measured()), 1e-12, 'Readings are new each time.');
        self::assertSame(0.0, $one->minus($one)->error(BodyError::measured()), 'A reading agrees with itself.');
        self::assertEqualsWithDelta(sqrt(2.25 + 0.49 + 4), $one->error(BodyError::measured()), 1e-12);
        self::assertSame(4.0, $one->times(-2.0)->readingError());
        self::assertSame(2.0, (new Uncertainty(['thigh' => INF], ['knee' => 2.0]))
            ->error(BodyError::of(static fn (Segment $s): float => 0.0)));
    }

    private static function of(Evidence ...$evidence): MeasuredCapacity
    {
        self::assertNotSame([], $evidence);

        return (new AbilityReadings(array_values($evidence), BodyError::measured()))->capacity();
    }

    private static function exact(
        float $value,
        float $sd,
        string $test = 'shins-stacked',
        string $on = '2026-03-02',
        ?LegAngles $position = null,
    ): Evidence {
        return new Evidence(Ability::ExternalRotation, $value, Bound::Exact, Uncertainty::ofReading($sd, $test.$value),
            $test, Tool::Tape, new \DateTimeImmutable($on), $position);
    }

    private static function bound(float $value, string $on = '2026-03-02'): Evidence
    {
        return new Evidence(Ability::ExternalRotation, $value, Bound::AtLeast,
            Uncertainty::ofReading(3.0, 'soles'.$value), 'soles-together', Tool::Tape, new \DateTimeImmutable($on));
    }

    public function testEqualReadingsAndBoundsOfOneDayDisagreeAboutNothing(): void
    {
        $of = static fn (float $value, Bound $bound, string $on): Evidence => new Evidence(Ability::ExternalRotation,
            $value, $bound, Uncertainty::ofReading(1.0, "$value $on"), "t$value", on: new \DateTimeImmutable($on));
        $known = static fn (Evidence ...$evidence): MeasuredCapacity => (new AbilityReadings(array_values($evidence),
            BodyError::measured()))->capacity();
        $equal = $known($of(80.0, Bound::Exact, '2026-03-02'), $of(80.0, Bound::AtLeast, '2026-03-02'));
        self::assertSame([80.0, Bound::Exact, []], [$equal->value, $equal->bound, $equal->against]);
        $against = $known($of(80.0, Bound::Exact, '2026-03-02'), $of(95.0, Bound::AtLeast, '2026-03-16'));
        self::assertSame([80.0, 1], [$against->value, count($against->against)],
            'A fortnight apart they are together, and cannot both be true.');
        $newer = $known($of(80.0, Bound::Exact, '2026-03-02'), $of(95.0, Bound::AtLeast, '2026-03-17'));
        self::assertSame([95.0, Bound::AtLeast, []], [$newer->value, $newer->bound, $newer->against],
            'Later the newer one counts.');
        $older = $known($of(80.0, Bound::Exact, '2026-03-17'), $of(95.0, Bound::AtLeast, '2026-03-02'));
        self::assertSame([80.0, Bound::Exact, []], [$older->value, $older->bound, $older->against],
            'What was shown before says nothing against a newer reading.');
        $highest = $known($of(60.0, Bound::AtLeast, '2026-03-02'), $of(70.0, Bound::AtLeast, '2026-03-01'));
        self::assertSame([70.0, Bound::AtLeast], [$highest->value, $highest->bound]);
    }
}
