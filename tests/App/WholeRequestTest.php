<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Driver\PDO\Exception as FromDriver;
use Doctrine\DBAL\Exception\ConnectionException;
use Doctrine\DBAL\Exception\ConnectionLost;
use Doctrine\DBAL\Exception\DeadlockException;
use Doctrine\DBAL\Exception\LockWaitTimeoutException;
use LucidAscent\App\Database\Clash;
use LucidAscent\App\Database\SessionWritten;
use LucidAscent\App\Database\WholeRequest;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Security\OneAtATime;
use LucidAscent\App\Security\StoredSession;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/** What a request writes is written once and whole, whoever writes the same at that moment. */
final class WholeRequestTest extends AppTestCase
{
    private Teacher $teacher;
    private Practitioner $person;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->person = $this->practitioner($this->teacher, measured: false);
        $this->client->loginUser($this->teacher);
    }

    protected function tearDown(): void
    {
        Interrupting::$with = [];
        parent::tearDown();
    }

    #[TestWith([1])]
    #[TestWith([3])]
    public function testWhatClashedIsAnsweredAnewAndKeptOnce(int $times): void
    {
        $this->send(array_fill(0, $times, self::deadlock()));
        self::assertResponseRedirects();
        self::assertSame([], Interrupting::$with);
        self::assertSame(1, $this->kept());
        self::assertSame(1, $this->entries('write'));
    }

    public function testWhatClashesOnAndOnIsNotKeptAndSaysSo(): void
    {
        $said = (string) tempnam(sys_get_temp_dir(), 'said');
        $before = ini_set('error_log', $said);
        $this->send(array_fill(0, 4, self::deadlock()));
        ini_set('error_log', (string) $before);
        self::assertStringContainsString('did not answer', (string) file_get_contents($said));
        self::assertStringNotContainsString((string) $this->person->id, (string) file_get_contents($said));
        unlink($said);
        self::$kernel?->boot();
        self::assertResponseStatusCodeSame(503);
        self::assertResponseHeaderSame('Retry-After', '3');
        self::assertStringContainsString('send it again', (string) $this->client->getResponse()->getContent());
        self::assertSame(0, $this->kept());
        self::assertSame(0, $this->entries('write'));
    }

    /** What hurts is heard, whatever fails after that. */
    public function testWhatWasWrittenBeforeAFaultOfOursStays(): void
    {
        $this->send([new \LogicException('A fault of its own.')]);
        self::assertResponseStatusCodeSame(500);
        self::assertSame(1, $this->kept());
    }

    public function testWhatBelongsTogetherAndWasNotAllWrittenIsNot(): void
    {
        $whole = self::getContainer()->get(WholeRequest::class);
        $rows = self::getContainer()->get(Connection::class);
        $row = static fn (string $of): int => (int) $rows->executeStatement('INSERT INTO turn VALUES (?, 1, NOW(6))',
            [hash('sha256', $of, true)]);
        $whole->begin();
        $row('alone');
        $rows->beginTransaction();
        $row('half');
        $whole->end();
        self::assertFalse($rows->isTransactionActive());
        self::assertSame([hash('sha256', 'alone')], $rows->fetchFirstColumn('SELECT LOWER(HEX(subject)) FROM turn'));
    }

    public function testAPageThatClashedIsReadOnce(): void
    {
        Interrupting::$with = [self::deadlock()];
        $this->client->request('GET', "/practitioners/{$this->person->id}");
        self::assertResponseIsSuccessful();
        self::assertSame(1, $this->entries('read'));
    }

    public function testATurnIsPartOfWhatItIsFor(): void
    {
        $this->expectException(\LogicException::class);
        self::getContainer()->get(OneAtATime::class)->hold('nothing');
    }

    public function testWhoeverWaitsTooLongForATurnIsToldSo(): void
    {
        $here = self::getContainer()->get(Connection::class);
        $there = new \PDO(...$this->outside());
        try {
            $there->beginTransaction();
            $there->exec("INSERT INTO turn VALUES (UNHEX('".hash('sha256', 'the same')."'), 1, UTC_TIMESTAMP(6))");
            $here->executeStatement('SET innodb_lock_wait_timeout = 1');
            $here->beginTransaction();
            $this->expectException(ServiceUnavailableHttpException::class);
            self::getContainer()->get(OneAtATime::class)->hold('the same');
        } finally {
            $there->rollBack();
            $here->rollBack();
        }
    }

    public function testASessionThatAnotherRequestHasWrittenIsNotWrittenOver(): void
    {
        [$one, $other] = [$this->session(), $this->session()];
        $one->write('a session', 'first');
        self::assertSame('first', $one->read('a session'));
        self::assertSame('first', $other->read('a session'));
        $other->write('a session', 'of the other');
        $other->write('a session', 'of the other again');
        try {
            $one->write('a session', 'of one');
            self::fail('It was written over.');
        } catch (SessionWritten) {
            self::assertSame('of the other again', $this->session()->read('a session'));
        }
        $third = $this->session();
        self::assertSame('', $third->read('another'));
        $other->write('another', 'begun');
        $this->expectException(SessionWritten::class);
        $third->write('another', 'begun as well');
    }

    public function testASessionEndsWhereItIsEndedAndWhenItIsOld(): void
    {
        $session = $this->session();
        $session->write('ended', 'something');
        $session->write('old', 'something');
        $session->write('new', 'something');
        $session->destroy('ended');
        self::getContainer()->get(Connection::class)
            ->executeStatement("UPDATE sessions SET sess_lifetime = UNIX_TIMESTAMP() - 1 WHERE sess_id = 'old'");
        self::assertSame('', $this->session()->read('ended'));
        self::assertSame('', $this->session()->read('old'));
        $session->close();
        self::assertSame(2, $this->sessions());
        $session->gc(0);
        $session->close();
        self::assertSame(1, $this->sessions());
        self::assertSame('something', $this->session()->read('new'));
    }

    public function testWhatIsNobodysFaultIsKnown(): void
    {
        $said = static fn (int $code): FromDriver => FromDriver::new(self::pdo($code));
        self::assertSame(Clash::OthersWrote, Clash::in(self::deadlock()));
        self::assertSame(Clash::OthersWrote, Clash::in(new \RuntimeException('On a page', 0, self::deadlock())));
        self::assertSame(Clash::OthersWrote, Clash::in(new LockWaitTimeoutException($said(1205), null)));
        self::assertSame(Clash::OthersWrote, Clash::in(new SessionWritten()));
        self::assertSame(Clash::NodeGone, Clash::in(new ConnectionLost($said(2006), null)));
        foreach ([1047, 1053, 2002, 2013] as $gone) {
            self::assertSame(Clash::NodeGone, Clash::in(self::pdo($gone)), (string) $gone);
        }
        foreach ([1062, 1142, 1045, 1064] as $fault) {
            self::assertNull(Clash::in(self::pdo($fault)), (string) $fault);
        }
        self::assertNull(Clash::in(new ConnectionException($said(1142), null)), 'What is refused is refused anew.');
        self::assertSame(Clash::NodeGone, Clash::in(new ConnectionException($said(2002), null)));
        self::assertNull(Clash::in(new \LogicException()));
    }

    /** @param list<\Throwable> $interrupted each time it has been written and is about to be answered */
    private function send(array $interrupted): void
    {
        $this->client->request('GET', "/practitioners/{$this->person->id}/body");
        $form = $this->client->getCrawler()->selectButton('Save measurements')->form(['body_form[stature]' => '171']);
        Interrupting::$with = $interrupted;
        $this->client->submit($form);
    }

    private function kept(): int
    {
        return $this->em()->getRepository(BodyMeasures::class)->count([]);
    }

    private function entries(string $action): int
    {
        return (int) self::getContainer()->get(Connection::class)->fetchOne(
            'SELECT COUNT(*) FROM audit_entry WHERE whom = ? AND action = ?',
            [$this->person->id->toBinary(), $action],
        );
    }

    private function sessions(): int
    {
        return (int) self::getContainer()->get(Connection::class)->fetchOne('SELECT COUNT(*) FROM sessions');
    }

    private function session(): StoredSession
    {
        $session = new StoredSession(self::getContainer()->get(Connection::class));
        $session->open('', 'ascent');

        return $session;
    }

    /** @return array{string, string, string} for a connection of somebody else's */
    private function outside(): array
    {
        $params = self::getContainer()->get(Connection::class)->getParams();

        return [
            sprintf('mysql:host=%s;port=%d;dbname=%s', $params['host'] ?? '', $params['port'] ?? 0,
                self::getContainer()->get(Connection::class)->getDatabase() ?? ''),
            $params['user'] ?? '',
            $params['password'] ?? '',
        ];
    }

    private static function deadlock(): DeadlockException
    {
        return new DeadlockException(FromDriver::new(self::pdo(1213)), null);
    }

    private static function pdo(int $code): \PDOException
    {
        $said = new \PDOException("SQLSTATE[HY000]: $code");
        $said->errorInfo = ['HY000', $code, 'said'];

        return $said;
    }
}
