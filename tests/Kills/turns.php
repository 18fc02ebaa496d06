<?php

declare(strict_types=1);

/*
 * Of two nodes of a database: of two that take the same turn one begins anew; what one holds the other does not get;
 * and whoever reads on one what was written on the other sees it.
 *
 *   php turns.php PORT OTHER-PORT < the application's password
 */
require dirname(__DIR__, 2).'/vendor/autoload.php';

use Doctrine\DBAL\Configuration;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\Exception;
use LucidAscent\App\Database\Clash;
use LucidAscent\App\Database\Connecting;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Lock\Store\DoctrineDbalStore;

$password = trim((string) fgets(\STDIN));
$node = static fn (int $port): Connection => DriverManager::getConnection(
    ['driver' => 'pdo_mysql', 'host' => '127.0.0.1', 'port' => $port, 'dbname' => 'lucid_ascent',
        'user' => 'ascent_app', 'password' => $password, 'serverVersion' => '10.11.0-MariaDB'],
    (new Configuration())->setMiddlewares([new Connecting(true, '')]),
);
[$one, $other] = [$node((int) $argv[1]), $node((int) $argv[2])];
$faults = [];

$clashes = 0;
for ($i = 0; $i < 50; ++$i) {
    $turn = random_bytes(32);
    $both = [$node((int) $argv[1]), $node((int) $argv[2])];
    foreach ($both as $connection) {
        $connection->beginTransaction();
        $connection->executeStatement('INSERT INTO turn VALUES (?, 1, UTC_TIMESTAMP(6)) ON DUPLICATE KEY UPDATE number = number + 1',
            [$turn]);
    }
    foreach ($both as $connection) {
        try {
            $connection->commit();
        } catch (Exception $e) {
            Clash::OthersWrote === Clash::in($e) ? ++$clashes : $faults[] = $e->getMessage();
        }
    }
    $connection = $node((int) $argv[2]);
    if (1 !== (int) $connection->fetchOne('SELECT number FROM turn WHERE subject = ?', [$turn])) {
        $faults[] = 'Two had the same turn.';
    }
    $connection->executeStatement('DELETE FROM turn WHERE subject = ?', [$turn]);
}
if (50 !== $clashes) {
    $faults[] = "Of 50 turns that two took $clashes began anew.";
}

$stale = 0;
for ($i = 0; $i < 500; ++$i) {
    $turn = random_bytes(32);
    $one->executeStatement('INSERT INTO turn VALUES (?, 1, UTC_TIMESTAMP(6))', [$turn]);
    $stale += false === $node((int) $argv[2])->fetchOne('SELECT 1 FROM turn WHERE subject = ?', [$turn]) ? 1 : 0;
    $one->executeStatement('DELETE FROM turn WHERE subject = ?', [$turn]);
}
if (0 !== $stale) {
    $faults[] = "Of 500 that were written on one node $stale were not there on the other.";
}

$locks = array_map(
    static fn (Connection $connection): LockFactory => new LockFactory(new DoctrineDbalStore($connection)),
    [$one, $other],
);
$held = $locks[0]->createLock('of one', 2.0);
if (!$held->acquire() || $locks[1]->createLock('of one', 2.0)->acquire()) {
    $faults[] = 'Two hold the same lock.';
}
sleep(3);
// Whoever held it has died, as far as anybody knows.
if (!$locks[1]->createLock('of one', 2.0)->acquire()) {
    $faults[] = 'What a machine that died has held is held for good.';
}
echo [] === $faults ? "ok\n" : implode("\n", array_unique($faults))."\n";
exit([] === $faults ? 0 : 1);
