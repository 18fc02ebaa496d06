<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Exchange\PlanAnswer;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Dose;
use LucidAscent\Core\Plan\PracticeRung;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/** The planner's hard rules over random people and calendars. */
final class PlanTest extends KernelTestCase
{
    use TestTrait;

    private const DAYS = ['mon' => 1, 'tue' => 2, 'wed' => 3, 'thu' => 4, 'fri' => 5, 'sat' => 6, 'sun' => 7];
    private const POSES = ['lotus', 'pigeon', 'leg-behind-head', 'cow-face', 'standing-bind', 'soles-together',
        'compass'];
    private const SCHOOLS = ['long-still', 'working-muscle', 'counted-breath'];

    public function testEverySessionKeepsTheHardRules(): void
    {
        $conditions = ['', ...array_keys(self::catalogue()->conditions())];
        $this->limitTo(40)->forAll(
            Generators::subset(self::POSES),
            Generators::subset(array_keys(self::DAYS)),
            Generators::choose(12, 90),
            Generators::elements(self::SCHOOLS),
            Generators::elements($conditions),
            Generators::choose(8, 30),
            Generators::choose(0, 3),
        )->then(function (array $wanted, array $days, int $minutes, string $school, string $condition, int $knee,
            int $blocks): void {
            $days = [] === $days ? ['wed'] : array_values($days);
            $wanted = [] === $wanted ? ['lotus'] : array_values($wanted);
            $held = '' === $condition ? [] : [$condition];
            $plan = self::plan(['wanted' => $wanted, 'days' => $days, 'minutes' => $minutes, 'school' => $school,
                'conditions' => $held, 'weeks' => 5, 'props' => ['blocks' => $blocks, 'blankets' => 2, 'strap' => 0
                === $blocks % 2]], $knee);
            self::assertCount(5, $plan['weeks']);
            $last = [];
            foreach ($plan['weeks'] as $week) {
                self::assertCount(count($days), $week['sessions']);
                foreach ($week['sessions'] as $session) {
                    self::assertContains($session['day'], $days);
                    self::assertSame(self::DAYS[$session['day']], (int) (new \DateTimeImmutable($session['date']))
                        ->format('N'));
                    self::assertLessThanOrEqual($minutes, $session['minutes'], 'never over time');
                    $used = array_sum(array_column($session['items'], 'seconds'));
                    self::assertLessThanOrEqual(60 * $minutes, $used);
                    self::assertSame($used < 54 * $minutes, null !== $session['unused'],
                        "nine tenths of $minutes minutes, or the rule that leaves them empty: $used s");
                    self::assertNotSame('', $session['unused']['because'] ?? 'used');
                    self::assertTrue(null === $session['theme'] || in_array($session['theme'], $wanted, true));
                    $this->inOrder($session['items'], $minutes);
                    $this->nothingHeld($session['items'], $held);
                    self::inItsRange($session['items'], $school);
                    $this->daysApart($session, $school, $last);
                }
            }
        });
    }

    /** Where the planted leg's hip is what stops a pose there are squat and knee hug; where it is not, neither. */
    public function testAPlantedHipThatIsShortIsWorkedOn(): void
    {
        $minutes = static function (float $flexion): array {
            $trial = ['angle' => $flexion];
            $plan = self::plan(['wanted' => ['half-lotus-twist'], 'tests' => [
                ['test' => 'shins-stacked', 'side' => 'both', 'trials' => [['kneeHeight' => 6, 'ankleHeight' => 10]]],
                ['test' => 'soles-together', 'side' => 'both', 'trials' => [['kneeHeight' => 3,
                    'heelDistance' => 12]]],
                ['test' => 'frog', 'side' => 'both', 'trials' => [['span' => 98]]],
                ['test' => 'knee-hug', 'side' => 'both', 'tool' => 'inclinometer', 'trials' => [$trial, $trial]]]]);
            $of = ['deep-squat' => 0, 'knee-hug' => 0];
            foreach ($plan['weeks'] as $week) {
                foreach (array_merge(...array_column($week['sessions'], 'items')) as $item) {
                    $of[$item['posture']] = ($of[$item['posture']] ?? 0) + $item['seconds'] / 60;
                }
            }

            return [$of['deep-squat'], $of['knee-hug']];
        };
        [$squat, $hug] = $minutes(104.0);
        self::assertGreaterThan(2.0, $squat);
        self::assertGreaterThan(5.0, $hug);
        self::assertSame([0, 0], $minutes(142.0));
    }

    /**
     * Each hold within its own range and in its own unit, and rest that is rest.
     *
     * @param list<array<string, mixed>> $items
     */
    private static function inItsRange(array $items, string $school): void
    {
        $dose = self::catalogue()->dose($school);
        foreach ($items as $item) {
            $id = "$item[posture]/".($item['form'] ?? $item['rung']);
            if ('rest' === $item['phase']) {
                self::assertTrue(self::catalogue()->postures()[$item['posture']]->rungs[0]->work->isLyingRest(), $id);
            }
            if ('work' !== $item['phase'] || 'posture' !== $item['kind']) {
                continue;
            }
            $range = $dose->range(PracticeRung::named($id, self::catalogue()->practiceRungs()));
            $seconds = $item['seconds'] - 10;
            self::assertTrue($seconds >= floor($range->least) && $seconds <= $range->most, "$id: $seconds s");
            self::assertSame(['breaths' === $range->unit, 'repetitions' === $range->unit],
                [null !== $item['breaths'], null !== $item['repetitions']], "$id in $range->unit");
        }
    }

    public function testAFourthWeekIsLighterAndFullWeeksGrowByAFifthAtMost(): void
    {
        $plan = self::plan(['weeks' => 12, 'wanted' => ['lotus', 'pigeon'], 'minutes' => 60]);
        $full = null;
        foreach ($plan['weeks'] as $i => $week) {
            self::assertSame(3 === $i % 4, $week['light']);
            $volume = array_sum(array_map(static fn (array $s): int => array_sum(array_column(array_filter($s['items'],
                static fn (array $item): bool => 'work' === $item['phase']), 'seconds')), $week['sessions']));
            if ($week['light']) {
                self::assertEqualsWithDelta(0.6, $volume / $full, 0.08);
            } else {
                self::assertLessThanOrEqual(1.2, $volume / ($full ?? $volume));
                self::assertGreaterThanOrEqual(0.95, $volume / ($full ?? $volume),
                    'Forms and sides take turns, and the time is used.');
                $full = $volume;
            }
        }
        self::assertSame([5, 9, 13], array_column($plan['retests'], 'week'));
        self::assertSame('2026-03-30', $plan['retests'][0]['day']);
        self::assertContains('shins-stacked', $plan['retests'][0]['tests']);
    }

    public function testANewMovementIsLearnedOnTheEasierSideAndThenTheTighterComesFirstAndLast(): void
    {
        $seen = array_map(static fn (string $side): array => ['posture' => 'shins-stacked', 'rung' => 'floor',
            'side' => $side, 'clean' => true], ['left', 'right']);
        $work = static fn (array $session): array => array_map(static fn (array $item): array => [$item['side'],
            $item['seconds']], array_values(array_filter($session['items'],
                static fn (array $item): bool => 'shins-stacked' === $item['posture'] && 'work' === $item['phase']
                && 'posture' === $item['kind'])));
        $plan = self::plan(['wanted' => ['shins-stacked'], 'seen' => $seen, 'weeks' => 2, 'minutes' => 60], 24, 16);
        foreach ($plan['weeks'][0]['sessions'] as $session) {
            self::assertSame(['right', 'left'], array_column($work($session), 0), 'The left is the tighter one.');
        }
        $later = $work($plan['weeks'][1]['sessions'][0]);
        self::assertSame(['left', 'right', 'left'], array_column($later, 0));
        $least = 10 + (int) self::catalogue()->dose('counted-breath')->range(PracticeRung::named('shins-stacked/floor',
            self::catalogue()->practiceRungs()))->least;
        self::assertSame([$later[1][1], max($least, 5 * intdiv($later[0][1], 10))], [$later[0][1], $later[2][1]],
            'Half as much again, and no less than it is held at least.');
        // Three sessions that were logged are no less than three that were planned.
        $logs = array_map(static fn (string $day): array => ['on' => $day,
            'items' => [['posture' => 'shins-stacked', 'rung' => 'floor', 'side' => 'both', 'clean' => true]]],
            ['2026-02-20', '2026-02-23', '2026-02-26']);
        $first = static fn (array $sessions): array => array_column($work(self::plan(['wanted' => ['shins-stacked'],
            'seen' => $seen, 'weeks' => 1, 'minutes' => 60, 'sessions' => $sessions], 24,
            16)['weeks'][0]['sessions'][0]), 0);
        self::assertSame(['right', 'left'], $first(array_slice($logs, 0, 2)));
        self::assertCount(3, $first($logs));
    }

    public function testDrillsAreItemsOfTheirOwn(): void
    {
        $all = self::catalogue()->drills();
        foreach ([30, 60, 120] as $minutes) {
            $plan = self::plan(['wanted' => ['lotus'], 'minutes' => $minutes, 'weeks' => 1], 24);
            $ids = [];
            foreach ($plan['weeks'][0]['sessions'] as $session) {
                $drills = array_filter($session['items'], static fn (array $item): bool => 'drill' === $item['kind']);
                self::assertNotSame([], $drills, "$minutes minutes");
                self::assertLessThanOrEqual(max(1, intdiv($minutes, 30)),
                    count(array_unique(array_column($drills, 'drill'))));
                foreach ($drills as $item) {
                    $drill = $all[$item['drill']];
                    self::assertSame(['work', null], [$item['phase'], $item['breaths']]);
                    self::assertSame($drill->eachSide, 'both' !== $item['side']);
                    self::assertTrue(null === $item['repetitions'] ? 0.0 === $drill->repetition
                        : $item['repetitions'] >= 1);
                    self::assertLessThanOrEqual($drill->range->most + 10, $item['seconds']);
                    self::assertGreaterThanOrEqual($drill->range->least, $item['seconds']);
                    self::assertNotSame([], $item['cues']);
                    $ids[] = $item['drill'];
                }
            }
            self::assertGreaterThan(1, count(array_unique($ids)), 'They go round.');
        }
    }

    /** What is short of rotation has a drill for it first, and what bone stops is not drilled. */
    public function testTheDrillIsForWhatLimits(): void
    {
        $session = self::plan(['wanted' => ['shins-stacked'], 'weeks' => 1, 'days' => ['mon']],
            24)['weeks'][0]['sessions'][0];
        $drill = array_values(array_filter($session['items'], static fn (array $item): bool => 'drill'
            === $item['kind']))[0];
        self::assertContains('rotation', self::catalogue()->drills()[$drill['drill']]->remedies);
        self::assertStringContainsString('rotation', $drill['because']);
    }

    public function testOneNumberIsReadBeforeAndAfter(): void
    {
        foreach (self::plan(['wanted' => ['shins-stacked']], 24)['weeks'][0]['sessions'] as $session) {
            self::assertNotNull($session['before']);
            self::assertSame($session['before'], $session['after']);
            self::assertSame(['left', 'cm'], [$session['before']['side'], $session['before']['unit']]);
            self::assertArrayHasKey($session['before']['number'], self::catalogue()
                ->tests()[$session['before']['test']]->measured);
        }
        // Nothing is read that something holds.
        foreach (self::plan(['wanted' => ['shins-stacked'], 'conditions' => ['knee-surgery', 'hip-replacement']],
            24)['weeks'][0]['sessions'] as $session) {
            self::assertNull($session['before']);
        }
    }

    public function testADayWithAnotherSportSaysWhenToPractise(): void
    {
        $notes = array_column(self::plan(['sportDays' => ['thu'], 'weeks' => 1])['weeks'][0]['sessions'], 'note',
            'day');
        self::assertSame([null, null], [$notes['tue'], $notes['sat']]);
        self::assertStringContainsString('after it', $notes['thu']);
        $this->expectExceptionMessageMatches('/sportDays/');
        self::plan(['sportDays' => ['someday']]);
    }

    /** Where there are fewer sessions in a week than wanted poses, none waits for ever. */
    public function testEveryWantedPoseHasItsDay(): void
    {
        $themes = array_column(array_merge(...array_column(self::plan(['wanted' => ['lotus', 'pigeon',
            'leg-behind-head'], 'days' => ['mon', 'thu'], 'minutes' => 40, 'weeks' => 3])['weeks'], 'sessions')),
            'theme');
        self::assertSame(['lotus', 'pigeon', 'leg-behind-head', 'lotus', 'pigeon', 'leg-behind-head'], $themes);
    }

    /**
     * Of what a week holds of each component, what opens most has the most: a hold counts by the square root of its
     * minutes.
     */
    public function testTheKeystoneGetsTheMost(): void
    {
        foreach (self::SCHOOLS as $school) {
            foreach ([30, 60, 90] as $minutes) {
                $volume = [];
                foreach (self::plan(['wanted' => ['shins-stacked', 'lotus'], 'school' => $school, 'minutes' => $minutes,
                    'weeks' => 1], 26)['weeks'][0]['sessions'] as $session) {
                    foreach ($session['items'] as $item) {
                        foreach ('work' === $item['phase'] ? self::catalogue()->postures()[$item['posture']]->abilities
                            : [] as $ability) {
                            $volume[$ability->value] = ($volume[$ability->value]
                                ?? 0.0) + sqrt($item['seconds'] / 60) * ('both' === $item['side'] ? 2 : 1);
                        }
                    }
                }
                self::assertSame('rotation', array_search(max($volume), $volume, true),
                    "$school $minutes: ".json_encode($volume));
            }
        }
    }

    /** Garber et al. (2011), ACSM position stand: 60 s in all for a muscle group, on two or three days a week. */
    #[DataProvider('schools')]
    public function testAFullWeekNeverFallsBelowThePublishedDose(string $school): void
    {
        foreach (self::plan(['school' => $school, 'weeks' => 1])['weeks'][0]['sessions'] as $session) {
            // Of all shapes together that work on it.
            $side = ['left' => [], 'right' => []];
            foreach ($session['items'] as $item) {
                $sides = 'both' === $item['side'] ? ['left', 'right'] : [$item['side']];
                foreach ('work' === $item['phase'] ? $sides : [] as $one) {
                    $stretched = array_filter(self::catalogue()->postures()[$item['posture']]->abilities,
                        static fn (Ability $ability): bool => Ability::Balance !== $ability);
                    foreach ($stretched as $ability) {
                        $side[$one][$ability->value] = ($side[$one][$ability->value] ?? 0) + $item['seconds'] - 10;
                    }
                }
            }
            self::assertNotSame([], $side['left']);
            self::assertGreaterThanOrEqual(Dose::LEAST_SECONDS, min([...$side['left'], ...$side['right']]));
        }
    }

    public static function schools(): iterable
    {
        return array_map(static fn (string $school): array => [$school], self::SCHOOLS);
    }

    /** Not a third of the time, and not one shape in an hour. */
    public function testTheTimeIsUsed(): void
    {
        foreach (self::SCHOOLS as $school) {
            foreach ([20, 30, 60, 90] as $minutes) {
                foreach (self::plan(['school' => $school, 'minutes' => $minutes, 'weeks' => 1,
                    'wanted' => ['lotus', 'pigeon', 'leg-behind-head']])['weeks'][0]['sessions'] as $session) {
                    self::assertNull($session['unused'], "$school, $minutes minutes: ".($session['unused']['because']
                        ?? ''));
                    $shapes = array_unique(array_column(array_filter($session['items'],
                        static fn (array $item): bool => 'work' === $item['phase']), 'posture'));
                    self::assertGreaterThanOrEqual($minutes >= 75 ? 6 : 3, count($shapes));
                }
            }
        }
    }

    public function testGentleSeatsAreHeldLongWhereTimeIsTheWay(): void
    {
        $longest = 0;
        foreach (self::plan(['school' => 'long-still', 'minutes' => 90,
            'weeks' => 1])['weeks'][0]['sessions'] as $session) {
            $longest = max($longest, ...array_column($session['items'], 'seconds'));
        }
        self::assertGreaterThanOrEqual(300, $longest);
    }

    /**
     * What is short is worked on by shapes that the catalogue has for it, whether or not they lead to what is wanted.
     */
    public function testWhatIsShortHasItsRemedy(): void
    {
        $plan = self::plan(['wanted' => ['lotus'], 'minutes' => 60, 'weeks' => 1], 24);
        $postures = self::catalogue()->all(Kind::Posture);
        foreach ($plan['weeks'][0]['sessions'] as $session) {
            $remedies = array_filter($session['items'], static fn (array $item): bool => str_contains($item['because'],
                'is missing for the wanted poses'));
            self::assertNotSame([], $remedies, $session['day']);
            foreach ($remedies as $item) {
                self::assertNotSame([], $postures[$item['posture']]['remedies'] ?? []);
                if ('posture' === $item['kind']) {
                    self::assertContains($postures[$item['posture']]['level'], ['anyone', 'teacher-first']);
                    self::assertTrue(self::rung($item)->rung->isForAnybody());
                }
            }
        }
        self::assertGreaterThan(1, count(array_unique(array_map(static fn (array $session): string => implode(' ',
            array_column($session['items'], 'posture')), $plan['weeks'][0]['sessions']))), 'They go round.');
    }

    public function testThemesGoRound(): void
    {
        self::assertSame(['lotus', 'pigeon', 'lotus'], array_column(self::plan(['wanted' => ['lotus', 'pigeon'],
            'minutes' => 60, 'weeks' => 1])['weeks'][0]['sessions'], 'theme'));
    }

    public function testTheTeacherPinsAndForbids(): void
    {
        $postures = static fn (array $plan): array => array_unique(
            array_merge(
                ...array_map(
                    static fn (array $session): array => array_column($session['items'], 'posture'),
                    $plan['weeks'][0]['sessions'],
                ),
            ),
        );
        $plan = self::plan(['wanted' => ['lotus', 'pigeon'], 'pinned' => ['hero', 'no-such'],
            'forbidden' => ['pigeon', 'cobra', 'childs-pose'], 'weeks' => 1, 'minutes' => 60]);
        self::assertContains('hero', $postures($plan));
        self::assertSame([], array_intersect(['pigeon', 'cobra', 'childs-pose'], $postures($plan)));
        self::assertContains(['posture' => 'pigeon', 'code' => 'plan.forbidden'],
            array_map(static fn (array $left): array => ['posture' => $left['posture'], 'code' => $left['code']],
                $plan['leftOut']));
        self::assertContains(['pinned' => 'no-such', 'code' => 'unknown-pose',
            'because' => 'There is no pose and no drill "no-such".'], $plan['unread']);
        $drills = static fn (array $plan): array => array_map(
            static fn (array $session): array => array_values(array_unique(array_column($session['items'], 'drill'))),
            $plan['weeks'][0]['sessions'],
        );
        $plan = self::plan(['pinned' => ['roll-forehead'], 'forbidden' => ['press-and-yield', 'in-and-out'],
            'weeks' => 1, 'minutes' => 90]);
        foreach ($drills($plan) as $ids) {
            self::assertContains('roll-forehead', $ids);
            self::assertSame([], array_intersect(['press-and-yield', 'in-and-out'], $ids));
        }
        self::assertSame([], $plan['unread']);
        // What is held is not practised because somebody wants it.
        $plan = self::plan(['wanted' => ['pigeon'], 'pinned' => ['lotus'], 'conditions' => ['knee-surgery'],
            'weeks' => 1]);
        self::assertNotContains('lotus', $postures($plan));
        self::assertContains('plan.held', array_column($plan['leftOut'], 'code'));
    }

    public function testEverythingForbiddenOrHeldIsAPlainAnswer(): void
    {
        $all = array_keys(self::catalogue()->postures());
        foreach ([['forbidden' => $all], ['conditions' => ['acute-inflammation']]] as $with) {
            foreach (self::plan($with + ['weeks' => 1])['weeks'][0]['sessions'] as $session) {
                self::assertSame([], array_filter($session['items'], static fn (array $item): bool => 'work'
                    === $item['phase'] && 'posture' === $item['kind']), (string) json_encode(array_keys($with)));
                self::assertNotNull($session['unused']);
            }
        }
    }

    public function testASetSequenceStandsInItsOrder(): void
    {
        foreach (self::plan(['sequence' => ['soles-together', 'figure-four', 'knee-hug'], 'weeks' => 1,
            'minutes' => 60])['weeks'][0]['sessions'] as $session) {
            $set = array_values(array_unique(array_column(array_filter($session['items'],
                static fn (array $item): bool => $item['set'] ?? false), 'posture')));
            self::assertSame(['soles-together', 'figure-four', 'knee-hug'], $set);
        }
        self::assertSame('unknown-pose', self::plan(['sequence' => ['no-such'], 'weeks' => 1])['unread'][0]['code']);
    }

    /** Nobody hangs for a quarter of an hour in loose joints, or on a side that has just hurt. */
    public function testWhereSomethingIsHeldNoHoldIsLengthened(): void
    {
        $longest = static fn (array $with, array $sides = ['left', 'right', 'both']): int => max([0,
            ...array_column(array_filter(array_merge(...array_column(self::plan($with + ['school' => 'long-still',
                'minutes' => 90, 'weeks' => 1])['weeks'][0]['sessions'], 'items')),
                static fn (array $item): bool => 'work'
            === $item['phase'] && in_array($item['side'], $sides, true)
            && !self::rung($item)->rung->work->leavesLegsLong()), 'seconds')]);
        self::assertGreaterThan(300, $longest([]));
        self::assertLessThanOrEqual(285, $longest(['conditions' => ['hypermobility']]),
            'what a side does in all, and the coming in');
        $hurt = $longest(['events' => [['event' => 'pain', 'side' => 'left',
            'pain' => ['level' => 2, 'place' => 'sitting-bone', 'kind' => 'ache']]]], ['left', 'both']);
        self::assertGreaterThan(0, $hurt);
        self::assertLessThanOrEqual(285, $hurt);
        self::assertGreaterThan(300, $longest(['conditions' => ['glaucoma']]),
            'What has nothing to do with it changes nothing.');
    }

    /** A wish of the teacher's is no word that lifts anything. */
    public function testWhatIsPinnedGoesPastNoStop(): void
    {
        $pinned = [...array_keys(self::catalogue()->postures()), ...array_keys(self::catalogue()->drills())];
        $plan = self::plan(['wanted' => ['half-lotus'], 'pinned' => $pinned, 'days' => ['mon', 'tue'], 'weeks' => 1,
            'minutes' => 180, 'events' => [['event' => 'pain', 'side' => 'left',
                'pain' => ['level' => 2, 'place' => 'knee', 'kind' => 'ache']]]], 14);
        $items = array_merge(...array_column($plan['weeks'][0]['sessions'], 'items'));
        self::assertNotSame([], $items);
        foreach ($items as $item) {
            self::assertSame('right', $item['side'], "$item[posture] $item[rung]");
            self::assertTrue(self::rung($item)->rung->isForAnybody());
        }
        self::assertContains('drill', array_column($items, 'kind'), 'The other side goes on, with its drills.');
        $condition = 'hip-impingement';
        foreach (array_merge(...array_column(self::plan(['wanted' => ['lotus'], 'pinned' => $pinned,
            'conditions' => [$condition], 'weeks' => 1, 'minutes' => 180])['weeks'][0]['sessions'],
            'items')) as $item) {
            $this->nothingHeld([$item], [$condition]);
        }
        // Nor past a lower rung: it is practised where this person is.
        foreach (array_merge(...array_column(self::plan(['wanted' => [], 'pinned' => ['lotus', 'leg-behind-head'],
            'weeks' => 1, 'tests' => []])['weeks'][0]['sessions'], 'items')) as $item) {
            if ('posture' === $item['kind'] && in_array($item['posture'], ['lotus', 'leg-behind-head'], true)) {
                self::assertSame(self::catalogue()->practiceRungs()[$item['posture']][0]->rung->id, $item['rung']);
            }
        }
    }

    public function testEquipmentIsSaidPieceByPiece(): void
    {
        $props = static fn (array $plan): array => $plan['weeks'];
        self::assertSame($props(self::plan(['props' => ['blocks' => 2, 'blankets' => 1, 'strap' => true,
            'bolster' => false, 'cushion' => false, 'chair' => false, 'bed-edge' => false]])),
            $props(self::plan(['props' => null, 'equipment' => ['block', 'wall', 'block', 'blanket', 'strap']])));
        $this->expectException(InvalidValue::class);
        $this->expectExceptionMessageMatches('/equipment/');
        self::plan(['equipment' => ['trapeze']]);
    }

    public function testAnItemSaysHowItIsHeld(): void
    {
        $work = static fn (string $school): array => array_values(array_filter(self::plan(['school' => $school,
            'weeks' => 1])['weeks'][0]['sessions'][0]['items'], static fn (array $item): bool => 'work'
            === $item['phase'] && 'posture' === $item['kind']));
        $item = array_values(array_filter($work('counted-breath'), static fn (array $item): bool => null
            !== $item['breaths']))[0];
        self::assertSame('posture', $item['kind']);
        self::assertSame([(int) round(($item['seconds'] - 10) / 5), null], [$item['breaths'], $item['repetitions']],
            'Ten seconds of coming in are no breaths.');
        self::assertSame(self::catalogue()->named("$item[posture]/$item[rung]")['cues'] ?? null, $item['cues']);
        self::assertGreaterThanOrEqual(2, count($item['cues']));
        $pressed = array_values(array_filter($work('working-muscle'),
            static fn (array $item): bool => null !== $item['repetitions']));
        $each = self::catalogue()->dose('working-muscle')->range(PracticeRung::named($pressed[0]['posture'].'/'
            .$pressed[0]['rung'], self::catalogue()->practiceRungs()))->each;
        self::assertSame([null, (int) round(($pressed[0]['seconds'] - 10) / $each)],
            [$pressed[0]['breaths'], $pressed[0]['repetitions']]);
        self::assertNotSame([], array_filter($work('long-still'), static fn (array $item): bool => [null, null]
            === [$item['breaths'], $item['repetitions']]), 'Minutes are counted by the clock.');
        self::assertStringContainsString('Easy cross-leg', (string) self::plan([])['dailyNote']);
        self::assertCount(4, array_unique(array_column(self::plan([])['weeks'], 'note')), 'Another each week.');
        self::assertEquals(self::plan(['schools' => ['sat' => 'long-still']]),
            self::plan(['schoolByDay' => ['sat' => 'long-still']]));
    }

    public function testAHeldPoseIsLeftOutAndSaysWhy(): void
    {
        $plan = self::plan(['wanted' => ['lotus'], 'conditions' => ['knee-surgery']]);
        self::assertContains(['posture' => 'lotus', 'code' => 'plan.held'],
            array_map(static fn (array $left): array => ['posture' => $left['posture'], 'code' => $left['code']],
                $plan['leftOut']));
    }

    /** Nothing is planned that folds or loads the leg whose knee hurts, as the working leg or as the other one. */
    public function testWhileOneKneeHurtsTheOtherSideGoesOnWithoutIt(): void
    {
        foreach (['left' => 'right', 'right' => 'left'] as $hurt => $free) {
            $plan = self::plan(['wanted' => ['half-lotus', 'pigeon'], 'days' => ['mon', 'wed'], 'weeks' => 2,
                'minutes' => 45, 'events' => [['event' => 'pain', 'side' => $hurt,
                    'pain' => ['level' => 2, 'place' => 'knee', 'kind' => 'ache']]]], 14);
            $works = 0;
            foreach ($plan['weeks'] as $week) {
                foreach ($week['sessions'] as $session) {
                    foreach ($session['items'] as $item) {
                        self::assertSame($free, $item['side'], "$item[posture] $item[rung]");
                        $work = self::rung($item)->rung->work;
                        self::assertFalse($work->usesBothLegs, "$item[posture] needs both legs.");
                        self::assertSame([], $work->otherLegLoads, "$item[posture] loads the other leg.");
                        self::assertTrue($work->isGentle);
                        $works += 'work' === $item['phase'] ? 1 : 0;
                    }
                }
            }
            self::assertGreaterThan(0, $works);
        }
    }

    public function testWhatDoesNotFitIsSaid(): void
    {
        $plan = self::plan(['wanted' => self::POSES, 'minutes' => 15]);
        self::assertNotSame([], array_intersect(['plan.no-time', 'plan.no-calm'], array_column($plan['leftOut'],
            'code')));
    }

    public function testSchoolsCanBeMixedByDay(): void
    {
        $seconds = static fn (array $plan,
            int $session): int => max(array_column(array_filter($plan['weeks'][0]['sessions'][$session]['items'],
                static fn (array $item): bool => 'work' === $item['phase']), 'seconds'));
        $mixed = self::plan(['school' => 'counted-breath', 'schools' => ['sat' => 'long-still'], 'minutes' => 90]);
        self::assertNotEquals($mixed['weeks'][0]['sessions'][2],
            self::plan(['school' => 'counted-breath', 'minutes' => 90])['weeks'][0]['sessions'][2]);
        self::assertNull($mixed['weeks'][0]['sessions'][2]['items'][5]['breaths'] ?? null);
        $this->expectException(InvalidValue::class);
        self::plan(['schools' => ['someday' => 'long-still']]);
    }

    public function testTheSameQuestionHasTheSamePlan(): void
    {
        self::assertSame(self::plan([]), self::plan([]));
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('refused')]
    public function testWhatCannotBePlannedIsRefused(array $with, string $about): void
    {
        $this->expectException(InvalidValue::class);
        $this->expectExceptionMessageMatches("/$about/");
        self::plan($with);
    }

    public static function refused(): iterable
    {
        yield 'no days' => [['days' => []], 'days'];
        yield 'no such day' => [['days' => ['someday']], 'days'];
        yield 'no minutes' => [['minutes' => 0], 'minutes'];
        yield 'no weeks' => [['weeks' => 0], 'weeks'];
        yield 'half a week' => [['weeks' => 1.5], 'weeks'];
        yield 'fewer props than none' => [['props' => ['blocks' => -1]], 'blocks'];
    }

    public function testTheCommandRefusesOnStderr(): void
    {
        $document = ['on' => '2026-03-02', 'body' => ['stature' => 170], 'tests' => [], 'wanted' => ['lotus'],
            'weeks' => 2, 'days' => [], 'minutes' => 45];
        [$status, $out, $err] = CommandLine::run('ascent:plan', (string) json_encode($document));
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringContainsString('days', $err);
        [$status, $out] = CommandLine::run('ascent:plan', (string) json_encode(['days' => ['tue']] + $document));
        self::assertSame(0, $status);
        self::assertCount(2, json_decode($out, true)['weeks']);
    }

    /** @param list<array<string, mixed>> $items */
    private function inOrder(array $items, int $minutes): void
    {
        $least = $minutes < 25 ? 180 : 300;
        $phases = array_column($items, 'phase');
        if ([] === $items) {
            // Everything is held: nothing is practised, and nobody works cold.
            return;
        }
        self::assertSame('warm-up', $phases[0]);
        self::assertSame('rest', end($phases));
        $warm = 0;
        $isDeep = false;
        $pieces = array_unique(array_map(static fn (array $item): string => "$item[phase] $item[posture] $item[rung] "
            .($item['drill'] ?? ''), $items));
        self::assertLessThanOrEqual(max(8, (int) round(16 * $minutes / 45)), count($pieces), 'room to settle');
        self::assertLessThanOrEqual(5, count(array_keys($phases, 'counter', true)));
        foreach ($items as $i => $item) {
            self::assertGreaterThan(0, $item['seconds']);
            self::assertNotSame('', $item['because']);
            if ('warm-up' === $item['phase']) {
                $warm += $item['seconds'];
                self::assertSame($i, array_search('work', [...array_slice($phases, 0, $i), 'work'], true),
                    'warm-up comes before all work');
            }
            if ('work' === $item['phase']) {
                self::assertGreaterThanOrEqual($least, $warm,
                    'five minutes of warming up before any work, three in a short session');
                if ('posture' === $item['kind'] && 'counter' !== $phases[$i + 1]
                    && !self::rung($item)->rung->isForAnybody()) {
                    self::assertSame($item['posture'], $items[$i + 1]['posture'],
                        'the counterpose follows its deep work');
                }
                if ('drill' === $item['kind'] && 'rest' === $phases[$i + 1]) {
                    self::assertTrue(self::rung($item)->rung->isForAnybody(),
                        'what is repeated in a deep position is undone, too');
                }
            }
            if ('work' === $item['phase']) {
                $rung = self::rung($item);
                $sides = array_filter($items, static fn (array $one): bool => 'work' === $one['phase']
                    && [$one['posture'], $one['drill'] ?? ''] === [$item['posture'], $item['drill'] ?? '']
                    && !self::rung($one)->rung->isForAnybody());
                self::assertTrue(!$isDeep || [] !== $sides || $rung->isLyingLotus()
                    || $rung->rung->work->leavesLegsLong(), "$item[posture]: what is gentle prepares what is deep");
                $isDeep = $isDeep || [] !== $sides;
            }
        }
    }

    /**
     * @param list<array<string, mixed>> $items
     * @param list<string> $conditions
     */
    private function nothingHeld(array $items, array $conditions): void
    {
        $known = array_values(array_intersect_key(self::catalogue()->conditions(), array_flip($conditions)));
        foreach ($items as $item) {
            $rung = self::rung($item)->rung;
            foreach ($known as $condition) {
                self::assertFalse($condition->holds($rung->work), "$item[posture] $item[rung] with $condition->id");
            }
        }
    }

    /**
     * @param array<string, mixed> $session
     * @param array<string, \DateTimeImmutable> $last
     */
    private function daysApart(array $session, string $school, array &$last): void
    {
        $on = new \DateTimeImmutable($session['date']);
        $apart = self::catalogue()->dose($school)->daysApart;
        foreach ($session['items'] as $item) {
            if ('work' !== $item['phase'] || self::rung($item)->rung->isForAnybody()) {
                continue;
            }
            foreach (self::catalogue()->postures()[$item['posture']]->abilities as $ability) {
                $before = $last[$ability->value] ?? null;
                self::assertTrue(null === $before || $before == $on || $before->diff($on)->days >= $apart,
                    "$ability->value again after too short a rest");
            }
        }
        foreach ($session['items'] as $item) {
            foreach ('work' === $item['phase'] && !self::rung($item)->rung->isForAnybody() ? self::catalogue()
                ->postures()[$item['posture']]->abilities : [] as $ability) {
                $last[$ability->value] = $on;
            }
        }
    }

    /** @param array<string, mixed> $item */
    private static function rung(array $item): PracticeRung
    {
        if ('drill' === $item['kind']) {
            self::assertNull($item['rung']);
            self::assertSame($item['posture'], self::catalogue()->drills()[$item['drill']]->uses->posture);

            return self::catalogue()->drills()[$item['drill']]->uses;
        }
        foreach (self::catalogue()->practiceRungs()[$item['posture']] as $rung) {
            if ($rung->rung->id === $item['rung']) {
                foreach (isset($item['form']) ? $rung->forms : [] as $form) {
                    if ($form->rung->id === $item['form']) {
                        return $form;
                    }
                }

                return $rung;
            }
        }
        self::fail('There is no such rung.');
    }

    /**
     * @param array<string, mixed> $with
     *
     * @return array<string, mixed>
     */
    private static function plan(array $with, int $left = 18, ?int $right = null): array
    {
        $test = static fn (string $side, int $knee): array => ['test' => 'shins-stacked', 'side' => $side,
            'on' => '2026-03-01', 'trials' => [['kneeHeight' => $knee, 'ankleHeight' => 10]]];
        $answer = self::getContainer()->get(PlanAnswer::class)->of(Fields::of($with + [
            'on' => '2026-03-02',
            'body' => ['stature' => 170],
            'conditions' => [],
            'tests' => [$test('left', $left), $test('right', $right ?? $left),
                ['test' => 'frog', 'side' => 'both', 'trials' => [['span' => 84]]],
                ['test' => 'soles-together', 'side' => 'both', 'trials' => [['kneeHeight' => 14,
                    'heelDistance' => 18]]]],
            'wanted' => ['lotus', 'pigeon'],
            'weeks' => 4,
            'days' => ['tue', 'thu', 'sat'],
            'minutes' => 45,
            'props' => ['blocks' => 2, 'blankets' => 3, 'strap' => true],
        ]));

        return json_decode((string) json_encode($answer), true);
    }

    private static function catalogue(): Catalogue
    {
        return self::getContainer()->get(Catalogue::class);
    }
}
