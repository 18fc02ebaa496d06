<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\DBAL\Connection;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Uuid;

/** What a new day asks for is done before anybody opens a page, once. */
final class NightlyTest extends AppTestCase
{
    private Practitioner $held;
    private Teacher $teacher;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->held = $this->practitioner($this->teacher, name: 'Held');
        $this->painSaid($this->held);
        for ($i = 0; $i < 60; ++$i) {
            $this->practitioner($this->teacher, measured: false, name: "Person $i");
        }
    }

    public function testEverybodyIsWorkedOutOnceADay(): void
    {
        self::assertStringContainsString('1 of 1 teachers, 61 people.', $this->night());
        self::assertStringContainsString('1 of 1 teachers, 0 people.', $this->night());
        $this->em()->clear();
        $held = $this->em()->find(Practitioner::class, $this->held->id) ?? throw new \LogicException();
        $this->painSaid($held);
        self::assertStringContainsString('1 of 1 teachers, 1 people.', $this->night(), 'Something was written of one.');
    }

    public function testWhatIsEndedGoesOnTheNextTime(): void
    {
        self::assertStringContainsString('1 of 1 teachers, 50 people.', $this->night(['--seconds' => '0']));
        self::assertStringContainsString('1 of 1 teachers, 11 people.', $this->night());
    }

    public function testTheFirstPageOfTheDaySaysTheSame(): void
    {
        $this->client->loginUser($this->teacher);
        $before = $this->client->request('GET', '/')->filter('main')->text();
        self::connection()->executeStatement('UPDATE urgency SET place = NULL, level = 0');
        $this->night();
        self::assertSame(61, (int) self::connection()
            ->fetchOne('SELECT COUNT(*) FROM urgency WHERE place IS NOT NULL'));
        self::assertSame($before, $this->client->request('GET', '/')->filter('main')->text());
    }

    public function testWhoHasLeftHasNobody(): void
    {
        $gone = $this->teacher('gone@studio.example', $this->teacher->studio(), Role::Left);
        self::assertStringContainsString('2 of 2 teachers, 61 people.', $this->night());
        self::assertSame(Role::Left, $gone->role());
    }

    public function testWhatHadItsTimeIsForgottenAndNothingElse(): void
    {
        $rows = self::connection();
        foreach ([25 => 1500, 23 => 3] as $hours => $many) {
            $values = array_map(
                static fn (int $i): string => sprintf("(UNHEX('%s'), 1, UTC_TIMESTAMP(6) - INTERVAL %d HOUR)",
                    hash('sha256', "$hours $i"), $hours),
                range(1, $many),
            );
            $rows->executeStatement('INSERT INTO turn VALUES '.implode(', ', $values));
        }
        $rows->executeStatement("INSERT INTO sessions VALUES ('old', '', UNIX_TIMESTAMP() - 5, 0),
            ('new', '', UNIX_TIMESTAMP() + 500, 0)");
        $rows->executeStatement("INSERT INTO lock_keys VALUES ('old', '', UNIX_TIMESTAMP() - 5),
            ('new', '', UNIX_TIMESTAMP() + 500)");
        self::assertStringContainsString('1502 rows that had their time are gone.', $this->night());
        self::assertSame([3, 1, 1], array_map(
            static fn (string $table): int => (int) $rows->fetchOne("SELECT COUNT(*) FROM $table"),
            ['turn', 'sessions', 'lock_keys'],
        ));
    }

    private function painSaid(Practitioner $of): void
    {
        $now = new \DateTimeImmutable();
        $this->em()->persist(new PainSaid(Uuid::v7(), $of, $of->teacher, $now, $now->setTime(0, 0), Side::Left, 5,
            PainPlace::InnerKnee, PainKind::Sharp, 'told', ''));
        $this->em()->flush();
    }

    /** @param array<string, string> $options */
    private function night(array $options = []): string
    {
        $kernel = self::$kernel ?? throw new \LogicException('There is no application.');
        $tester = new CommandTester((new Application($kernel))->find('ascent:nightly'));
        self::assertSame(0, $tester->execute($options));

        return $tester->getDisplay();
    }

    private static function connection(): Connection
    {
        return self::getContainer()->get(Connection::class);
    }
}
