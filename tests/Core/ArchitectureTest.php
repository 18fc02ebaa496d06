<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core;

use LucidAscent\Tests\Architecture\Layers;
use PHPUnit\Framework\TestCase;

/**
 * What keeps the core plain: no clock, no database, no files, no randomness without a seed, no state that one question
 * leaves behind for the next, no entry of the catalogue that is treated apart, and no folder that needs itself.
 */
final class ArchitectureTest extends TestCase
{
    private const FORBIDDEN = [
        '/\bPDO\b|\bmysqli\b/' => 'a database',
        '/new \\\\?DateTime(Immutable)?\s*\(\s*(\)|\'(?!\d))/' => 'the clock',
        '/->modify\(|(?<![\w>:\\\\$])(strtotime|gmdate|idate|mktime|gmmktime|getdate|localtime|date_create\w*)\s*\(/' => 'days in words',
        '/(?<![\w>:\\\\$])(time|microtime|hrtime|date|getenv|file_get_contents|file_put_contents|fopen|curl_init|rand|mt_rand|random_int|uniqid)\s*\(/' => 'a function of the world outside',
        '/\$_(SERVER|GET|POST|ENV|SESSION|COOKIE)\b/' => 'a superglobal',
        '/\b(Symfony|Doctrine|Twig|LucidAscent\\\\App)\\\\/' => 'the application or a framework',
    ];

    /** What is the same for every question, worked out once: nothing that a question brings changes it. */
    private const WORKED_OUT_ONCE = [
        'LegChain/Contact/Contacts.php' => ['abouts'],
        'LegChain/Sensitivity.php' => ['erring', 'beside'],
        'Readiness/Chance.php' => ['random', 'draws'],
    ];
    /** The made-up studio takes named tests of made-up people. */
    private const MAKES_PEOPLE_UP = 'Calibration/';

    public function testTheCoreAsksNothingOfTheWorldOutside(): void
    {
        $files = self::files();
        self::assertGreaterThan(150, count($files));
        foreach ($files as $file => $text) {
            $code = self::code($text);
            foreach (self::FORBIDDEN as $pattern => $what) {
                self::assertDoesNotMatchRegularExpression($pattern, $code, "$file knows $what.");
            }
        }
    }

    public function testNothingIsLeftBehindForTheNextQuestion(): void
    {
        $kept = [];
        foreach (self::files() as $file => $text) {
            preg_match_all('/\bstatic\s+(?:\??[\w\\\\|]+\s+)?\$(\w+)/', self::code($text), $static);
            if ([] !== $static[1]) {
                $kept[$file] = $static[1];
            }
        }
        ksort($kept);
        self::assertSame(self::WORKED_OUT_ONCE, $kept);
    }

    /** An entry that a rule names is a constant with a name of its own, never an id in the middle of a condition. */
    public function testNoEntryIsTreatedApart(): void
    {
        $ids = array_map(static fn (string $path): string => basename($path, '.yaml'),
            glob(__DIR__.'/../../catalogue/{postures,tests,drills,schools}/*.yaml', \GLOB_BRACE) ?: []);
        self::assertGreaterThan(80, count($ids));
        $isEntry = array_flip($ids);
        foreach (self::files() as $file => $text) {
            if (!str_starts_with($file, self::MAKES_PEOPLE_UP)) {
                preg_match_all('/\'([a-z]+(?:-[a-z]+)*)\'/',
                    (string) preg_replace('/^\s*(public|private) const \w+ = [^;]*;/m', '', self::code($text)), $said);
                self::assertSame([], array_values(array_filter($said[1],
                    static fn (string $one): bool => isset($isEntry[$one]))), $file);
            }
        }
    }

    /** A contact is one file: whoever lists several has built a second place for them. */
    public function testNothingElseListsContacts(): void
    {
        $contacts = [];
        foreach (glob(__DIR__.'/../../core/LegChain/Contact/*.php') ?: [] as $path) {
            if (str_contains((string) file_get_contents($path), 'public static function about(): About')) {
                $contacts[] = basename($path, '.php');
            }
        }
        self::assertGreaterThan(18, count($contacts));
        $pattern = '/\\b('.implode('|', $contacts).')\\b/';
        foreach (['core', 'src'] as $root) {
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(__DIR__."/../../$root")) as $file) {
                if ($file->isFile() && !str_contains($file->getPathname(), 'LegChain/Contact/')) {
                    preg_match_all($pattern, (string) preg_replace('~/\*.*?\*/|//[^\n]*|\'[^\'\n]*\'~s', '',
                        (string) file_get_contents($file->getPathname())), $named);
                    self::assertLessThan(3, count(array_unique($named[1])),
                        $file->getFilename().' names '.implode(', ', array_unique($named[1])));
                }
            }
        }
    }

    public function testEveryFolderOfTheApplicationHasItsLayer(): void
    {
        $folders = array_map(basename(...), glob(__DIR__.'/../../src/*', \GLOB_ONLYDIR) ?: []);
        self::assertEqualsCanonicalizing($folders, Layers::ALL);
    }

    public function testNoFolderNeedsItselfByWayOfAnother(): void
    {
        $needs = [];
        foreach (self::files() as $file => $text) {
            $folder = explode('/', $file)[0];
            preg_match_all('/LucidAscent\\\\Core\\\\(\w+)\\\\/', $text, $named);
            foreach ($named[1] as $other) {
                if ($other !== $folder) {
                    $needs[$folder][$other] = true;
                }
            }
        }
        foreach (array_keys($needs) as $folder) {
            $reached = [];
            $open = array_keys($needs[$folder]);
            while ([] !== $open) {
                $one = array_pop($open);
                if (!isset($reached[$one])) {
                    $reached[$one] = true;
                    array_push($open, ...array_keys($needs[$one] ?? []));
                }
            }
            self::assertArrayNotHasKey($folder, $reached, "$folder needs itself.");
        }
    }

    private static function code(string $text): string
    {
        return (string) preg_replace('~/\*.*?\*/|//[^\n]*~s', '', $text);
    }

    /** @return array<string, string> the text of each file of the core, by its path there */
    private static function files(): array
    {
        $root = dirname(__DIR__, 2).'/core/';
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root,
            \FilesystemIterator::SKIP_DOTS)) as $file) {
            $files[substr((string) $file, strlen($root))] = (string) file_get_contents((string) $file);
        }

        return $files;
    }
}
