<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core;

use PHPUnit\Framework\TestCase;

/** What keeps the core plain: no clock, no database, no files, no randomness without a seed, and no folder that needs itself. */
final class ArchitectureTest extends TestCase
{
    private const FORBIDDEN = [
        '/\bPDO\b|\bmysqli\b/' => 'a database',
        '/new \\\\?DateTime(Immutable)?\s*\(\s*\)|new \\\\?DateTime(Immutable)?\s*\(\s*\'(now|today)/' => 'the clock',
        '/(?<![\w>:\\\\$])(time|microtime|hrtime|date|getenv|file_get_contents|file_put_contents|fopen|curl_init|rand|mt_rand|random_int|uniqid)\s*\(/' => 'a function of the world outside',
        '/\$_(SERVER|GET|POST|ENV|SESSION|COOKIE)\b/' => 'a superglobal',
        '/\b(Symfony|Doctrine|Twig|LucidAscent\\\\App)\\\\/' => 'the application or a framework',
    ];

    public function testTheCoreAsksNothingOfTheWorldOutside(): void
    {
        $files = self::files();
        self::assertGreaterThan(150, count($files));
        foreach ($files as $file => $text) {
            $code = preg_replace('~/\*.*?\*/|//[^\n]*~s', '', $text);
            foreach (self::FORBIDDEN as $pattern => $what) {
                self::assertDoesNotMatchRegularExpression($pattern, (string) $code, "$file knows $what.");
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
                    preg_match_all($pattern, (string) preg_replace('~/\*.*?\*/|//[^\n]*|\'[^\'\n]*\'~s', '', (string) file_get_contents($file->getPathname())), $named);
                    self::assertLessThan(3, count(array_unique($named[1])), $file->getFilename().' names '.implode(', ', array_unique($named[1])));
                }
            }
        }
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

    /** @return array<string, string> the text of each file of the core, by its path there */
    private static function files(): array
    {
        $root = dirname(__DIR__, 2).'/core/';
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $files[substr((string) $file, strlen($root))] = (string) file_get_contents((string) $file);
        }

        return $files;
    }
}
