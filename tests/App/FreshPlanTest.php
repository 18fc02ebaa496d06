<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Plan\PlanningRequest;
use LucidAscent\App\Plan\RequestCodec;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Planning\MakePlan;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Plan\Today;
use LucidAscent\Core\Readiness\Rules;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Uuid;

/** A plan that is made now strikes out nothing of itself, whoever it is for and in whatever school. */
final class FreshPlanTest extends AppTestCase
{
    private const PEOPLE = 40;

    public function testNothingOfAPlanThatWasJustMadeIsHeldBack(): void
    {
        $catalogue = self::getContainer()->get(Catalogue::class);
        $teacher = $this->teacher();
        $practitioner = $this->practitioner($teacher);
        $make = self::getContainer()->get(MakePlan::class);
        $kept = self::getContainer()->get(StoredPlans::class);
        $targets = array_keys(array_filter($catalogue->all(Kind::Posture),
            static fn (array $posture): bool => $posture['target']));
        $schools = array_keys($catalogue->all(Kind::School));
        $n = $drills = 0;
        $bad = [];
        foreach (MadeUpPeople::of($catalogue, self::PEOPLE) as $who => [$poses]) {
            $wanted = [$targets[$n % count($targets)], $targets[($n * 7 + 3) % count($targets)]];
            $school = $schools[$n % count($schools)];
            $request = new PlanRequest(new \DateTimeImmutable(MadeUpPeople::ON), 4, [2, 6], 45 + 15 * ($n % 4),
                new Equipment(2, 3, true), 0 === $n % 3 ? array_slice(array_keys($catalogue->drills()), 3 * $n % 40, 3)
                : []);
            $asked = new PlanningRequest($request, (string) $school);
            $plan = $make->plan($poses, $wanted, $asked);
            // On paper and back, as its pages have it.
            $record = new PracticePlan(Uuid::v7(), $practitioner, $teacher, new \DateTimeImmutable(), Rules::VERSION,
                RequestCodec::write($asked), json_decode((string) json_encode($kept->write($plan)), true), null, '');
            self::assertEquals($plan, $kept->plan($record), (string) $who);
            foreach ($kept->plan($record)->sessions() as $session) {
                $today = Today::of($session, $poses);
                foreach (array_intersect_key($session->items, $today->out) as $item) {
                    $of = "{$item->rung->posture}/{$item->rung->rung->id} ".($item->drill->id ?? '');
                    $bad[$item->phase->value.' '.$item->key()] ??= "$who $school: $of";
                }
                $drills += count(array_filter($today->session->items, static fn (PlannedItem $item): bool => null
                    !== $item->drill));
            }
            ++$n;
        }
        self::assertSame([], array_values($bad));
        self::assertGreaterThan(10, $drills);
    }

    /**
     * The same through the pages, for the people of the demo: the plan, each of its sessions, and the page for home.
     */
    public function testNoPageOfAPlanThatWasJustMadeStrikesAnythingOut(): void
    {
        $_SERVER['DEMO_PASSWORD'] = 'a demo password';
        self::assertSame(0, (new CommandTester((new Application(self::$kernel))->find('ascent:demo')))->execute([]));
        unset($_SERVER['DEMO_PASSWORD']);
        $this->em()->clear();
        $this->client->loginUser($this->em()->getRepository(Teacher::class)->findOneBy([]) ?? self::fail());
        $sessions = 0;
        foreach (['long-still', 'working-muscle', 'counted-breath'] as $school) {
            foreach ($this->em()->getRepository(Practitioner::class)->findAll() as $practitioner) {
                $home = "/practitioners/$practitioner->id";
                $this->client->request('GET', "$home/plans/new");
                $this->client->submitForm('Make plan', ['plan[school]' => $school, 'plan[weeks]' => '1',
                    'plan[minutes]' => '60']);
                $plan = $this->client->followRedirect();
                self::assertResponseIsSuccessful();
                self::assertCount(0, $plan->filter('.barred'), "$practitioner->name, $school");
                foreach ($plan->filter('a[href*="/sessions/"]')
                    ->each(static fn ($link): string => (string) $link->attr('href')) as $address) {
                    if (1 !== preg_match('~/sessions/\d+-\d$~', $address)) {
                        continue;
                    }
                    $page = $this->client->request('GET', $address);
                    self::assertResponseIsSuccessful();
                    self::assertStringNotContainsString('Left out today', $page->filter('main')->text(),
                        "$practitioner->name, $school, $address");
                    self::assertGreaterThan(2, count((array) json_decode((string) $page->filter('[data-session]')
                        ->attr('data-session'), true)));
                    ++$sessions;
                }
            }
        }
        self::assertGreaterThan(15, $sessions);
    }
}
