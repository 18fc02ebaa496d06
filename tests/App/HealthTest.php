<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\Database\Connecting;
use LucidAscent\App\Health\Counted;
use LucidAscent\App\Health\Metrics;
use LucidAscent\App\Health\NodeState;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** What a machine says of itself, and that it says nothing of anybody. */
final class HealthTest extends AppTestCase
{
    private const MIGRATIONS = __DIR__.'/../../migrations';

    public function testAMachineThatCanAnswerSaysSo(): void
    {
        foreach (['/health/live' => 'Alive.', '/health/ready' => 'Ready.'] as $address => $says) {
            $this->client->request('GET', $address);
            self::assertResponseIsSuccessful();
            self::assertSame($says, trim((string) $this->client->getResponse()->getContent()));
        }
    }

    public function testOneWhoseClockIsWrongIsNotReady(): void
    {
        self::assertNull($this->state('now')->fault());
        self::assertNull($this->state('+500 milliseconds')->fault());
        foreach (['+2 seconds', '-2 seconds'] as $apart) {
            self::assertStringContainsString('2.0 s apart', (string) $this->state($apart)->fault());
        }
    }

    public function testOneWhoseTablesAreOfAnEarlierVersionIsNotReady(): void
    {
        $folder = sys_get_temp_dir().'/migrations-'.bin2hex(random_bytes(6));
        mkdir($folder);
        touch("$folder/Version20991231235959.php");
        $state = new NodeState($this->connection(), new NativeClock(), $folder);
        self::assertSame('The tables are of an earlier version.', $state->fault());
        unlink("$folder/Version20991231235959.php");
        rmdir($folder);
    }

    /** Another node of it may take over: so long no machine is taken out for it. */
    public function testADatabaseThatGoesAwayIsGivenAWhile(): void
    {
        apcu_clear_cache();
        $away = $this->away();
        self::assertSame('The database does not answer.', $away->fault());
        self::assertNull($this->state('now')->fault());
        self::assertNull($away->fault());
        apcu_store('counted database', microtime(true) - NodeState::PATIENCE_SECONDS - 1.0);
        self::assertSame('The database does not answer.', $away->fault());
    }

    public function testWhatIsCountedIsOfRoutesAndNobody(): void
    {
        apcu_clear_cache();
        $person = $this->practitioner($this->teacher());
        $this->client->loginUser($person->teacher);
        foreach (['/practitioners/'.$person->id, '/nowhere', '/sign-in', '/sign-in'] as $address) {
            $this->client->request('GET', $address);
        }
        Counted::answered('slow', 503, 12.0);
        Counted::begunAnew('OthersWrote');
        $this->client->request('GET', '/metrics');
        self::assertResponseIsSuccessful();
        self::assertResponseHeaderSame('Content-Type', 'text/plain; version=0.0.4; charset=utf-8');
        $text = (string) $this->client->getResponse()->getContent();
        self::assertStringNotContainsString((string) $person->id, $text);
        self::assertStringNotContainsString($person->name, $text);
        self::assertStringNotContainsString('studio.example', $text);
        foreach (explode("\n", trim($text)) as $line) {
            // The lines of the text format: a comment, or a name, labels and a number.
            self::assertMatchesRegularExpression(
                '/^(# (HELP|TYPE) ascent_\w+ .+|ascent_\w+(\{(\w+="[^"]*",?)+\})? (-?[\d.]+|NaN))$/',
                $line,
            );
        }
        self::assertStringContainsString('ascent_answers_total{route="practitioner",class="2xx"} 1'."\n", $text);
        self::assertStringContainsString('ascent_answers_total{route="sign_in",class="3xx"} 2'."\n", $text);
        self::assertStringContainsString('ascent_answers_total{route="none",class="4xx"} 1'."\n", $text);
        self::assertStringContainsString('ascent_answer_seconds_bucket{route="slow",le="10"} 0'."\n", $text);
        self::assertStringContainsString('ascent_answer_seconds_bucket{route="slow",le="+Inf"} 1'."\n", $text);
        self::assertStringContainsString('ascent_answer_seconds_sum{route="slow"} 12.000000'."\n", $text);
        self::assertStringContainsString('ascent_begun_anew_total{why="OthersWrote"} 1'."\n", $text);
        self::assertStringContainsString("ascent_database_up 1\n", $text);
        self::assertStringContainsString("ascent_backup_age_seconds NaN\n", $text);
        self::assertMatchesRegularExpression('/^ascent_database_threads_connected [1-9]/m', $text);
    }

    public function testWithoutADatabaseTheRestIsSaidAllTheSame(): void
    {
        $connection = DriverManager::getConnection(['driver' => 'pdo_mysql', 'host' => '127.0.0.1', 'port' => 9]);
        $clock = new NativeClock();
        $text = (new Metrics($connection, new NodeState($connection, $clock, self::MIGRATIONS),
            new AuditTrail($connection, $clock), $clock))->text();
        self::assertStringContainsString("ascent_database_up 0\n", $text);
        self::assertStringContainsString('# TYPE ascent_answer_seconds histogram', $text);
    }

    public function testANodeOfSeveralIsAskedOnceItHasEverything(): void
    {
        // On one that is alone the same words are understood, and change nothing.
        $params = array_intersect_key($this->connection()->getParams(),
            ['driver' => 0, 'host' => 0, 'port' => 0, 'user' => 0, 'password' => 0]);
        $configuration = (new \Doctrine\DBAL\Configuration())->setMiddlewares([new Connecting(true, '')]);
        $connection = DriverManager::getConnection($params, $configuration);
        self::assertSame('0', (string) $connection->fetchOne('SELECT @@SESSION.wsrep_sync_wait'));
    }

    private function connection(): Connection
    {
        return self::getContainer()->get(Connection::class);
    }

    private function state(string $now): NodeState
    {
        return new NodeState($this->connection(), new MockClock($now), self::MIGRATIONS);
    }

    private function away(): NodeState
    {
        return new NodeState(
            DriverManager::getConnection(['driver' => 'pdo_mysql', 'host' => '127.0.0.1', 'port' => 9]),
            new NativeClock(),
            self::MIGRATIONS,
        );
    }
}
