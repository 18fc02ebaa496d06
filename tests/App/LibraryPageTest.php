<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Library;
use PHPUnit\Framework\Attributes\DataProvider;

final class LibraryPageTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->client->loginUser($this->teacher());
    }

    public function testEveryEntryHasItsPage(): void
    {
        $folder = new CatalogueFolder((string) realpath(__DIR__.'/../../catalogue'));
        $pages = ['/library', '/library/tests', '/library/schools', '/library/cautions'];
        foreach (['posture' => 'postures', 'test' => 'tests'] as $kind => $path) {
            foreach (array_keys($folder->entries[$kind]) as $id) {
                $pages[] = "/library/$path/$id";
            }
        }
        foreach ($pages as $page) {
            $this->client->request('GET', $page);
            self::assertResponseIsSuccessful($page);
            self::assertStringNotContainsString('component.', (string) $this->client->getCrawler()->filter('main')
                ->text(), "$page has a label without a text");
        }
        $this->client->request('GET', '/library/postures/handstand');
        self::assertResponseStatusCodeSame(404);
    }

    #[DataProvider('searches')]
    public function testTheSearchForgivesSpelling(string $asked, ?string $first): void
    {
        $folder = new CatalogueFolder((string) realpath(__DIR__.'/../../catalogue'));
        self::assertSame($first, Library::search($asked, $folder->entries['posture'])[0] ?? null);
    }

    public static function searches(): iterable
    {
        yield ['pigeon', 'pigeon'];
        yield ['pigoen', 'pigeon'];
        yield ['Padmāsana', 'lotus'];
        yield ['padmasana', 'lotus'];
        yield ['agnistambasana', 'shins-stacked'];
        yield ['GOMUKHASANA', 'cow-face'];
        yield ['cow', 'cow-face'];
        yield ['camell', 'camel'];
        yield ['xyzzyq', null];
    }

    public function testBrowsingNarrowsByComponentAndFamily(): void
    {
        $this->client->request('GET', '/library?component=balance');
        self::assertSelectorTextContains('main', 'Tree');
        self::assertSelectorTextNotContains('.wall', 'Frog');
        $this->client->request('GET', '/library?family=backbend&q=zzzzzz');
        self::assertSelectorTextContains('main', 'Nothing found');
    }

    public function testWhatAPersonCanDoNowIsToldSideBySide(): void
    {
        $teacher = $this->teacher('reach@studio.example');
        $this->client->loginUser($teacher);
        $practitioner = $this->practitioner($teacher);
        $this->tested($practitioner, 9.0, 16.0);
        $this->client->request('GET', "/library?person=$practitioner->id");
        self::assertSelectorTextContains('main', 'Left:');
        self::assertSelectorTextContains('main', 'Soles together');
        self::assertSelectorTextContains('.wall', 'Feet turned to the navel');
        self::assertSelectorTextNotContains('.wall', 'Lying form with the feet');
        self::assertSelectorTextNotContains('main', 'Nothing has been measured');
        $untested = $this->practitioner($teacher, name: 'Somebody New');
        $this->client->request('GET', "/library?person=$untested->id");
        self::assertSelectorTextContains('main', 'Nothing has been measured for this person yet');
        self::assertSelectorExists('[data-stand="half-lotus left lying-figure-four"]', 'the first rung');
        $this->client->loginUser($this->teacher('stranger@studio.example'));
        $this->client->request('GET', "/library?person=$practitioner->id");
        self::assertResponseStatusCodeSame(404);
    }

    public function testAConditionHoldsRungsOnTheSheet(): void
    {
        $this->client->request('GET', '/library/postures/pigeon?condition[]=knee-surgery');
        self::assertSelectorTextContains('main', 'on hold: Knee surgery');
        self::assertSelectorTextContains('.wall li:first-child', 'on hold',
            'lying, and the knee is folded all the same');
        $this->client->request('GET', '/library/postures/legs-up-wall?condition[]=knee-surgery');
        self::assertSelectorTextNotContains('.wall li:first-child', 'on hold');
    }
}
