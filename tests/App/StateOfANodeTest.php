<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\DBAL\Connection;

/**
 * Several machines serve one studio: none of them keeps what another would have to know, and each table and each change
 * of the tables is one that nodes of a database can agree on.
 */
final class StateOfANodeTest extends AppTestCase
{
    /** Writes to the machine it runs on, and why nothing is lost with that machine. */
    private const WRITES = [
        'src/Device/PicturesInFolder.php' => 'where a studio has one machine, or a folder that all have mounted',
        'src/Command/DrawCommand.php' => 'a file that whoever calls it has named',
        'src/Command/CalibrateCommand.php' => 'a file that whoever calls it has named',
        'src/Command/ImportCommand.php' => 'a file that is opened to be read',
        'src/Command/InclinometerCommand.php' => 'the number of a process of this machine',
        'src/Command/PseudoLanguageCommand.php' => 'files of tests',
        'src/Demo/LoadPictures.php' => 'gone once it is kept',
        'src/Exchange/Record/Archive.php' => 'gone once it is sent',
        'src/Exchange/Record/RecordFile.php' => 'gone once it is read',
    ];
    /** In memory that one machine's workers share. */
    private const MEMORY = ['src/Health/Counted.php' => 'what this machine has done'];
    private const TO_FILES = '/\b(file_put_contents|rename|mkdir|rmdir|unlink|touch|tempnam|tmpfile|copy|symlink|'.
        'move_uploaded_file|flock|dumpFile|ftok|sem_get|shm_\w+)\s*\(|\bfopen\((?!\s*.php:)/';
    /** The first that is brought about while those of before are served. */
    private const WHILE_SERVING = 'Version20261225090000';

    public function testWhatIsWrittenOnAMachineIsKnownAndSafeToLose(): void
    {
        $writes = $memory = [];
        foreach (self::sources() as $path => $code) {
            if (1 === preg_match(self::TO_FILES, $code)) {
                $writes[] = $path;
            }
            if (1 === preg_match('/\bapcu_(inc|dec|store|add|cas)\s*\(/', $code)) {
                $memory[] = $path;
            }
        }
        self::assertEqualsCanonicalizing(array_keys(self::WRITES), $writes);
        self::assertEqualsCanonicalizing(array_keys(self::MEMORY), $memory);
    }

    /** They hold on one node alone. */
    public function testNothingRestsOnLocksOfOneNodeOfTheDatabase(): void
    {
        foreach (self::sources() as $path => $code) {
            self::assertDoesNotMatchRegularExpression('/GET_LOCK|LOCK TABLES|LAST_INSERT_ID|lastInsertId/i', $code,
                $path);
        }
    }

    public function testEveryTableHasAPrimaryKeyAndAnEngineThatAgrees(): void
    {
        $tables = self::getContainer()->get(Connection::class)->fetchAllAssociative(
            "SELECT t.TABLE_NAME AS name, t.ENGINE AS engine, (SELECT MAX(c.COLUMN_NAME)
                FROM information_schema.COLUMNS c WHERE c.TABLE_SCHEMA = t.TABLE_SCHEMA
                AND c.TABLE_NAME = t.TABLE_NAME AND c.COLUMN_KEY = 'PRI') AS main
             FROM information_schema.TABLES t
             WHERE t.TABLE_SCHEMA = DATABASE() AND t.TABLE_TYPE = 'BASE TABLE'",
        );
        self::assertGreaterThan(40, count($tables));
        foreach ($tables as $table) {
            self::assertSame('InnoDB', $table['engine'], (string) $table['name']);
            self::assertNotNull($table['main'], (string) $table['name']);
        }
    }

    /** Which row is later is told by a number of its own, or by its moment: numbers of nodes are in no order. */
    public function testNothingIsOrderedByWhatTheDatabaseCountsUp(): void
    {
        $counted = self::getContainer()->get(Connection::class)->fetchFirstColumn(
            "SELECT CONCAT(TABLE_NAME, '.', COLUMN_NAME) FROM information_schema.COLUMNS
             WHERE TABLE_SCHEMA = DATABASE() AND EXTRA LIKE '%auto_increment%' ORDER BY 1",
        );
        self::assertSame(['pin_try.id', 'sign_in_attempt.id', 'trial.id'], $counted);
        foreach (self::sources() as $path => $code) {
            self::assertDoesNotMatchRegularExpression('/MAX\([a-z]\.id\)/', $code, $path);
        }
        $trials = (string) file_get_contents(dirname(__DIR__, 2).'/src/Entity/Test.php');
        self::assertStringContainsString("OrderBy(['ordinal' => 'ASC'])", $trials);
    }

    /** Those of the version before go on with the new tables, and what was ended half way is begun anew. */
    public function testTablesGrowBeforeAnythingIsTakenFromThem(): void
    {
        $known = false;
        foreach (glob(dirname(__DIR__, 2).'/migrations/*.php') ?: [] as $path) {
            if (basename($path, '.php') < self::WHILE_SERVING) {
                continue;
            }
            $known = true;
            $up = explode('function down(', (string) file_get_contents($path))[0];
            preg_match_all('/addSql\(\s*([\'"])(.*?)\1\s*[,)]/s', $up, $found);
            self::assertNotSame([], $found[2], $path);
            foreach ($found[2] as $sql) {
                self::assertDoesNotMatchRegularExpression('/\b(DROP|RENAME|MODIFY|CHANGE|TRUNCATE)\b/', $sql, $path);
                if (1 === preg_match('/^(CREATE|ALTER)\b/', $sql)) {
                    self::assertMatchesRegularExpression('/IF NOT EXISTS|OR REPLACE/', $sql, $path);
                }
            }
        }
        self::assertTrue($known);
    }

    /** @return iterable<string, string> code without comments, by path */
    private static function sources(): iterable
    {
        $root = dirname(__DIR__, 2);
        foreach (['src', 'core'] as $folder) {
            $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("$root/$folder"));
            foreach ($files as $file) {
                if ($file instanceof \SplFileInfo && 'php' === $file->getExtension()) {
                    yield substr($file->getPathname(), strlen($root) + 1) => php_strip_whitespace($file->getPathname());
                }
            }
        }
    }
}
