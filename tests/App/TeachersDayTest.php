<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Readiness\Rules;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Uid\Uuid;

/** A day begins and ends where the teacher is, whatever the machine is set to. */
final class TeachersDayTest extends AppTestCase
{
    use ClockSensitiveTrait;

    private Practitioner $practitioner;

    protected function tearDown(): void
    {
        date_default_timezone_set('UTC');
        parent::tearDown();
    }

    private function in(?string $zone, string $now): string
    {
        self::mockTime(new \DateTimeImmutable($now, new \DateTimeZone('UTC')));
        $teacher = $this->teacher();
        if (null !== $zone) {
            $teacher->moveTo($zone);
        }
        $this->practitioner = $this->practitioner($teacher, false);
        $this->em()->persist(new BodyMeasures(Uuid::v7(), $this->practitioner, $teacher,
            new \DateTimeImmutable('2026-11-01 UTC'), 168.0, [], []));
        $this->em()->flush();
        $this->client->loginUser($teacher);

        return "/practitioners/{$this->practitioner->id}";
    }

    /** @param array<string, float> $values */
    private function read(string $kind, string $at, array $values): void
    {
        $entry = Uuid::v7();
        foreach (Side::cases() as $side) {
            $test = new Test(Uuid::v7(), $entry, $this->practitioner, $this->practitioner->teacher, $kind, $side,
                new \DateTimeImmutable($at), 'tape', 0.0, 0, PainPlace::None, PainKind::Ache, [], Rules::VERSION);
            $test->add($values);
            $this->em()->persist($test);
        }
        $this->em()->flush();
    }

    /** @return iterable<string, array{string|null, string}> */
    public static function zones(): iterable
    {
        // At 20:30 UTC on the tenth of December.
        yield 'far in the east' => ['Pacific/Auckland', '2026-12-11'];
        yield 'far in the west' => ['Pacific/Honolulu', '2026-12-10'];
        yield 'nobody said' => [null, '2026-12-10'];
    }

    #[DataProvider('zones')]
    public function testWhatIsPractisedTodayIsOfTheTeachersDay(?string $zone, string $today): void
    {
        $home = $this->in($zone, '2026-12-10 20:30');
        $this->read('soles-together', '2026-12-05 12:00 UTC', ['kneeHeight' => 12.0, 'heelDistance' => 16.0]);
        $page = $this->client->request('GET', "$home/ladder/half-lotus/check/left");
        self::assertSame($today, $page->filter('input[type="date"]')->attr('value'));
        $record = function (string $on) use ($home): void {
            $this->client->request('GET', "$home/ladder/half-lotus/check/left");
            $this->client->submitForm('Save and see what comes next',
                ['check_form[practisedOn]' => $on, 'check_form[holdReached]' => '1', 'check_form[evenBreath]' => '1',
                    'check_form[pain][level]' => '0']);
        };
        $record((new \DateTimeImmutable("$today +1 day"))->format('Y-m-d'));
        self::assertResponseStatusCodeSame(422, 'Tomorrow has not been yet.');
        $record($today);
        self::assertResponseRedirects();
        self::assertSame($today, Day::of($this->em()->getRepository(RungCheck::class)->findAll()[0]->practisedOn));
    }

    /** Taken at 11:30 UTC on the first: the second in Auckland, the first elsewhere. */
    #[TestWith(['Pacific/Auckland', '2027-03-02 10:59', 90])]
    #[TestWith(['Pacific/Auckland', '2027-03-02 11:01', 91])]
    #[TestWith(['Pacific/Honolulu', '2027-03-02 09:59', 90])]
    #[TestWith(['Pacific/Honolulu', '2027-03-02 10:01', 91])]
    #[TestWith(['Europe/Oslo', '2027-03-01 22:59', 90])]
    #[TestWith(['Europe/Oslo', '2027-03-01 23:01', 91])]
    public function testAReadingAgesAtTheTeachersMidnight(string $zone, string $now, int $days): void
    {
        $this->in($zone, $now);
        $this->read('shins-stacked', '2026-12-01 11:30 UTC', ['kneeHeight' => 14.0, 'ankleHeight' => 10.0]);
        $person = self::getContainer()->get(ReadPerson::class)
            ->at($this->practitioner, new \DateTimeImmutable($now, new \DateTimeZone('UTC')))?->person;
        self::assertNotNull($person);
        self::assertSame($days, $person->age($person->taken[0]->on ?? self::fail('No day.')));
        self::assertSame($days <= 90, null !== $person->newest('shins-stacked', Side::Left));
    }

    public function testThePlanBeginsAndTheSessionIsDueOnTheTeachersDay(): void
    {
        $home = $this->in('Pacific/Auckland', '2026-12-10 20:30');
        $this->read('soles-together', '2026-12-05 12:00 UTC', ['kneeHeight' => 12.0, 'heelDistance' => 16.0]);
        $page = $this->client->request('GET', "$home/plans/new");
        self::assertSame('Pacific/Auckland', $page->filter('select[name="plan[zone]"] option[selected]')
            ->attr('value'));
        $form = $page->selectButton('Make plan')->form(['plan[weeks]' => '2']);
        foreach (self::boxes($form, 'plan[days]') as $day) {
            $day->tick();
        }
        $this->client->submit($form);
        $plan = $this->em()->getRepository(PracticePlan::class)->findAll()[0];
        self::assertSame('2026-12-11', $plan->plan['weeks'][0]['sessions'][0]['date']);
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('main', 'Session today');
        $session = $this->client->request('GET', "$home/plans/$plan->id/sessions/0-0");
        self::assertSame('Pacific/Auckland', $session->filter('[data-session]')->attr('data-zone'));
    }

    #[TestWith(['Asia/Tokyo'])]
    #[TestWith(['UTC'])]
    #[TestWith(['America/Los_Angeles'])]
    public function testTriesToSignInAreCountedWhateverTheMachinesZone(string $machine): void
    {
        $clock = self::mockTime(new \DateTimeImmutable('2026-12-10 20:30 UTC'));
        $this->teacher();
        date_default_timezone_set($machine);
        $try = function (string $password): string {
            $this->client->request('GET', '/sign-in');
            $this->client->submitForm('Sign in', ['email' => 'teacher@studio.example', 'password' => $password]);

            return $this->client->getCrawler()->filter('#sign-in-error')->text('');
        };
        for ($i = 0; $i < 5; ++$i) {
            self::assertStringNotContainsString('Too many', $try('wrong'));
        }
        self::assertStringContainsString('Too many', $try(self::PASSWORD));
        $clock->sleep(14 * 60);
        self::assertStringContainsString('Too many', $try(self::PASSWORD));
        $clock->sleep(2 * 60);
        self::assertSame('', $try(self::PASSWORD), 'After a quarter of an hour it goes again.');
    }

    public function testTheMachinesZoneIsNotAsked(): void
    {
        date_default_timezone_set('Asia/Tokyo');
        self::ensureKernelShutdown();
        self::bootKernel();
        self::assertSame('UTC', date_default_timezone_get());
        self::assertSame('00:00', $this->em()->getConnection()
            ->fetchOne("SELECT TIME_FORMAT(TIMEDIFF(NOW(), UTC_TIMESTAMP()), '%H:%i')"));
    }

    /**
     * A clock that was ahead when pain was written down hides nothing, and one that lifts lifts nothing before its
     * time.
     */
    public function testARecordAheadOfTheClockHoldsAndLiftsNothing(): void
    {
        $home = $this->in('Europe/Oslo', '2026-12-10 20:30');
        // A clock that goes on between one look and the next.
        self::mockTime(false);
        $ahead = new \DateTimeImmutable('+3 days');
        $this->read('soles-together', '2026-11-05 12:00 UTC', ['kneeHeight' => 12.0, 'heelDistance' => 16.0]);
        $this->em()->persist(new PainSaid(Uuid::v7(), $this->practitioner, $this->practitioner->teacher, $ahead,
            Day::midnight($ahead), Side::Left, 3, PainPlace::Knee, PainKind::Ache, 'log', '', ''));
        $this->em()->flush();
        $page = $this->client->request('GET', $home);
        self::assertCount(1, $page->filter('.note.caution strong'), 'It holds at once.');
        self::assertSame([], self::getContainer()->get(ReadPerson::class)
            ->at($this->practitioner, new \DateTimeImmutable('2026-11-09 UTC'))?->person->holds->active,
            'A day that is read again knows what was known then.');
    }

    public function testTheZoneIsChosenOnTheAccountPage(): void
    {
        $this->in(null, '2026-12-10 20:30');
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('main', 'Your days are counted in UTC.');
        $this->client->clickLink('Choose your time zone');
        $this->client->submitForm('Save time zone', ['time_zone_form[zone]' => '']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('form[name="time_zone_form"]', 'Choose one from the list.');
        $form = $this->client->getCrawler()->selectButton('Save time zone')->form();
        $this->client->request('POST', '/account', ['time_zone_form' => ['zone' => 'Mars/Base',
            '_token' => $form['time_zone_form[_token]']->getValue()]]);
        self::assertResponseStatusCodeSame(422);
        $this->client->submitForm('Save time zone', ['time_zone_form[zone]' => 'Pacific/Auckland']);
        self::assertResponseRedirects('/');
        $this->client->followRedirect();
        self::assertSelectorTextNotContains('main', 'counted in UTC');
    }
}
