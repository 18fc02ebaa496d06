<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Kind;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;
use Symfony\Component\Yaml\Yaml;

/** All text that a teacher reads goes through the translator, and every key has its English. */
final class TranslationTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    public function testNoTemplateHoldsBareText(): void
    {
        foreach ($this->files('templates', '*.twig') as $name => $source) {
            // Names of the product, of commands and of units in figures are the same in every language.
            $bare = preg_replace(['/\{#.*?#\}/s', '/\{%.*?%\}/s', '/<code>.*?<\/code>/s', '/\{\{.*?\}\}/s',
                '/<[^>]*>/s', '/&[a-z]+;/'], ' ', $source);
            $bare = str_replace(['Lucid Ascent', 'cm'], '', (string) $bare);
            self::assertSame(0, preg_match('/[A-Za-z]{3,}[^\n]*/', $bare, $found), $name.': '.($found[0] ?? ''));
        }
    }

    public function testEveryKeyOfATemplateHasItsEnglish(): void
    {
        $english = Yaml::parseFile(self::ROOT.'/translations/messages.en.yaml');
        foreach ($this->files('templates', '*.twig') as $name => $source) {
            preg_match_all("/'((?:[^'\\\\]|\\\\.)+)'\\|trans(?!\\(\\{\\}, )/", $source, $keys);
            foreach ($keys[1] as $key) {
                self::assertArrayHasKey(str_replace("\\'", "'", $key), $english, $name);
            }
        }
    }

    public function testEveryKeyOfAScriptHasItsEnglish(): void
    {
        $english = json_decode((string) file_get_contents(self::ROOT.'/translations/script.en.json'), true, 512,
            JSON_THROW_ON_ERROR);
        $found = 0;
        foreach ($this->files('public/assets/js', '*.js') as $name => $source) {
            preg_match_all("/\\bt\\(\\s*'((?:[^'\\\\]|\\\\.)+)'/", $source, $keys);
            foreach ($keys[1] as $key) {
                ++$found;
                self::assertArrayHasKey(str_replace("\\'", "'", $key), $english, $name);
            }
        }
        self::assertGreaterThan(50, $found);
        $shipped = (string) file_get_contents(self::ROOT.'/public/assets/texts/en.js');
        self::assertSame($english, json_decode(substr($shipped, strlen('export default '), -2), true, 512,
            JSON_THROW_ON_ERROR), 'The build lays them beside the scripts.');
    }

    /** A sentence that cannot be formatted would break the page that says it. */
    public function testEverySentenceCanBeFormatted(): void
    {
        $sentences = Yaml::parseFile(self::ROOT.'/translations/reasons+intl-icu.en.yaml');
        self::assertGreaterThan(100, count($sentences));
        foreach ($sentences as $code => $sentence) {
            preg_match_all('/\{(\w+)/', $sentence, $names);
            $numbers = array_fill_keys($names[1], 1.5);
            self::assertNotFalse((new \MessageFormatter('en', $sentence))->format($numbers), $code);
        }
    }

    public function testReasonsOfTheCoreHaveTheirSentence(): void
    {
        $english = Yaml::parseFile(self::ROOT.'/translations/reasons+intl-icu.en.yaml');
        $found = 0;
        foreach ($this->files('core', '*.php') as $name => $source) {
            preg_match_all("/new Reason\\('([a-z.-]+[a-z])'/", $source, $codes);
            foreach ($codes[1] as $code) {
                ++$found;
                self::assertArrayHasKey($code, $english, $name);
            }
        }
        self::assertGreaterThan(25, $found);
    }

    public function testTheCatalogueSpeaksALanguageWhereItsTextsAreThere(): void
    {
        $folder = sys_get_temp_dir().'/catalogue-'.bin2hex(random_bytes(4));
        mkdir("$folder/locale/xx/schools", 0o777, true);
        foreach (['schema', 'tests', 'postures', 'schools', 'cautions'] as $part) {
            symlink((string) realpath(self::ROOT."/catalogue/$part"), "$folder/$part");
        }
        file_put_contents("$folder/locale/xx/schools/long-still.yaml", "name: Lank ok stille\nhow: [Bliv.]\n");
        $spoken = (new CatalogueFolder($folder, 'xx'))->entries[Kind::School->value]['long-still'];
        self::assertSame('Lank ok stille', $spoken['name']);
        self::assertSame(['Bliv.'], $spoken['how']);
        self::assertSame('Gravity and time', $spoken['work'], 'what is not translated stays English');
        self::assertSame('Long and still', (new CatalogueFolder($folder, 'en'))
            ->entries[Kind::School->value]['long-still']['name']);
        file_put_contents("$folder/locale/xx/schools/long-still.yaml", "name: 5\n");
        self::assertNotSame([], (new CatalogueFolder($folder, 'xx'))->faults);
    }

    /** @return iterable<string, string> */
    private function files(string $folder, string $pattern): iterable
    {
        foreach ((new Finder())->files()->in(self::ROOT.'/'.$folder)->name($pattern) as $file) {
            yield $file->getRelativePathname() => $file->getContents();
        }
    }
}
