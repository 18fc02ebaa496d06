<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\Today;
use LucidAscent\Core\Readiness\Rules;
use Symfony\Component\Uid\Uuid;

/** First tries of what is for a teacher first wait for a lesson, and are never left to anybody alone. */
final class ForLessonTest extends AppTestCase
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
        $this->tested($this->person, 6.0, 12.0);
        foreach (['shins-stacked' => ['kneeHeight' => 4.0, 'ankleHeight' => 12.0],
            'knee-hug' => ['angle' => 130.0]] as $kind => $trial) {
            foreach (Side::cases() as $side) {
                $test = new Test(Uuid::v7(), Uuid::v7(), $this->person, $teacher, $kind, $side,
                    new \DateTimeImmutable('-1 hour'), 'tape', 0.0, 0, PainPlace::None, PainKind::Ache, [],
                    Rules::VERSION);
                $test->add($trial);
                $test->add($trial);
                $this->em()->persist($test);
            }
        }
        $this->em()->flush();
        $this->em()->persist(new Assessment(Uuid::v7(), $this->person, $teacher, new \DateTimeImmutable('-2 hours'),
            false, ['shins-stacked'], [], [], '', true, 0, PainPlace::None, PainKind::Ache));
        // Passed at home up to the rung that folds the knee under load.
        foreach (['figure-four' => [40, 36, 31], 'floor' => [20, 15, 10]] as $rung => $days) {
            foreach (Side::cases() as $side) {
                foreach ($days as $ago) {
                    $this->checked($rung, $side, $ago, true);
                }
            }
        }
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '2', 'plan[minutes]' => '60']);
    }

    public function testWhatNobodyHasWatchedIsLeftOutAtHomeAndListedForALesson(): void
    {
        $waiting = $this->waiting();
        self::assertNotSame([], $waiting);
        foreach ($waiting as $name) {
            self::assertNotContains($name, $this->atHome(), "$name is left to nobody alone.");
            self::assertContains($name, $this->atHome(false), "$name is done where a teacher is.");
        }
        $crawler = $this->client->request('GET', "$this->home/plans/newest");
        $crawler = $this->client->getResponse()->isRedirect() ? $this->client->followRedirect() : $crawler;
        self::assertStringContainsString('For a lesson first', $crawler->filter('main')->text());

        // Seen once by the teacher, on that side, it may be done at home.
        [$posture, $rung, $side] = explode(' ', $waiting[0]);
        foreach ('both' === $side ? Side::cases() : [Side::from($side)] as $one) {
            $this->em()->persist(new SeenRung(Uuid::v7(), $this->again(), $this->again()->teacher,
                new \DateTimeImmutable(), $posture, $rung, $one, true, [], false, '', 0, PainPlace::None,
                PainKind::Ache));
        }
        $this->em()->flush();
        self::assertNotContains($waiting[0], $this->waiting());
        self::assertContains($waiting[0], $this->atHome());
    }

    /** @return list<string> posture, rung and side of what waits in the newest plan */
    private function waiting(): array
    {
        return $this->items(fn (PlannedItem $item): bool => Today::waitsForLesson($item,
            self::getContainer()->get(ReadPerson::class)->now($this->again())));
    }

    /** @return list<string> what is done of the plan's sessions */
    private function atHome(bool $isAtHome = true): array
    {
        $poses = self::getContainer()->get(ReadPerson::class)->now($this->again());
        $done = [];
        foreach ($this->plan() as $session) {
            foreach (Today::of($session, $poses, $isAtHome)->session->items as $item) {
                $done[] = self::called($item);
            }
        }

        return array_values(array_unique($done));
    }

    /** @return list<string> */
    private function items(callable $which): array
    {
        $found = [];
        foreach ($this->plan() as $session) {
            array_push($found, ...array_map(self::called(...), array_filter($session->items, $which)));
        }

        return array_values(array_unique($found));
    }

    /** @return list<PlannedSession> */
    private function plan(): array
    {
        $plan = $this->em()->getRepository(PracticePlan::class)->findBy([], ['at' => 'DESC'])[0];

        return self::getContainer()->get(StoredPlans::class)->plan($plan)->sessions();
    }

    private static function called(PlannedItem $item): string
    {
        return "{$item->rung->posture} {$item->rung->rung->id} ".($item->side->value ?? 'both');
    }

    private function again(): Practitioner
    {
        return $this->em()->find(Practitioner::class, $this->person->id) ?? self::fail();
    }

    private function checked(string $rung, Side $side, int $ago, bool $isOwn): void
    {
        $on = new \DateTimeImmutable("-$ago days midnight");
        $check = new RungCheck(Uuid::v7(), $this->person, $this->person->teacher, 'shins-stacked', $side, $rung, $on,
            $on, null, true, true, 0, PainPlace::None, PainKind::Ache, [], false, '');
        $this->em()->persist($check);
        $isOwn && $this->em()->persist(new FromPractitioner($check->id, $this->person, $on, FromPractitioner::CHECK));
        $this->em()->flush();
    }
}
