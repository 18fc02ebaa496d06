<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Security\PasswordRule;
use PHPUnit\Framework\Attributes\TestWith;
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

    /** What is asked for by a template is there under its id, with a value for each of its placeholders. */
    public function testEveryMessageOfATemplateIsThereWithItsValues(): void
    {
        $english = $this->messages('messages+intl-icu');
        $found = 0;
        foreach ($this->files('templates', '*.twig') as $name => $source) {
            preg_match_all("/'((?:[^'\\\\]|\\\\.)+)'\\)?\\|trans(?!\\((?:\\{[^}]*\\}|numbers), )(\\(\\{)?/", $source, $uses, PREG_SET_ORDER);
            foreach ($uses as $use) {
                if (str_starts_with($use[1], '.')) {
                    // The end of an id of another domain that is put together from codes.
                    continue;
                }
                ++$found;
                self::assertArrayHasKey($use[1], $english, $name);
                $asked = self::placeholders($english[$use[1]]);
                self::assertSame([] !== $asked, isset($use[2]),
                    "$name: $use[1] has values where it has places for them");
            }
        }
        self::assertGreaterThan(500, $found);
    }

    public function testNoMessageIsLeftOver(): void
    {
        $used = '';
        foreach ([['templates', '*.twig'], ['src', '*.php'], ['core', '*.php'], ['config', '*.yaml']] as [$folder,
            $pattern]) {
            $used .= implode('', iterator_to_array($this->files($folder, $pattern)));
        }
        foreach (array_keys($this->messages('messages+intl-icu')) as $id) {
            self::assertTrue(str_contains($used, "'$id'") || $this->isOfASide($id, $used), "$id is used nowhere");
        }
        $scripts = implode('', iterator_to_array($this->files('public/assets/js', '*.js')));
        foreach (array_keys($this->scriptTexts()) as $id) {
            self::assertStringContainsString("'$id'", $scripts, "$id is used by no script");
        }
    }

    public function testEveryTextOfAScriptIsThere(): void
    {
        $english = $this->scriptTexts();
        $found = 0;
        foreach ($this->files('public/assets/js', '*.js') as $name => $source) {
            preg_match_all("/\\bt\\(\\s*'([^']+)'(,?)/", $source, $uses, PREG_SET_ORDER);
            foreach ($uses as $use) {
                ++$found;
                self::assertArrayHasKey($use[1], $english, $name);
                self::assertSame([] !== self::placeholders($english[$use[1]]), '' !== $use[2], "$name: $use[1]");
            }
        }
        self::assertGreaterThan(100, $found);
        $shipped = (string) file_get_contents(self::ROOT.'/public/assets/texts/en.js');
        self::assertSame($english, json_decode(substr($shipped, strlen('export default '), -2), true, 512,
            JSON_THROW_ON_ERROR), 'The build lays them beside the scripts.');
    }

    /** Whole sentences: nothing that waits for another piece before it or after it. */
    #[TestWith(['messages+intl-icu'])]
    #[TestWith(['labels+intl-icu'])]
    #[TestWith(['reasons+intl-icu'])]
    #[TestWith(['guide'])]
    #[TestWith(['script'])]
    public function testNoTextIsAPieceOfAnother(string $domain): void
    {
        $texts = 'script' === $domain ? $this->scriptTexts() : $this->messages($domain);
        foreach ($texts as $id => $text) {
            self::assertSame(trim($text), $text, "$id begins or ends with a blank");
            self::assertDoesNotMatchRegularExpression('/^[,;.:)]|[,;(]$/u', $text, "$id is a piece");
            self::assertMatchesRegularExpression('/^[a-zA-Z][\w.?-]*$/', $id, 'ids are short, and no sentences');
            self::assertDoesNotMatchRegularExpression('/%\w+%/', $text, "$id has placeholders of another kind");
        }
    }

    /** Words that nobody says aloud on a mat. */
    public function testTheTextsArePlain(): void
    {
        $odd = '/\b(is to be|are to be|whatever|so as to|under your eye|lets be|foretold|reckoned|in a word|whoever|'.
            'read (?:it |one )?in|taken anew|nobody can tell|so far as|the noise|keystone|frontier|limiter)\b/i';
        foreach (['messages+intl-icu', 'labels+intl-icu', 'reasons+intl-icu', 'guide'] as $domain) {
            foreach ($this->messages($domain) as $id => $text) {
                self::assertDoesNotMatchRegularExpression($odd, $text, $id);
            }
        }
        foreach ($this->scriptTexts() as $id => $text) {
            self::assertDoesNotMatchRegularExpression($odd, $text, $id);
        }
        foreach ($this->files('catalogue', '*.yaml') as $name => $source) {
            self::assertDoesNotMatchRegularExpression($odd, $source, $name);
        }
    }

    public function testTheGlossaryOnPaperIsThatOfTheGuide(): void
    {
        $paper = (string) file_get_contents(self::ROOT.'/docs/glossary.md');
        $labels = $this->messages('labels+intl-icu');
        foreach ($this->messages('guide') as $id => $text) {
            if (str_starts_with($id, 'word.')) {
                self::assertStringContainsString('| '.$labels['words.'.substr($id, 5)]." | $text |", $paper);
            }
        }
    }

    public function testLimitsOfAPasswordAreThoseOfTheRule(): void
    {
        $english = $this->messages('messages+intl-icu');
        $limits = [
            'short' => PasswordRule::SHORTEST,
            'help' => PasswordRule::SHORTEST,
            'long' => PasswordRule::LONGEST,
        ];
        foreach ($limits as $id => $limit) {
            self::assertStringContainsString(" $limit ", $english["account.password.$id"]);
        }
    }

    /** A sentence that cannot be formatted would break the page that says it: each with numbers, and with words. */
    #[TestWith(['messages+intl-icu'])]
    #[TestWith(['labels+intl-icu'])]
    #[TestWith(['reasons+intl-icu'])]
    public function testEverySentenceCanBeFormatted(string $domain): void
    {
        $sentences = $this->messages($domain);
        self::assertGreaterThan(100, count($sentences));
        foreach ($sentences as $id => $sentence) {
            $numbers = array_fill_keys(self::placeholders($sentence), 1.5);
            self::assertNotFalse((new \MessageFormatter('en', $sentence))->format($numbers), $id);
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

    /** @return array<string, string> every text of a domain by its id */
    private function messages(string $domain): array
    {
        $flat = [];
        $walk = static function (array $texts, string $before) use (&$walk, &$flat): void {
            foreach ($texts as $key => $text) {
                is_array($text) ? $walk($text, "$before$key.") : ($flat["$before$key"] = (string) $text);
            }
        };
        $walk(Yaml::parseFile(self::ROOT."/translations/$domain.en.yaml"), '');

        return $flat;
    }

    /** @return array<string, string> */
    private function scriptTexts(): array
    {
        return json_decode((string) file_get_contents(self::ROOT.'/translations/script.en.json'), true, 512,
            JSON_THROW_ON_ERROR);
    }

    /** @return list<string> what a text has places for, in the branches of its choices as well */
    private static function placeholders(string $text): array
    {
        $braced = '(\{(?:[^{}]|(?1))*\})';
        preg_match_all("/$braced/", $text, $all);
        $names = [];
        foreach ($all[1] as $one) {
            preg_match('/^\{(\w+)(?:, *(select|plural),(.*))?/s', $one, $parts);
            $names[] = $parts[1] ?? '';
            if (isset($parts[3])) {
                preg_match_all("/$braced/", substr($parts[3], 0, -1), $branches);
                foreach ($branches[1] as $branch) {
                    array_push($names, ...self::placeholders(substr($branch, 1, -1)));
                }
            }
        }

        return array_values(array_unique(array_filter($names)));
    }

    /** One of a pair that is asked for by its side. */
    private function isOfASide(string $id, string $used): bool
    {
        return 1 === preg_match('/^(.+)\.(left|right)$/', $id, $parts) && str_contains($used, "$parts[1].\$side");
    }

    /** @return iterable<string, string> */
    private function files(string $folder, string $pattern): iterable
    {
        foreach ((new Finder())->files()->in(self::ROOT.'/'.$folder)->name($pattern) as $file) {
            yield $file->getRelativePathname() => $file->getContents();
        }
    }
}
