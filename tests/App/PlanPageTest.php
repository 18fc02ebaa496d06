<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Plan\PlanVolume;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Plan\Edit\Edits;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Tests\Core\Plan\Doses;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Uid\Uuid;

final class PlanPageTest extends AppTestCase
{
    use ClockSensitiveTrait;

    private Practitioner $practitioner;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->em()->persist(new Assessment(Uuid::v7(), $this->practitioner, $teacher,
            new \DateTimeImmutable('-3 days'), false, ['soles-together'], [], [], '', true, 0, PainPlace::None,
            PainKind::Ache));
        $this->em()->flush();
        $this->tested($this->practitioner);
        $this->client->loginUser($teacher);
    }

    public function testAPlanIsMadeAndKept(): void
    {
        $this->plan();
        self::assertSelectorTextContains('main', 'Minutes of work per week');
        self::assertSelectorTextContains('main', 'Soles together');
        self::assertSelectorTextContains('main', 'Test again');
        self::assertSame(1, $this->howMany(PracticePlan::class));
        $this->client->request('GET', $this->home);
        self::assertSelectorExists('a[href*="/plans/"]');
    }

    public function testWrongInputIsNamedBesideTheField(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $form = $this->client->getCrawler()->selectButton('Make plan')
            ->form(['plan[weeks]' => '0', 'plan[minutes]' => 'x', 'plan[time]' => '25:00']);
        foreach (self::boxes($form, 'plan[days]') as $day) {
            $day->untick();
        }
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#plan_weeks_error1', 'from 1 to 52');
        self::assertSelectorTextContains('#plan_minutes_error1', 'whole number');
        self::assertSelectorTextContains('#plan_time_error1', '18:00');
        self::assertSelectorTextContains('main', 'Choose at least one day');
        self::assertSame(0, $this->howMany(PracticePlan::class));
    }

    public function testAChangeByHandIsANewVersionAndABrokenRuleIsNamed(): void
    {
        $this->plan();
        $this->change('lock');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Locked');
        self::assertSame(2, $this->howMany(PracticePlan::class));
        // Work before the warming up is over breaks a rule, and changes nothing.
        $this->change('earlier');
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'Not changed.');
        self::assertSelectorTextContains('[role="status"]', 'warm-up');
        self::assertSame(2, $this->howMany(PracticePlan::class));
        $this->change('easier');
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'needs a reason');
        // What is locked is still there when the rest is planned anew.
        $locked = $this->newest()->plan['weeks'][0]['sessions'][0];
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        $this->client->submitForm('Replan from today');
        self::assertSame($locked, $this->newest()->plan['weeks'][0]['sessions'][0]);
        $this->change('skip');
        self::assertSame(4, $this->howMany(PracticePlan::class));
    }

    public function testWorkMovesToAnotherDayOfItsWeek(): void
    {
        $this->plan();
        $before = $this->newest()->plan['weeks'][0]['sessions'];
        $this->change('to-9');
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'no practice on this day');
        $this->change('to-1');
        $this->client->followRedirect();
        $after = $this->newest()->plan['weeks'][0]['sessions'];
        $work = static fn (array $session): int => count(array_filter($session['items'],
            static fn (array $item): bool => 'work' === $item['phase']));
        self::assertSame($work($before[0]) + $work($before[1]), $work($after[0]) + $work($after[1]),
            'Nothing is lost on the way.');
        if (2 === $this->howMany(PracticePlan::class)) {
            self::assertLessThan($work($before[0]), $work($after[0]));
            self::assertGreaterThan($before[1]['minutes'], $after[1]['minutes']);
        } else {
            self::assertSelectorTextContains('[role="status"]', 'Not changed.');
        }
    }

    public function testAChangeIsTakenBackAndDoneAgain(): void
    {
        $this->plan();
        $sessions = fn (): array => $this->newest()->plan['weeks'][0]['sessions'];
        $made = $sessions();
        $this->change('lock');
        $locked = $sessions();
        $this->change('skip');
        $skipped = $sessions();
        self::assertNotSame($locked, $skipped);
        $this->takeBack('undo');
        self::assertSame($locked, $sessions());
        $this->takeBack('undo');
        self::assertSame($made, $sessions());
        $this->takeBack('undo');
        self::assertSelectorTextContains('[role="status"]', 'nothing to undo');
        $this->takeBack('redo');
        self::assertSame($locked, $sessions());
        $this->takeBack('redo');
        self::assertSame($skipped, $sessions());
        $this->takeBack('redo');
        self::assertSelectorTextContains('[role="status"]', 'nothing to undo');
        // What was done otherwise since is not done again.
        $this->takeBack('undo');
        $this->change('unlock');
        $this->takeBack('redo');
        self::assertSelectorTextContains('[role="status"]', 'nothing to undo');
        // A plan made anew is no change to take back.
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        $this->client->submitForm('Replan from today');
        $this->takeBack('undo');
        self::assertSelectorTextContains('[role="status"]', 'nothing to undo');
    }

    /** Taking a change back is no way past a stop. */
    public function testNothingThatIsHeldSinceComesBackByTakingBack(): void
    {
        $this->plan();
        $this->change('skip');
        $skipped = $this->newest()->plan['weeks'];
        $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [],
            'pains' => [['where' => 'knee', 'kind' => 'ache', 'level' => 2, 'side' => 'left']]]);
        $this->takeBack('undo');
        self::assertSelectorTextContains('[role="status"]', 'Not changed.');
        self::assertSelectorTextContains('[role="status"]', 'is on hold');
        self::assertSame($skipped, $this->newest()->plan['weeks']);
    }

    public function testAHoldIsMadeLongerByAFifthAsFarAsItsRangeGoes(): void
    {
        $this->plan();
        $seconds = function (): int {
            $items = $this->newest()->plan['weeks'][0]['sessions'][0]['items'];

            return $items[array_search('work', array_column($items, 'phase'), true)]['seconds'];
        };
        $first = $seconds();
        $this->change('shorter');
        self::assertEqualsWithDelta(0.8 * $first, $seconds(), 5);
        $this->change('longer');
        self::assertEqualsWithDelta(0.96 * $first, $seconds(), 10);
        for ($i = 0; $i < 12; ++$i) {
            $this->change('longer');
        }
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'Not changed.');
        foreach ($this->read()->weeks[0]->sessions[0]->items as $item) {
            self::assertLessThanOrEqual($item->most(Doses::longAndStill(2)), $item->isWork() ? $item->seconds : 0);
        }
    }

    public function testAnItemOpensIntoItsPanel(): void
    {
        $this->plan();
        $page = $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        $this->client->click($page->filter('.strip > .work a')->first()->link());
        self::assertSelectorExists('[data-item-panel] svg.figure');
        self::assertSelectorTextContains('[data-item-panel]', 'Stop if you feel:');
        self::assertSelectorExists('button[value="to-1"]');
        self::assertSelectorNotExists('button[value="to-0"]', 'It is there already.');
        $this->client->click($page->filter('.strip > .warm-up a')->first()->link());
        self::assertSelectorNotExists('form[data-changes]');
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}/items/0-0-99");
        self::assertResponseStatusCodeSame(404);
        // What is held is struck through, and leads to what holds it.
        $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [],
            'pains' => [['where' => 'knee', 'kind' => 'ache', 'level' => 2, 'side' => 'left']]]);
        $page = $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        $this->client->click($page->filter('.strip > .barred a')->first()->link());
        self::assertSelectorExists('.item-title.barred');
        self::assertSelectorTextContains('[data-item-panel] a', 'See why');
    }

    public function testForTheWallEachWeekHasItsSheet(): void
    {
        $this->plan();
        $page = $this->client->request('GET', "$this->home/plans/{$this->newest()->id}/print");
        self::assertCount(count($this->newest()->plan['weeks']), $page->filter('.wall-week'));
        self::assertGreaterThan(5, $page->filter('.wall-items svg.figure')->count());
    }

    public function testAScriptIsToldWhyNothingHasChanged(): void
    {
        $this->plan();
        $plan = $this->newest();
        $token = $this->client->request('GET', "$this->home/plans/$plan->id")->filter('[data-change]')
            ->attr('data-token');
        $items = $plan->plan['weeks'][0]['sessions'][0]['items'];
        $send = function (string $change) use ($plan, $token, $items): array {
            $this->client->request('POST', "$this->home/plans/$plan->id/change",
                ['_token' => $token, 'week' => 0, 'session' => 0,
                    'item' => array_search('work', array_column($items, 'phase'), true), 'change' => $change],
                server: ['HTTP_ACCEPT' => 'application/json']);

            return [$this->client->getResponse()->getStatusCode(),
                json_decode((string) $this->client->getResponse()->getContent(), true)];
        };
        [$status, $said] = $send('earlier');
        self::assertSame(422, $status);
        self::assertStringContainsString('warm-up', $said['refused']);
        [$status, $said] = $send('lock');
        self::assertSame(200, $status);
        self::assertStringContainsString((string) $this->newest()->id, $said['address']);
        [$status, $said] = $send('to-x');
        self::assertSame(404, $status);
    }

    public function testMinutesByComponentWithWhatWasDoneOverThem(): void
    {
        $this->plan();
        $first = $this->newest()->plan['weeks'][0]['sessions'][0];
        $done = array_map(static fn (array $item): array => ['posture' => $item['posture'], 'rung' => $item['rung'],
            'side' => $item['side'], 'holdReached' => true, 'evenBreath' => true,
            'pain' => null] + (isset($item['drill']) ? ['drill' => $item['drill']] : []),
            array_values(array_filter($first['items'], static fn (array $item): bool => 'work' === $item['phase'])));
        self::mockTime($first['date'].' 12:00');
        $this->loginAnew($this->practitioner->teacher);
        self::assertSame(200, $this->send(['id' => (string) Uuid::v7(), 'on' => $first['date'], 'items' => $done]));
        $volume = self::getContainer()->get(PlanVolume::class)
            ->of($this->read(), self::getContainer()->get(PlanRecords::class)->logs($this->practitioner));
        $of = static fn (string $side,
            string $what): float => array_sum(array_map(static fn (array $weeks): float => $weeks[0][$side][$what],
                $volume));
        self::assertGreaterThan(0.0, $of('left', 'done'));
        self::assertLessThan($of('left', 'planned'), $of('left', 'done'));
        foreach ($volume as $weeks) {
            self::assertCount(count($this->newest()->plan['weeks']), $weeks);
            self::assertSame(0.0, $weeks[1]['left']['done']);
        }
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        self::assertSelectorTextContains('.volume', 'done');
    }

    public function testWhatWasReachedCarriesThePlanOn(): void
    {
        $this->plan();
        $plan = $this->newest();
        // Held clean today: what is to come is planned again, and today stays as it was practised.
        $deep = ['posture' => 'soles-together', 'rung' => 'free', 'side' => 'both', 'holdReached' => true,
            'evenBreath' => true, 'pain' => null];
        self::assertSame(200, $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [$deep]]));
        $this->client->request('GET', "$this->home/plans/newest");
        self::assertResponseRedirects("$this->home/plans/{$this->newest()->id}");
        $onward = $this->newest();
        $dates = static fn (PracticePlan $of): array => array_map(
            static fn (array $week): array => array_column($week['sessions'], 'date'),
            $of->plan['weeks'],
        );
        self::assertSame($dates($plan), $dates($onward), 'The weeks keep their days.');
        if ($onward->id != $plan->id) {
            self::assertSame((string) $plan->id, (string) $onward->replaces);
            $this->client->request('GET', "$this->home/plans/$onward->id");
            self::assertSelectorTextContains('main', 'by what was reached');
            foreach ($onward->plan['weeks'] as $w => $week) {
                foreach ($week['sessions'] as $s => $session) {
                    self::assertTrue($session['date'] > date('Y-m-d') || $session
                        === $plan->plan['weeks'][$w]['sessions'][$s], 'What is past stays.');
                }
            }
        }
        // What hurts stays in sight where it was planned; and a plan changed by hand is left to whoever changed it.
        $now = $this->howMany(PracticePlan::class);
        self::assertSame(200, $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'),
            'items' => [['pain' => ['where' => 'knee', 'kind' => 'ache', 'level' => 1], 'side' => 'left'] + $deep]]));
        self::assertSame($now, $this->howMany(PracticePlan::class));
        $this->change('lock');
        self::assertSame(200, $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'),
            'items' => [['side' => 'right'] + $deep]]));
        self::assertSame($now + 1, $this->howMany(PracticePlan::class));
    }

    /** A drill is kept in the log, hurts like all else, and passes no rung. */
    public function testADrillPassesNoRung(): void
    {
        $this->plan();
        $drill = ['drill' => 'press-and-yield', 'posture' => 'figure-four', 'rung' => 'lying', 'side' => 'left',
            'holdReached' => true, 'evenBreath' => true, 'pain' => null];
        self::assertSame(200, $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [$drill]]));
        self::assertSame(0, $this->howMany(RungCheck::class));
        self::assertSame(1, $this->howMany(SessionLog::class));
        self::assertSame(422, $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'),
            'items' => [['drill' => 'no-such'] + $drill]]));
        self::assertSame(200, $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'),
            'items' => [['pain' => ['where' => 'knee', 'kind' => 'ache', 'level' => 1]] + $drill]]));
        self::assertSame(1, $this->howMany(PainSaid::class));
        self::assertNotSame([], self::getContainer()->get(ReadPerson::class)->holds($this->practitioner)->active);
    }

    public function testAnotherWindowDoesNotOverwrite(): void
    {
        $this->plan();
        $old = $this->newest();
        $this->change('lock');
        $this->change('skip', $old);
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'changed in another window');
        self::assertSame(2, $this->howMany(PracticePlan::class));
    }

    public function testALogThatIsSentTwiceIsKeptOnceAndLeadsToADecision(): void
    {
        $this->plan();
        $items = $this->work();
        $log = ['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'),
            'items' => [['pain' => ['where' => 'outer-hip', 'kind' => 'ache', 'level' => 3]] + $items[0]],
            'before' => 14.5, 'after' => 13.5, 'note' => ''];
        self::assertSame(200, $this->send($log));
        self::assertSame(200, $this->send($log));
        self::assertSame(1, $this->howMany(SessionLog::class));
        $sides = 'both' === $items[0]['side'] ? 2 : 1;
        self::assertSame($sides, $this->howMany(RungCheck::class));
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        self::assertSelectorTextContains('main', 'not decided yet');
        self::assertSelectorTextContains('main', '14.5');
        $this->client->clickLink('What comes next?');
        self::assertSelectorTextContains('main', 'Go back one rung');
        $this->client->submitForm('Save decision');
        self::assertSame(1, $this->howMany(Decision::class));
    }

    public function testAStopInPracticeHoldsTheSideAndWritesANote(): void
    {
        $this->plan();
        $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'),
            'items' => [['side' => 'left', 'pain' => ['where' => 'knee', 'kind' => 'sharp',
                'level' => 2]] + $this->work()[0]]]);
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        $this->client->clickLink('Note for a clinician');
        self::assertSelectorTextContains('main', 'Pain 2 of 10');
        self::assertSelectorTextContains('main', 'no diagnosis');
        $this->client->request('GET', "$this->home/poses/soles-together");
        self::assertSelectorTextContains('.side-left', 'On hold');
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'On hold, so it is not planned');
        self::assertSelectorTextNotContains('ol.strip', ', left');
    }

    public function testAStopByTheLevelOfAnAcheHoldsTheSideTooUntilItIsCleared(): void
    {
        $this->plan();
        $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'),
            'items' => [['side' => 'left', 'pain' => ['where' => 'outer-hip', 'kind' => 'ache',
                'level' => 6]] + $this->work()[0]]]);
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        $this->client->clickLink('What comes next?');
        $this->client->submitForm('Save decision');
        $this->client->request('GET', "$this->home/poses/soles-together");
        self::assertSelectorTextContains('.side-left', 'On hold');
        $person = $this->em()->find(Practitioner::class, $this->practitioner->id);
        self::assertNotNull($person);
        $names = array_map(static fn (Hold $hold): string => $hold->id(), self::getContainer()->get(ReadPerson::class)
            ->holds($person)->active);
        self::assertCount(2, $names, 'The ache, and the decision.');
        $this->em()->persist(new Clearance(Uuid::v7(), $person, $person->teacher, new \DateTimeImmutable(),
            'A clinician', ClearanceAuthority::Clinician, new \DateTimeImmutable('today'), 'Nothing against it', false,
            $names));
        $this->em()->flush();
        $this->client->request('GET', "$this->home/poses/soles-together");
        self::assertSelectorTextNotContains('.side-left', 'On hold');
    }

    public function testTheSameLogWithPainAddedAddsThePain(): void
    {
        $this->plan();
        $log = ['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [['side' => 'left'] + $this->work()[0]]];
        self::assertSame(200, $this->send($log));
        $log['items'][0]['pain'] = ['where' => 'knee', 'kind' => 'ache', 'level' => 1];
        self::assertSame(200, $this->send($log));
        self::assertSame(200, $this->send($log));
        self::assertSame([1, 1], [$this->howMany(SessionLog::class), $this->howMany(PainSaid::class)]);
        $this->assertHeld('left');
    }

    public function testPainOutsideOfWorkAndAtTheEndIsKept(): void
    {
        $this->plan();
        $pain = ['where' => 'knee', 'kind' => 'stretch', 'level' => 1];
        self::assertSame(200, $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [],
            'pains' => [['side' => 'right', 'posture' => 'childs-pose', 'rung' => 'wide'] + $pain,
                ['side' => '', 'where' => 'ankle', 'kind' => 'lasting-numbness', 'level' => 0]]]));
        self::assertSame(2, $this->howMany(PainSaid::class));
        $this->assertHeld('right');
    }

    public function testOfTwoHoldsOfOneItemTheWorseCounts(): void
    {
        $this->plan();
        $item = ['side' => 'left'] + $this->work()[0];
        foreach ([[['pain' => ['where' => 'groin', 'kind' => 'sharp', 'level' => 2]] + $item, $item],
            [$item, ['pain' => ['where' => 'groin', 'kind' => 'sharp', 'level' => 2]] + $item]] as $items) {
            self::assertSame(200, $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => $items]));
        }
        $worst = array_map(static fn (RungCheck $check): string => $check->painKind->value, $this->em()
            ->getRepository(RungCheck::class)->findAll());
        self::assertSame(['sharp', 'sharp'], $worst);
        $this->assertHeld('left');
    }

    public function testALogThatIsRefusedStillSaysWhatHurts(): void
    {
        $this->plan();
        self::assertSame(422, $this->send(['id' => 'x', 'on' => 'never',
            'items' => [['rung' => 'no-such', 'side' => 'left',
                'pain' => ['where' => 'knee', 'kind' => 'ache', 'level' => 'a lot']]]]));
        self::assertSame([0, 1], [$this->howMany(SessionLog::class), $this->howMany(PainSaid::class)]);
        $this->assertHeld('left');
    }

    public function testAPlanMadeBeforeAHoldIsHeldBackByIt(): void
    {
        $this->plan();
        $this->client->submitForm('Make private calendar address');
        $this->client->followRedirect();
        self::assertSame(1, preg_match('~/feed/[0-9a-f]{48}\.ics~', $this->client->getCrawler()
            ->filter('[role="status"]')->text(), $address));
        $session = "$this->home/plans/{$this->newest()->id}/sessions/1-0";
        $items = fn (): array => json_decode((string) $this->client->request('GET', $session)->filter('[data-session]')
            ->attr('data-session'), true);
        self::assertNotSame([], array_filter($items(), static fn (array $item): bool => 'work' === $item['phase']));
        $this->send(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [],
            'pains' => [['side' => '', 'where' => 'knee', 'kind' => 'ache', 'level' => 1]]]);
        self::assertSame([], array_filter($items(), static fn (array $item): bool => 'rest' !== $item['phase']),
            'nothing but rest is left');
        self::assertSelectorTextContains('.caution', 'Left out today');
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        self::assertSelectorExists('li.barred');
        $this->client->request('GET', $address[0]);
        self::assertStringContainsString('STATUS:CANCELLED', (string) $this->client->getResponse()->getContent());
    }

    public function testTheTeacherSaysWhatIsAlwaysInItAndWhatNever(): void
    {
        $make = function (array $pinned, array $forbidden, string $minutes = '45'): void {
            $this->client->request('GET', "$this->home/plans/new");
            $values = $this->client->getCrawler()->selectButton('Make plan')->form(['plan[minutes]' => $minutes])
                ->getPhpValues();
            $values['plan'] = ['pinned' => $pinned, 'forbidden' => $forbidden] + $values['plan'];
            $this->client->request('POST', "$this->home/plans/new", $values);
        };
        $make(['hero'], ['hero', 'cobra']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('details[open]', 'in both lists');
        self::assertSame(0, $this->howMany(PracticePlan::class));
        $make(['hero'], ['cobra', 'childs-pose']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Theme:');
        self::assertSelectorTextContains('main', 'Between sessions: ');
        $this->client->click($this->client->getCrawler()->filter('.strip a')
            ->reduce(static fn ($link): bool => str_contains($link->text(), 'Hero'))->first()->link());
        self::assertSelectorTextContains('main', 'The teacher wants Hero included.');
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}?week=4");
        self::assertSelectorTextContains('main', 'The lighter week leaves it free.');
        $postures = static fn (PracticePlan $plan): array => array_merge(
            ...array_map(
                static fn (array $week): array => array_merge(
                    ...array_map(
                        static fn (array $session): array => array_column($session['items'], 'posture'),
                        $week['sessions'],
                    ),
                ),
                $plan->plan['weeks'],
            ),
        );
        self::assertContains('hero', $postures($this->newest()));
        self::assertSame([], array_intersect(['cobra', 'childs-pose'], $postures($this->newest())));
        // Planned anew, it still stands.
        $this->client->submitForm('Replan from today');
        self::assertSame([], array_intersect(['cobra', 'childs-pose'], $postures($this->newest())));
        self::assertContains('hero', $postures($this->newest()));
    }

    /** A plan that was made before somebody told of loose joints holds nothing longer than one made after it. */
    public function testAPlanMadeBeforeKeepsShortWhatHasToNow(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        // Holds are long once they are new no more.
        $this->client->submitForm('Make plan', ['plan[school]' => 'long-still', 'plan[minutes]' => '90',
            'plan[weeks]' => '8']);
        $plan = $this->newest();
        $seconds = function () use ($plan): array {
            $session = $this->client->request('GET', "$this->home/plans/$plan->id/sessions/6-0");
            $items = json_decode((string) $session->filter('[data-session]')->attr('data-session'), true);

            return array_column(array_filter($items, static fn (array $item): bool => 'work' === $item['phase']),
                'seconds');
        };
        self::assertGreaterThan(300, max($seconds()));
        $this->client->request('GET', "$this->home/assessments/new");
        $values = $this->client->getCrawler()->selectButton('Show the tests')->form()->getPhpValues();
        $values['before'] = ['consent' => '1', 'gentle_only' => ['hypermobility'], 'warm' => '1',
            'pain' => ['level' => '0'] + $values['before']['pain']] + $values['before'];
        $this->client->request('POST', "$this->home/assessments/new", $values);
        self::assertResponseRedirects();
        self::assertNotSame([], $seconds());
        self::assertLessThanOrEqual(310, max($seconds()), 'five minutes at most where a seat begins with them');
        $long = array_filter($plan->plan['weeks'][6]['sessions'][0]['items'], static fn (array $item): bool => 'work'
            === $item['phase'] && $item['seconds'] > 310);
        self::assertNotSame([], $long);
        $page = $this->client->request('GET', "$this->home/plans/$plan->id?week=7");
        self::assertStringNotContainsString(', '.round(max(array_column($long, 'seconds')) / 60, 1).' min',
            $page->filter('#session-6-0')->text(), 'the plan says what the session does');
    }

    /** What was long on a gentle rung is not long on the deep one above it. */
    public function testAnotherRungBeginsWithItsOwnHold(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[school]' => 'long-still', 'plan[minutes]' => '90',
            'plan[weeks]' => '8']);
        $session = $this->read()->weeks[6]->sessions[0];
        $dose = Doses::longAndStill(2);
        $poses = self::getContainer()->get(ReadPerson::class)->now($this->practitioner) ?? self::fail();
        $harder = Edits::named('harder', self::getContainer()->get(Catalogue::class)->practiceRungs(), $poses)
            ?? self::fail();
        $tried = 0;
        foreach ($session->items as $at => $item) {
            if (!$item->isWork() || $item->seconds <= 310) {
                continue;
            }
            foreach ($harder->apply($session, $at)->items as $i => $changed) {
                if ($changed->isWork() && $changed->key() === $item->key() && $changed->rung->rung->id
                    !== $session->items[$i]->rung->rung->id) {
                    self::assertLessThanOrEqual(10 + $dose->seconds($changed->rung), $changed->seconds,
                        $changed->rung->posture.' '.$changed->rung->rung->id);
                    ++$tried;
                }
            }
        }
        self::assertGreaterThan(0, $tried);
    }

    public function testEveryChoiceOfDaysMakesAPlan(): void
    {
        for ($choice = 1; $choice < 128; $choice += 9) {
            $this->client->request('GET', "$this->home/plans/new");
            $form = $this->client->getCrawler()->selectButton('Make plan')->form(['plan[weeks]' => '1']);
            foreach (self::boxes($form, 'plan[days]') as $i => $day) {
                0 === ($choice & (1 << $i)) ? $day->untick() : $day->tick();
            }
            $this->client->submit($form);
            self::assertResponseRedirects(message: "days $choice");
            $this->client->followRedirect();
            self::assertResponseIsSuccessful("days $choice");
        }
    }

    public function testWhatIsNoLogIsRefused(): void
    {
        $this->plan();
        $good = ['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [$this->work()[0]]];
        foreach ([['id' => 'x'], ['on' => '2099-01-01'], ['items' => [['rung' => 'no-such'] + $this->work()[0]]],
            ['items' => 'none']] as $wrong) {
            self::assertSame(422, $this->send($wrong + $good));
        }
        self::assertSame(403, $this->send($good, 'made up'));
        self::assertSame(0, $this->howMany(SessionLog::class));
    }

    public function testTheCalendarIsPrivateAndCanBeRevoked(): void
    {
        $this->plan();
        $this->client->submitForm('Make private calendar address');
        $this->client->followRedirect();
        self::assertSame(1, preg_match('~/feed/[0-9a-f]{48}\.ics~', $this->client->getCrawler()
            ->filter('[role="status"]')->text(), $address));
        $this->client->submitForm('Replan from today');
        $this->client->restart();
        $this->client->disableReboot();
        $this->client->request('GET', $address[0]);
        self::assertResponseIsSuccessful();
        $calendar = (string) $this->client->getResponse()->getContent();
        self::assertStringContainsString('BEGIN:VALARM', $calendar);
        self::assertMatchesRegularExpression('/DTSTART:\d{8}T\d{6}Z/', $calendar);
        $this->client->request('GET', '/feed/'.str_repeat('0', 48).'.ics');
        self::assertResponseStatusCodeSame(404);
        $this->client->loginUser($this->practitioner->teacher);
        $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        $this->client->submitForm('Revoke calendar address');
        $this->client->request('GET', $address[0]);
        self::assertResponseStatusCodeSame(404);
    }

    private function assertHeld(string $side): void
    {
        $this->client->request('GET', "$this->home/poses/soles-together");
        self::assertSelectorTextContains(".side-$side", 'On hold');
    }

    private function plan(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '4']);
        self::assertResponseRedirects();
        $this->client->followRedirect();
    }

    private function newest(): PracticePlan
    {
        $this->em()->clear();

        return $this->em()->getRepository(PracticePlan::class)->findBy([], ['at' => 'DESC', 'id' => 'DESC'])[0];
    }

    private function read(): Plan
    {
        return self::getContainer()->get(StoredPlans::class)->plan($this->newest());
    }

    /** @return list<array<string, mixed>> the work of the first session, as a log names it */
    private function work(): array
    {
        $items = array_filter($this->newest()->plan['weeks'][0]['sessions'][0]['items'],
            static fn (array $item): bool => 'work' === $item['phase']);

        return array_values(array_map(static fn (array $item): array => ['posture' => $item['posture'],
            'rung' => $item['rung'], 'side' => $item['side'], 'holdReached' => true, 'evenBreath' => true,
            'compensations' => []], $items));
    }

    public function testANoteOfASessionThatSpeaksOfPainIsReadBeforeAnythingDeep(): void
    {
        $this->plan();
        $log = static fn (string $note): array => ['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'items' => [],
            'soreAtNight' => false, 'note' => $note];
        $answer = fn (): array => json_decode((string) $this->client->getResponse()->getContent(), true);
        $holds = fn (): array => array_map(
            static fn (Hold $hold): string => $hold->holds->id.' '.($hold->side->value ?? 'both'),
            self::getContainer()->get(ReadPerson::class)->holds($this->practitioner)->active,
        );
        $this->send($log('Two blankets, no pain'));
        self::assertArrayNotHasKey('ask', $answer());
        self::assertSame([], $holds());
        $this->send(['pains' => [['level' => 1, 'where' => 'ankle', 'kind' => 'ache']]] + $log('The calf was sore'));
        self::assertArrayNotHasKey('ask', $answer(), 'It was said where and how.');
        $this->send($log('The right knee was sore afterwards'));
        self::assertSame(['words right'], $holds());
        $this->client->request('GET', $answer()['ask']);
        self::assertSelectorTextContains('.own-word', 'The right knee was sore afterwards');
        self::assertSelectorTextContains('.caution', 'record where and how first');
        $this->client->submitForm('Mark as read');
        self::assertSame([], $holds());
    }

    private function change(string $change, ?PracticePlan $plan = null): void
    {
        $plan ??= $this->newest();
        $page = $this->client->request('GET', "$this->home/plans/{$this->newest()->id}");
        $token = $page->filter('[data-change]')->attr('data-token');
        $items = $plan->plan['weeks'][0]['sessions'][0]['items'];
        $at = array_search('work', array_column($items, 'phase'), true);
        $this->client->request('POST', "$this->home/plans/$plan->id/change",
            ['_token' => $token, 'week' => 0, 'session' => 0, 'item' => $at, 'change' => $change]);
        self::assertResponseRedirects();
    }

    private function takeBack(string $direction): void
    {
        $plan = $this->newest();
        $token = $this->client->request('GET', "$this->home/plans/$plan->id")->filter('[data-change]')
            ->attr('data-token');
        $this->client->request('POST', "$this->home/plans/$plan->id/$direction", ['_token' => $token]);
        $this->client->followRedirect();
    }

    /** @param array<string, mixed> $log */
    private function send(array $log, ?string $token = null): int
    {
        $plan = $this->newest();
        if (null === $token) {
            $this->client->request('GET', '/session-token');
            $token = json_decode((string) $this->client->getResponse()->getContent(), true)['token'];
        }
        $this->client->request('POST', "$this->home/plans/$plan->id/log",
            server: ['HTTP_X_TOKEN' => $token, 'CONTENT_TYPE' => 'application/json'],
            content: (string) json_encode($log));

        return $this->client->getResponse()->getStatusCode();
    }
}
