<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\PersonProgress;
use LucidAscent\App\Person\ProgressPage;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Plan\PractisedMinutes;
use LucidAscent\App\Repository\OutcomeRows;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Progress\Prior;
use LucidAscent\Core\Readiness\Rules;
use Symfony\Component\Uid\Uuid;

/** Months of readings on a page. */
final class ProgressPageTest extends AppTestCase
{
    private Practitioner $practitioner;
    private Teacher $teacher;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->practitioner = $this->practitioner($this->teacher);
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($this->teacher);
    }

    public function testNothingReadIsSaid(): void
    {
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertSelectorTextContains('main', 'Nothing measured yet.');
        self::assertSelectorTextContains('.then-now', 'not assessed yet');
        foreach (['Load', 'Within a session', 'What worked', 'Forecasts', 'Heights, gaps and pictures'] as $heading) {
            self::assertStringNotContainsString($heading, $page->filter('main')->text());
        }
        $this->client->request('GET', $this->home);
        self::assertSelectorExists('a[href$="/progress"]');
    }

    public function testEachReadingIsAPointAndARowOfTheTable(): void
    {
        $this->tested($this->practitioner);
        $this->tested($this->practitioner, 12.0);
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertResponseIsSuccessful();
        $charts = $this->page()['charts'];
        self::assertNotSame([], $charts);
        self::assertCount(count($charts), $page->filter('details.ability'));
        $points = array_sum(array_column($charts, 'many'));
        self::assertCount($points, $page->filter('.progress-chart circle, .progress-chart .bound'));
        self::assertCount($points, $page->filter('details.ability tbody tr'));
        foreach ($charts as $chart) {
            foreach ($chart['sides'] as ['chart' => $drawn]) {
                foreach ($drawn['points'] as $point) {
                    self::assertGreaterThanOrEqual(0, $point['high']);
                    self::assertLessThanOrEqual($drawn['foot'], $point['low'], 'Everything lies within the picture.');
                    self::assertLessThanOrEqual($drawn['edge'], $point['x']);
                }
            }
        }
    }

    /** What is below a picture: the days of practice, and each pain on its own side, or on both where none was said. */
    public function testSessionsAreTicksAndPainIsMarked(): void
    {
        $this->tested($this->practitioner);
        $this->checked(-3);
        $this->checked(-2);
        $this->em()->persist(new PainSaid(Uuid::v7(), $this->practitioner, $this->teacher,
            new \DateTimeImmutable('-2 days'), new \DateTimeImmutable('-2 days'), Side::Left, 3, PainPlace::InnerThigh,
            PainKind::Ache, 'before a session'));
        $this->em()->flush();
        $page = $this->client->request('GET', "$this->home/progress");
        $charts = count($this->page()['charts']);
        self::assertCount(2 * 2 * $charts, $page->filter('details.ability .tick'), 'Two days, both sides.');
        self::assertCount($charts, $page->filter('details.ability .pain'), 'On the left alone.');
        self::assertStringContainsString('pain 3 of 10, inner thigh', (string) $page->filter('.pain')
            ->attr('data-says'));
        // Wherever it was said: on a walk as well.
        $this->em()->persist(new SeenRung(Uuid::v7(), $this->practitioner, $this->teacher,
            new \DateTimeImmutable('-1 day'), 'pigeon', 'lying', Side::Right, false, [], false, '', 2,
            PainPlace::OuterHip, PainKind::Ache));
        $this->em()->flush();
        self::assertCount(2 * $charts, $this->client->request('GET', "$this->home/progress")
            ->filter('details.ability .pain'));
    }

    /** An ended assessment keeps what it foretold; the page says what came of it. */
    public function testForecastsAreKeptAndScored(): void
    {
        foreach (range(0, 5) as $i) {
            $this->shins(28 * (6 - $i), 30.0 - 1.5 * $i);
        }
        $assessment = new Assessment(Uuid::v7(), $this->practitioner, $this->teacher, new \DateTimeImmutable('-1 hour'),
            false, ['half-lotus'], [], [], '', true, 0, PainPlace::None, PainKind::Ache);
        $this->em()->persist($assessment);
        $this->em()->flush();
        $this->client->request('GET', "$this->home/assessments/$assessment->id");
        $this->client->submitForm('End assessment');
        $kept = $this->em()->getRepository(AssessmentOutcome::class)->findOneBy([]);
        self::assertNotNull($kept?->progress);
        self::assertSame(['rates', 'forecasts'], array_keys($kept->progress));
        $rates = array_column($kept->progress['rates'], null, 'side');
        self::assertGreaterThan(0.5, $rates['left']['month']);
        self::assertGreaterThan(0.0, $rates['left']['sd']);
        $forecast = array_column($kept->progress['forecasts'], null, 'side')['left'];
        self::assertSame(['rotation', 'half-lotus', 80], [$forecast['ability'], $forecast['posture'],
            $forecast['chance']]);
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertStringContainsString('No forecast has reached its date yet.', $page->filter('main')->text());
        self::assertSelectorTextContains('.then-now thead', 'Then,');
        // One whose day has come: it was read after, and stayed short of it.
        $person = $this->em()->find(Practitioner::class, $this->practitioner->id) ?? self::fail('Nobody.');
        $this->ended($person, new \DateTimeImmutable('-150 days'), [],
            ['rates' => [], 'forecasts' => [['ability' => 'rotation', 'side' => 'left', 'posture' => 'half-lotus',
                'asked' => 110.0, 'from' => date('Y-m-d', strtotime('-100 days')),
                'to' => date('Y-m-d', strtotime('-60 days')), 'chance' => 80]]]);
        $this->em()->flush();
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertStringContainsString('1 forecast whose date has come: 0 right.', $page->filter('main')->text());
        self::assertStringContainsString('not reached in time', $page->filter('main')->text());
    }

    /** What hurts has no day, whatever was read. */
    public function testThereIsNoDayForWhatIsHeld(): void
    {
        foreach (range(0, 5) as $i) {
            $this->shins(28 * (6 - $i), 30.0 - 1.5 * $i);
        }
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertStringContainsString('Likely ', $page->filter('main')->text());
        $this->em()->persist(new PainSaid(Uuid::v7(), $this->practitioner, $this->teacher,
            new \DateTimeImmutable('-1 hour'), new \DateTimeImmutable('-1 hour'), null, 2, PainPlace::Knee,
            PainKind::Ache, 'before a session'));
        $this->em()->flush();
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertStringNotContainsString('Likely ', $page->filter('main')->text());
        self::assertSame(['No date: on hold, or tests come first', 'No date: on hold, or tests come first'],
            $page->filter('.then-now tbody tr td:last-child')->each(static fn ($cell): string => trim($cell->text())));
        // A word lifts it, and tests come first: what was read before says nothing of a day.
        $said = $this->em()->getRepository(PainSaid::class)->findOneBy([]) ?? self::fail('Nothing was said.');
        $person = $this->em()->find(Practitioner::class, $this->practitioner->id) ?? self::fail('Nobody.');
        $this->em()->persist(new Clearance(Uuid::v7(), $person, $person->teacher, new \DateTimeImmutable('-1 minute'),
            'A Physiotherapist', ClearanceAuthority::Clinician, new \DateTimeImmutable('-1 minute'),
            'Everything again.', true, [PersonHistory::idOf($said)]));
        $this->em()->flush();
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertStringNotContainsString('Likely ', $page->filter('main')->text());
        self::assertSame(['No date: on hold, or tests come first', 'No date: on hold, or tests come first'],
            $page->filter('.then-now tbody tr td:last-child')->each(static fn ($cell): string => trim($cell->text())));
        $poses = self::getContainer()->get(ReadPerson::class)->now($this->practitioner) ?? self::fail('No body.');
        self::assertSame([], self::getContainer()->get(PersonProgress::class)
            ->toKeep($this->practitioner, $poses, new \DateTimeImmutable())['forecasts']);
    }

    /** A pose before which another comes has no day of its own before that one. */
    public function testWhatComesFirstHasItsDayFirst(): void
    {
        foreach (range(0, 5) as $i) {
            $this->shins(28 * (6 - $i), 30.0 - 1.5 * $i);
        }
        $this->em()->persist(new Assessment(Uuid::v7(), $this->practitioner, $this->teacher,
            new \DateTimeImmutable('-1 hour'), false, ['half-lotus', 'lotus'], [], [], '', true, 0, PainPlace::None,
            PainKind::Ache));
        $this->em()->flush();
        $when = $this->client->request('GET', "$this->home/progress")->filter('.then-now tbody tr td:last-child')
            ->each(static fn ($cell): string => trim($cell->text()));
        self::assertCount(4, $when);
        self::assertSame(['After Half lotus, which comes first', 'After Half lotus, which comes first'],
            array_slice($when, 2));
        self::assertStringNotContainsString('After', $when[0]);
    }

    /** Each rung has its own number: what it was practised on, clean; a height that was not clean is none. */
    public function testHeightsOfPropsAreSeries(): void
    {
        foreach ([30 => 16.0, 20 => 14.0, 10 => 12.0, 2 => 10.0] as $days => $height) {
            $this->checked(-$days, $height);
        }
        $this->checked(-1, 2.0, false);
        // Read on a walk, it is the knee that was read, half a knee above its block.
        $this->em()->persist(new SeenRung(Uuid::v7(), $this->practitioner, $this->teacher,
            new \DateTimeImmutable('-25 days'), 'half-lotus', 'mid-thigh-on-block', Side::Left, true,
            ['kneeHeight' => 20.0], true, '', 0, PainPlace::None, PainKind::Ache));
        $this->em()->flush();
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertStringContainsString('Heights, gaps and pictures', $page->filter('main')->text());
        $section = $page->filter('[aria-labelledby="height-half-lotus-mid-thigh-on-block"]');
        self::assertStringContainsString('10 cm now', $section->text());
        self::assertStringContainsString('cm lower per month', $section->text());
        self::assertCount(5, $section->filter('circle'));
        self::assertStringContainsString("15\u{a0}cm", $section->filter('tbody')->text());
    }

    /** Load, one session and what worked come from what was logged. */
    public function testANumberThatProvesNothingIsFollowedAllTheSame(): void
    {
        foreach ([40 => 6.0, 20 => 5.0, 1 => 3.5] as $days => $height) {
            $test = new Test(Uuid::v7(), Uuid::v7(), $this->practitioner, $this->teacher, 'planted-hip', Side::Left,
                new \DateTimeImmutable("-$days days"), 'tape', 0.0, 0, PainPlace::None, PainKind::Ache, [],
                Rules::VERSION, null);
            $test->add(['boneHeight' => $height, 'heelDistance' => 25.0]);
            $this->em()->persist($test);
        }
        $this->em()->flush();
        $page = $this->client->request('GET', "$this->home/progress");
        $section = $page->filter('[aria-labelledby="height-planted-hip-boneHeight"]');
        self::assertStringContainsString('3.5 cm now', $section->text());
        self::assertCount(3, $section->filter('circle'));
        self::assertCount(0, $page->filter('[aria-labelledby="height-planted-hip-heelDistance"]'));
    }

    public function testWhatWasLoggedIsLoadAndWarmTissueAndHours(): void
    {
        $this->shins(40, 22.0);
        $this->shins(1, 20.0);
        $plan = $this->planned([21 => 600, 14 => 600, 7 => 900]);
        foreach ([21, 14, 7] as $i => $days) {
            $this->em()->persist(new SessionLog(Uuid::v7(), $this->practitioner, $this->teacher, $plan,
                self::day($days), new \DateTimeImmutable("-$days days"), [
                    ['posture' => 'shins-stacked', 'rung' => 'level', 'side' => 'left', 'holdReached' => true,
                        'note' => ''],
                    ['posture' => 'shins-stacked', 'rung' => 'level', 'side' => 'right', 'holdReached' => false,
                        'note' => ''],
                ], 20.0 - $i, 17.0 - $i, 'Breath was easy.'));
        }
        $this->em()->flush();
        $practised = self::getContainer()->get(PractisedMinutes::class)
            ->of(self::getContainer()->get(PlanRecords::class)->logs($this->practitioner));
        self::assertSame([15.0, 10.0, 10.0], array_column($practised, 'minutes'),
            'What was not held to its end counts for nothing.');
        self::assertSame([Side::Left, Side::Left, Side::Left], array_column($practised, 'side'));
        self::assertSame([true, true, true], array_column($practised, 'isDeep'));
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertResponseIsSuccessful();
        self::assertCount(1, $page->filter('.load .jump'), 'Half as much again is a jump.');
        self::assertStringContainsString('1.5 times the week before', $page->filter('.load .jump')->text());
        self::assertStringContainsString('warm tissue, not progress', $page->filter('main')->text());
        self::assertStringContainsString('Cannot be told apart yet.', $page->filter('main')->text());
        self::assertStringContainsString('0.6 h', $page->filter('main')->text());
    }

    /**
     * Over all of a teacher's people kinds of work are told apart that one person has always done together; nobody
     * else's people count.
     */
    public function testWhatWorkedOverAllPeople(): void
    {
        $this->client->request('GET', '/what-worked');
        self::assertSelectorTextContains('main', 'No sessions yet');
        $other = $this->teacher('other@studio.example');
        foreach (range(1, 7) as $i) {
            [$who, $by] = 7 === $i ? [$this->practitioner($other), $other]
                : [$this->practitioner($this->teacher, name: "Somebody $i"), $this->teacher];
            // The first three get seven hours of one kind and their hips turn; the others get as much of another.
            $posture = $i < 4 ? 'shins-stacked' : 'figure-four';
            $rung = $i < 4 ? 'level' : 'wall';
            $done = 0.0;
            foreach ([120, 90, 60, 30, 1] as $k => $days) {
                $knee = 26.0 - ($i < 4 ? 0.8 * $done : 0.0) + 0.2 * (($i + $k) % 3);
                $this->read($who, $by, $days, $knee);
                $seconds = 3600 * (1 + (($i * 7 + $k * 5) % 4));
                $date = self::day($days - 1)->format('Y-m-d');
                $plan = new PracticePlan(Uuid::v7(), $who, $by, new \DateTimeImmutable('-130 days'), Rules::VERSION,
                    ['weeks' => 1, 'days' => ['mon'], 'minutes' => 30],
                    ['weeks' => [['sessions' => [['date' => $date,
                        'items' => [['posture' => $posture, 'rung' => $rung, 'side' => 'both', 'phase' => 'work',
                            'seconds' => $seconds]]]]]]], null, '');
                $this->em()->persist($plan);
                $this->em()->persist(new SessionLog(Uuid::v7(), $who, $by, $plan, self::day($days - 1),
                    new \DateTimeImmutable(sprintf('-%d days', $days - 1)),
                    [['posture' => $posture, 'rung' => $rung, 'side' => 'both', 'holdReached' => true]], null, null,
                    ''));
                $done += $seconds / 3600;
            }
        }
        $this->em()->flush();
        $page = $this->client->request('GET', '/what-worked');
        self::assertSelectorTextContains('main', 'People with sessions: 6.');
        $rotation = $page->filter('main li')->reduce(static fn ($li): bool => str_starts_with($li->text(),
            'External rotation'))
            ->text();
        self::assertMatchesRegularExpression('/Shins stacked: 1\.\d° per hour/', $rotation);
        self::assertStringNotContainsString('Figure four: ', $rotation);
        $this->client->loginUser($this->teacher('third@studio.example'));
        $this->client->request('GET', '/what-worked');
        self::assertSelectorTextContains('main', 'No sessions yet');
    }

    /** Of each test of which there are two pictures the first and the last stand side by side. */
    public function testTwoPictures(): void
    {
        foreach (['soles-together' => [30, 20, 2], 'frog' => [5]] as $test => $ages) {
            foreach ($ages as $days) {
                $this->em()->persist(new StoredPicture(Uuid::v7(), $this->practitioner, $this->teacher,
                    new \DateTimeImmutable("-$days days"), $test, 800, 600, 2 === $days
                    ? ['hip' => [0.5, 0.5], 'knee' => [0.25, 0.25], 'ankle' => [0.2, 0.9], 'floorA' => [0.1, 1.0]]
                    : null));
            }
        }
        $this->em()->flush();
        $page = $this->client->request('GET', "$this->home/progress");
        self::assertCount(2, $page->filter('.two-pictures img'));
        self::assertSame(['M400 300L200 150', 'M200 150L160 540'], $page->filter('.two-pictures path')
            ->each(static fn ($path): string => (string) $path->attr('d')), 'Thigh and shin, where they were marked.');
        self::assertSame(self::day(30)->format('j M Y'), trim(explode(', ', $page->filter('.two-pictures figcaption')
            ->first()->text())[1]));
        self::assertSame(self::day(2)->format('j M Y'), trim(explode(', ', $page->filter('.two-pictures figcaption')
            ->last()->text())[1]));
    }

    /**
     * What is usual comes from a teacher's other people, as soon as there are enough who began alike; nobody else's
     * count.
     */
    public function testWhatIsUsualComesFromTheTeachersPeople(): void
    {
        foreach (range(0, 5) as $i) {
            $this->shins(28 * (6 - $i), 30.0 - 0.3 * $i);
        }
        $rate = function (): float {
            $left = $this->page()['charts'][0]['sides']['left'];

            return (float) ($left['progress']->because->numbers['month'] ?? 0.0);
        };
        $start = $this->page()['charts'][0]['sides']['left']['chart']['points'][0]['value'];
        $stated = $rate();
        $other = $this->teacher('other@studio.example');
        $keep = function (Teacher $of, int $i, float $start): void {
            $person = $this->practitioner($of, name: "Somebody $i");
            $this->ended($person, new \DateTimeImmutable('-10 days'), [],
                ['rates' => [['ability' => 'rotation', 'side' => 'left', 'month' => 4.0, 'sd' => 0.5,
                    'start' => $start]], 'forecasts' => []]);
        };
        foreach (range(1, Prior::PEOPLE) as $i) {
            $keep($other, $i, $start);
            $keep($this->teacher, $i, $start + 40.0);
        }
        $this->em()->flush();
        self::assertEqualsWithDelta($stated, $rate(), 1e-9, 'Neither of another teacher nor of another start.');
        foreach (range(1, Prior::PEOPLE) as $i) {
            $keep($this->teacher, 100 + $i, $start);
        }
        $this->em()->flush();
        self::assertGreaterThan($stated + 0.2, $rate());
        self::assertSame(Prior::PEOPLE,
            $this->page()['charts'][0]['sides']['left']['progress']->because->numbers['people']);
        self::assertCount(2 * Prior::PEOPLE, self::getContainer()->get(OutcomeRows::class)
            ->rates($this->teacher, $this->practitioner)['rotation']);
    }

    public function testABodyComesFirst(): void
    {
        $other = $this->practitioner($this->practitioner->teacher, measured: false);
        $this->client->request('GET', "/practitioners/$other->id/progress");
        self::assertResponseRedirects("/practitioners/$other->id/body");
    }

    /** @return array<string, mixed> */
    private function page(): array
    {
        $poses = self::getContainer()->get(ReadPerson::class)->now($this->practitioner) ?? self::fail('No body.');

        return self::getContainer()->get(ProgressPage::class)->of($this->practitioner, $poses);
    }

    private function shins(int $daysAgo, float $knee): void
    {
        $this->read($this->practitioner, $this->teacher, $daysAgo, $knee);
    }

    private function read(Practitioner $who, Teacher $by, int $daysAgo, float $knee): void
    {
        $entry = Uuid::v7();
        foreach (Side::cases() as $side) {
            $test = new Test(Uuid::v7(), $entry, $who, $by, 'shins-stacked', $side,
                new \DateTimeImmutable("-$daysAgo days"), 'tape', 0.0, 0, PainPlace::None, PainKind::Ache, [],
                Rules::VERSION);
            $test->add(['kneeHeight' => $knee, 'ankleHeight' => 10.0]);
            $test->add(['kneeHeight' => $knee + 0.2, 'ankleHeight' => 10.0]);
            $this->em()->persist($test);
        }
        $this->em()->flush();
    }

    private function checked(int $days, ?float $height = null, bool $isClean = true): void
    {
        $at = new \DateTimeImmutable("$days days");
        $this->em()->persist(new RungCheck(Uuid::v7(), $this->practitioner, $this->teacher, 'half-lotus', Side::Left,
            'mid-thigh-on-block', self::day(-$days), $at, $height, $isClean, true, 0, PainPlace::None, PainKind::Ache,
            [], false, ''));
        $this->em()->flush();
    }

    /** @param array<int, int> $seconds of one item of work on each side, by days ago */
    private function planned(array $seconds): PracticePlan
    {
        $item = static fn (string $side, int $seconds): array => ['posture' => 'shins-stacked', 'rung' => 'level',
            'side' => $side, 'phase' => 'work', 'seconds' => $seconds];
        $weeks = array_map(static fn (int $days, int $of): array => ['sessions' => [['date' => self::day($days)
            ->format('Y-m-d'), 'items' => [$item('left', $of), $item('right', $of)]]]], array_keys($seconds), $seconds);
        $plan = new PracticePlan(Uuid::v7(), $this->practitioner, $this->teacher, new \DateTimeImmutable('-30 days'),
            Rules::VERSION, ['weeks' => 1, 'days' => ['mon'], 'minutes' => 30], ['weeks' => $weeks], null, '');
        $this->em()->persist($plan);

        return $plan;
    }

    private static function day(int $daysAgo): \DateTimeImmutable
    {
        return new \DateTimeImmutable(date('Y-m-d', strtotime("-$daysAgo days")));
    }
}
