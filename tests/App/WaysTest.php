<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\WaysCompared;
use LucidAscent\App\Entity\WayTried;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Uid\Uuid;

/** Two set-ups of a rung, in turn: said in the session, entered once, and told apart or not. */
final class WaysTest extends AppTestCase
{
    private Practitioner $person;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->person = $this->practitioner($teacher);
        $this->home = "/practitioners/{$this->person->id}";
        $this->client->loginUser($teacher);
    }

    public function testWhatIsWrongIsSaidBesideTheFieldAndNothingIsKept(): void
    {
        foreach ([['rung' => ''], ['rung' => 'no/such'], ['side' => ''], ['first' => ' '], ['measured' => ''],
            ['second' => 'LOW seat '], ['first' => str_repeat('x', 81)]] as $wrong) {
            $this->start($wrong);
            self::assertResponseStatusCodeSame(422);
            self::assertSelectorExists('main form .fault');
        }
        self::assertSame(0, $this->howMany(WaysCompared::class));
        $this->start([]);
        $page = $this->client->request('GET', "$this->home/ways");
        $link = $page->selectLink('Enter a number')->link()->getUri();
        foreach ([['', date('Y-m-d')], ['much', date('Y-m-d')], ['1e9', date('Y-m-d')], ['3', '2099-01-01'],
            ['3', '2020-01-01'], ['3', '']] as [$number, $on]) {
            $this->client->request('GET', $link);
            $this->client->submitForm('Save', ['tried_form[number]' => $number, 'tried_form[triedOn]' => $on]);
            self::assertResponseStatusCodeSame(422);
            self::assertSelectorExists('main form .fault');
        }
        self::assertSame(0, $this->howMany(WayTried::class));
    }

    public function testANumberIsKeptOnceAndTheTurnPasses(): void
    {
        $this->start([]);
        $link = $this->client->request('GET', "$this->home/ways")->selectLink('Enter a number')->link()->getUri();
        $first = $this->client->request('GET', $link)->selectButton('Save')->form(['tried_form[number]' => '12,5']);
        $old = $this->client->request('GET', $link)->selectButton('Save')->form(['tried_form[number]' => '13']);
        $this->client->submit($first);
        $this->client->submit($first);
        self::assertSame(1, $this->howMany(WayTried::class));
        self::assertSame(12.5, $this->em()->getRepository(WayTried::class)->findAll()[0]->number);
        $this->client->submit($old);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main form', 'in another window');
        $this->client->request('GET', "$this->home/ways");
        self::assertSelectorTextContains('main', 'Next: high seat. 9 sessions are left.');
        // One a day: the same day again is refused, also for the other way.
        $this->client->request('GET', $link);
        $this->client->submitForm('Save', ['tried_form[number]' => '14']);
        self::assertSelectorTextContains('main form', 'after the last one');
        $this->client->request('GET', "$this->home/journal");
        self::assertSelectorTextContains('.journal', 'Two ways: low seat; high seat');
        $this->client->request('GET', $link);
        $this->client->submitForm('Stop comparing');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Stopped before enough sessions.');
        $this->client->request('GET', $link);
        self::assertResponseRedirects("$this->home/ways");
    }

    public function testAfterFiveOfEachItIsToldOrNot(): void
    {
        $compared = $this->compared('pigeon', 'wall');
        foreach ([1, 2, 2, 1, 1, 2, 2, 1, 1, 2] as $day => $way) {
            $this->tried($compared, $way, 10.0 + $day % 2 + 4.0 * $way, 20 - $day);
        }
        $this->client->request('GET', "$this->home/ways");
        self::assertSelectorTextContains('main', 'Higher with “high seat”: by');
        self::assertSelectorNotExists('a[href*="/ways/"]');
        $other = $this->compared('pigeon', 'lying');
        foreach ([1, 2, 2, 1, 1, 2, 2, 1, 1, 2] as $day => $way) {
            $this->tried($other, $way, 10.0 + $day % 3, 20 - $day);
        }
        $this->client->request('GET', "$this->home/ways");
        self::assertSelectorTextContains('main', 'No difference that shows');
    }

    public function testTheSessionSaysWhoseTurnItIsAndOpensNothing(): void
    {
        $this->tested($this->person, 12.0, 16.0);
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '2']);
        $item = array_values(array_filter($this->session(), static fn (array $one): bool => 'left' === $one['side']
            && null === $one['drill'] && 'work' === $one['phase']))[0];
        $before = array_column($this->session(), 'rung');
        $this->compared($item['posture'], $item['rung']);
        foreach ($this->session() as $one) {
            $isIt = $one['posture'] === $item['posture'] && $one['rung'] === $item['rung']
                && in_array($one['side'], ['left', 'both'], true) && null === $one['drill'];
            self::assertSame($isIt, str_starts_with($one['position'][0] ?? '', 'Today: low seat.'), $one['rung']);
        }
        self::assertSame($before, array_column($this->session(), 'rung'));
        $this->em()->persist(new PainSaid(Uuid::v7(), $this->managed(), $this->managed()->teacher,
            new \DateTimeImmutable('-1 hour'), new \DateTimeImmutable('today'), Side::Left, 8, PainPlace::Knee,
            PainKind::Sharp, 'told'));
        $this->em()->flush();
        self::assertStringNotContainsString('Today: low seat.', (string) json_encode(array_filter($this->session(),
            static fn (array $one): bool => 'work' === $one['phase'] && 'left' === $one['side'] && !$one['gentle'])));
    }

    public function testAnotherTeacherSeesAndStopsNothing(): void
    {
        $compared = $this->compared('pigeon', 'wall');
        $page = $this->client->request('GET', "$this->home/ways/$compared->id");
        $token = $page->selectButton('Stop comparing')->form()->getPhpValues();
        $this->client->request('POST', "$this->home/ways/$compared->id/stop", ['_token' => 'none']);
        self::assertResponseStatusCodeSame(403);
        $this->client->request('GET', "$this->home/ways/".Uuid::v7());
        self::assertResponseStatusCodeSame(404);
        $this->client->loginUser($this->teacher('other@studio.example'));
        foreach (['ways', "ways/$compared->id"] as $address) {
            $this->client->request('GET', "$this->home/$address");
            self::assertResponseStatusCodeSame(404);
        }
        $this->client->request('POST', "$this->home/ways/$compared->id/stop", $token);
        self::assertResponseStatusCodeSame(404);
        self::assertSame(0, $this->howMany(WayTried::class));
    }

    /** @param array<string, string> $says */
    private function start(array $says): void
    {
        $values = $this->client->request('GET', "$this->home/ways")->selectButton('Start')->form()->getPhpValues();
        $values['ways_form'] = $says + ['rung' => 'pigeon/wall', 'side' => 'left', 'first' => 'low seat',
            'second' => 'high seat', 'measured' => 'Knee height, cm'] + $values['ways_form'];
        $this->client->request('POST', "$this->home/ways", $values);
    }

    private function compared(string $posture, string $rung): WaysCompared
    {
        $compared = new WaysCompared(Uuid::v7(), $this->managed(), $this->managed()->teacher,
            new \DateTimeImmutable('-30 days'), $posture, $rung, Side::Left, 'low seat', 'high seat', 'cm');
        $this->em()->persist($compared);
        $this->em()->flush();

        return $compared;
    }

    private function tried(WaysCompared $compared, int $way, float $number, int $ago): void
    {
        $at = new \DateTimeImmutable("-$ago days");
        $this->em()->persist(new WayTried(Uuid::v7(), $this->managed(), $this->managed()->teacher, $at, $compared->id,
            $way, $number, $at));
        $this->em()->flush();
    }

    private function managed(): Practitioner
    {
        return $this->em()->find(Practitioner::class, $this->person->id) ?? self::fail();
    }

    /** @return list<array<string, mixed>> */
    private function session(): array
    {
        $plan = $this->em()->getRepository(PracticePlan::class)->findAll()[0];
        $page = $this->client->request('GET', "$this->home/plans/$plan->id/sessions/0-0");

        return json_decode((string) $page->filter('[data-session]')->attr('data-session'), true);
    }
}
