<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\DBAL\Exception as DatabaseRefuses;
use LucidAscent\App\Audit\Action;
use LucidAscent\App\Audit\AuditChain;
use LucidAscent\App\Audit\AuditedRoutes;
use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\Audit\KeptData;
use LucidAscent\App\Audit\Place;
use LucidAscent\App\Entity\Practitioner;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Uid\Uuid;

/** Who did what with whose record is written down, whole, and by nobody changed. */
final class AuditTest extends AppTestCase
{
    use ClockSensitiveTrait;

    private Practitioner $person;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->person = $this->practitioner($this->teacher());
        $this->tested($this->person, 12.0, 16.0);
        $this->home = "/practitioners/{$this->person->id}";
        $this->client->loginUser($this->person->teacher);
    }

    public function testEveryRouteIsKnown(): void
    {
        $router = self::getContainer()->get('router');
        foreach (array_keys($router->getRouteCollection()->all()) as $route) {
            self::assertTrue(AuditedRoutes::knows((string) $route), "$route shows or keeps nobody knows what of whom.");
        }
        // Whatever has a person in its address is written down, but for what is asked again by the page it belongs to.
        foreach ($router->getRouteCollection()->all() as $name => $route) {
            if (str_starts_with($route->getPath(), '/practitioners/{id}') && ['POST'] !== $route->getMethods()
                && ['PUT'] !== $route->getMethods()) {
                self::assertNotNull(AuditedRoutes::of($name, false), $name);
            }
        }
    }

    public function testWhatIsReadWrittenAndGivenAwayIsWrittenDown(): void
    {
        $this->client->request('GET', $this->home);
        $this->client->request('GET', $this->home);
        $this->client->request('GET', "$this->home/record.json");
        $this->client->request('GET', "$this->home/report");
        $this->client->request('GET', "$this->home/body");
        $this->client->submitForm('Save measurements', ['body_form[stature]' => '12']);
        self::assertResponseStatusCodeSame(422);
        $this->client->submitForm('Save measurements', ['body_form[stature]' => '171']);
        $this->client->request('GET', "$this->home/own");
        $this->client->submitForm('Make four words and a number');
        $this->client->request('GET', '/practitioners/'.Uuid::v7());
        $this->client->request('GET', "$this->home/plans/newest");
        self::assertResponseRedirects();
        $this->client->request('GET', '/library');
        self::assertSame(['read readiness', 'read readiness', 'export record', 'print record', 'read body', 'read body',
            'write body', 'read own-page', 'share own-page'], $this->told());
        $this->client->request('GET', "$this->home/who-saw");
        self::assertSelectorTextContains('main', 'A Teacher: read, readiness, 2 times');
        self::assertSelectorTextContains('main', 'A Teacher: exported, whole record');
        $this->client->request('GET', '/account/audit?action=export');
        self::assertCount(1, $this->client->getCrawler()->filter('tbody tr'));
        self::assertSelectorTextContains('tbody', 'A Person');
        $this->client->request('GET', '/account/audit?before=x&action=nothing');
        self::assertGreaterThan(9, $this->client->getCrawler()->filter('tbody tr')->count());
        self::assertSame([], $this->trail()->verify()[0]);
    }

    public function testWhoSignsInAndOutIsWrittenDown(): void
    {
        $teacher = $this->person->teacher;
        $teacher->changePassword(self::getContainer()->get('security.user_password_hasher')
            ->hashPassword($teacher, 'a long enough password'));
        $this->em()->flush();
        $this->client->getCookieJar()->clear();
        foreach (['a wrong password', 'a long enough password'] as $password) {
            $this->client->request('GET', '/sign-in');
            $this->client->submitForm('Sign in', ['email' => $teacher->email, 'password' => $password]);
        }
        $this->client->followRedirect();
        $this->client->submitForm('Sign out');
        $rows = $this->em()->getConnection()->fetchAllAssociative(
            'SELECT action, what, whom, HEX(session) AS session FROM audit_entry ORDER BY seq');
        self::assertSame(['sign-in account', 'read list', 'sign-out account'], array_map(
            static fn (array $row): string => "$row[action] $row[what]", $rows));
        self::assertSame([null, null, null], array_column($rows, 'whom'));
        self::assertCount(1, array_unique(array_column($rows, 'session')), 'In one browser.');
        self::assertNotNull($rows[0]['session']);
    }

    public function testWhatIsDecidedOtherwiseThanProposedStandsOut(): void
    {
        $decide = function (array $decision): void {
            $this->client->request('GET', "$this->home/ladder/half-lotus/check/left");
            $this->client->submitForm('Save and see what comes next', ['check_form[holdReached]' => '1',
                'check_form[evenBreath]' => '1', 'check_form[pain][level]' => '0']);
            $this->client->followRedirect();
            $this->client->submitForm('Save decision', $decision);
        };
        $decide([]);
        self::assertSame('write ladder', array_slice($this->told(), -1)[0]);
        $decide(['decision_form[step]' => 'step-back', 'decision_form[why]' => 'Looked tired.']);
        self::assertSame('override ladder', array_slice($this->told(), -1)[0]);
    }

    public function testABackupThatIsDueIsSaid(): void
    {
        $this->client->request('GET', '/account');
        self::assertSelectorTextContains('.note.caution', 'There is no backup yet.');
        $made = fn (string $at): int|string => $this->em()->getConnection()->insert('audit_entry', ['seq' => 0,
            'at' => (new \DateTimeImmutable($at))->format('Y-m-d H:i:s.u'), 'actor' => 'console',
            'action' => 'export', 'what' => 'backup', 'previous' => '', 'hash' => '']);
        $made('-3 days');
        $this->client->request('GET', '/account');
        self::assertSelectorTextContains('.note.caution', 'Last backup: ');
        $made('-3 hours');
        $this->client->request('GET', '/account');
        self::assertSame('', implode('|', $this->client->getCrawler()->filter('.note.caution')->extract(['_text'])));
        $this->client->request('GET', '/account/audit');
        self::assertSelectorTextContains('tbody', 'The administrator');
        self::assertSame([], $this->trail()->verify()[0]);
    }

    public function testEachKindOfRecordIsKeptForSomething(): void
    {
        $kinds = array_map(static fn (object $of): string => $of->getName(), $this->em()->getMetadataFactory()
            ->getAllMetadata());
        $known = array_merge(KeptData::OTHERS, ...array_values(KeptData::PURPOSES));
        sort($kinds);
        sort($known);
        self::assertSame($kinds, $known, 'Somebody has to say why it is kept.');
        $this->client->request('GET', '/account/personal-data');
        self::assertCount(count(KeptData::PURPOSES), $this->client->getCrawler()->filter('tbody tr'));
        self::assertSelectorTextContains('main', 'Nobody is ever erased');
    }

    public function testWhoHasNotComeForTwoYearsIsNamedAndErasedByNobody(): void
    {
        self::mockTime('+25 months');
        $this->loginAnew($this->person->teacher);
        $this->client->request('GET', '/account/personal-data');
        self::assertSelectorTextContains('main li code', "erase --teacher=teacher@studio.example {$this->person->id}");
        self::assertSame(1, $this->howMany(Practitioner::class));
        self::mockTime('-4 months');
        $this->client->request('GET', '/account/personal-data');
        self::assertSelectorNotExists('main li code');
    }

    public function testAnotherTeacherIsToldNothingOfIt(): void
    {
        $this->client->request('GET', $this->home);
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', '/account/audit');
        self::assertSelectorTextNotContains('main', 'A Person');
        $this->client->request('GET', "$this->home/who-saw");
        self::assertResponseStatusCodeSame(404);
        self::assertSame(['read readiness'], $this->told(), 'What was refused showed nothing.');
    }

    #[TestWith(["UPDATE audit_entry SET what = 'plan'"])]
    #[TestWith(['DELETE FROM audit_entry'])]
    #[TestWith(['UPDATE audit_head SET seq = 0'])]
    public function testTheApplicationMayChangeNothingOfIt(string $change): void
    {
        $this->client->request('GET', $this->home);
        $this->expectException(DatabaseRefuses::class);
        $this->expectExceptionMessageMatches('/denied/');
        $this->em()->getConnection()->executeStatement($change);
    }

    public function testNobodyChoosesWhatAnEntryFollows(): void
    {
        $connection = $this->em()->getConnection();
        foreach ([1, 2] as $i) {
            $connection->insert('audit_entry', ['seq' => 900 * $i, 'at' => '2026-03-01 10:00:00.000001',
                'actor' => 'teacher', 'action' => 'read', 'what' => 'plan', 'previous' => str_repeat('x', 32),
                'hash' => str_repeat('y', 32)]);
        }
        [$faults, $seal] = $this->trail()->verify();
        self::assertSame([], $faults);
        self::assertSame([[], $seal], $this->trail()->verify($seal));
        self::assertSame(['No entry has that seal: what was written up to it has been written anew.'],
            $this->trail()->verify('1:00ff')[0]);
        self::assertLessThan(900, (int) explode(':', $seal)[0]);
    }

    public function testWhatIsChangedTakenOutOrMovedShows(): void
    {
        foreach (Action::cases() as $action) {
            $this->trail()->write(AuditTrail::TEACHER, $this->person->teacher->id, $action, Place::Plan,
                $this->person->teacher->id, $this->person->id, Uuid::v7());
        }
        $rows = $this->em()->getConnection()->fetchAllAssociative('SELECT * FROM audit_entry ORDER BY seq');
        $first = (int) $rows[0]['seq'];
        self::assertSame([], self::faults($rows));
        foreach (AuditChain::COLUMNS as $column) {
            $changed = $rows;
            $changed[3][$column] = 'at' === $column ? '2020-01-01 00:00:00.000000' : 'other';
            self::assertSame([sprintf('Entry %d has been changed.', $first + 3)], self::faults($changed), $column);
        }
        $without = $rows;
        unset($without[4]);
        self::assertContains(sprintf('Entry %d is missing.', $first + 4), self::faults($without));
        $moved = $rows;
        [$moved[2]['what'], $moved[3]['what'], $moved[2]['hash'], $moved[3]['hash']] = [$rows[3]['what'],
            $rows[2]['what'], $rows[3]['hash'], $rows[2]['hash']];
        self::assertNotSame([], self::faults($moved));
    }

    public function testThePersonSeesItOnTheirOwnPage(): void
    {
        $this->client->request('GET', "$this->home/own");
        $this->client->submitForm('Make four words and a number');
        $words = trim($this->client->getCrawler()->filter('.own-words')->text());
        $this->client->getCookieJar()->clear();
        $this->client->request('GET', '/own/who');
        self::assertResponseRedirects('/own');
        $this->client->request('GET', '/own');
        $this->client->submitForm('Open', ['words' => $words, 'pin' => '246810', 'again' => '246810']);
        $this->client->followRedirect();
        $this->client->clickLink('Who saw my record');
        self::assertSelectorTextContains('main', 'A Teacher: shared, practitioner’s page');
        self::assertSelectorTextContains('main', 'A Person, on their own page: read, practitioner’s page');
        $devices = $this->em()->getConnection()->fetchFirstColumn(
            "SELECT HEX(session) FROM audit_entry WHERE actor = 'practitioner'");
        self::assertCount(1, array_unique($devices));
        self::assertNotNull($devices[0]);
    }

    /** @return list<string> */
    private function told(): array
    {
        return array_map(static fn (array $row): string => "$row[action] $row[what]",
            $this->em()->getConnection()->fetchAllAssociative(
                'SELECT action, what FROM audit_entry WHERE whom = ? ORDER BY seq',
                [$this->person->id->toBinary()]));
    }

    private function trail(): AuditTrail
    {
        return self::getContainer()->get(AuditTrail::class);
    }

    /**
     * @param array<int, array<string, mixed>> $rows
     *
     * @return list<string>
     */
    private static function faults(array $rows): array
    {
        $chain = new AuditChain(((int) $rows[0]['seq']) - 1, $rows[0]['previous']);

        return array_values(array_filter(array_map($chain->follows(...), array_values($rows))));
    }
}
