<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Guide\Guide;
use Symfony\Component\Yaml\Yaml;

final class GuideTest extends AppTestCase
{
    public function testEveryPageHasItsTextsAndFigures(): void
    {
        $this->client->loginUser($this->teacher());
        foreach (['/guide', '/guide/words', '/guide/keys',
            ...array_map(static fn (string $page): string => "/guide/$page", array_keys(Guide::PAGES))] as $page) {
            $crawler = $this->client->request('GET', $page);
            self::assertResponseIsSuccessful($page);
            self::assertSame(0, preg_match('/\b(?:[a-z-]+\.(?:title|lead|\d)|word\.[a-z-]+|keys?\.[a-z]+)\b/',
                $crawler->filter('main')->text(), $found), $page.': '.($found[0] ?? ''));
        }
        foreach (Guide::PAGES as $name => $page) {
            self::assertCount(count($page['figures']), $this->client->request('GET', "/guide/$name")
                ->filter('.guide-figures svg'), $name);
            self::assertCount($page['steps'], $this->client->getCrawler()->filter('.guide-steps li'));
        }
        $this->client->request('GET', '/guide/nothing');
        self::assertResponseStatusCodeSame(404);
    }

    public function testNoTextOfItIsLeftOver(): void
    {
        $expected = [];
        foreach (Guide::PAGES as $name => $page) {
            array_push($expected, "$name.title", "$name.lead",
                ...array_map(static fn (int $i): string => "$name.$i", range(1, $page['steps'])));
        }
        foreach (Guide::KEYS as $place => $keys) {
            array_push($expected, "keys.$place", ...array_map(static fn (string $key): string => "key.$place.$key",
                $keys));
        }
        array_push($expected, 'tour.title', 'tour.lead',
            ...array_map(static fn (string $page): string => "tour.$page", array_keys(Guide::TOUR)),
            ...array_map(static fn (string $word): string => "word.$word", Guide::WORDS));
        self::assertEqualsCanonicalizing($expected, array_keys(Yaml::parseFile(dirname(__DIR__,
            2).'/translations/guide.en.yaml')));
    }

    public function testTheTourFollowsSomebodyThroughSixPages(): void
    {
        $teacher = $this->teacher();
        $this->client->loginUser($teacher);
        $form = $this->client->request('GET', '/guide')->selectButton('Try it with a made-up person')->form();
        $this->client->submit($form);
        $links = $this->client->request('GET', '/guide')->filter('h2 + p + .guide-wall a')->each(
            static fn ($link): string => (string) $link->attr('href'));
        self::assertCount(6, $links);
        foreach ($links as $link) {
            $this->client->request('GET', $link);
            $this->client->getResponse()->isRedirection() && $this->client->followRedirect();
            self::assertResponseIsSuccessful($link);
            self::assertSelectorTextContains('.person-head', '(made up)', $link);
        }
        // Of somebody without a plan there is nothing to follow.
        $other = $this->teacher('other@studio.example');
        $this->practitioner($other);
        $this->client->loginUser($other);
        $this->client->request('GET', '/guide');
        self::assertSelectorTextContains('main', 'The tour needs one person');
    }

    public function testAnEmptyAccountOpensOnTheFirstStepsAndSomebodyMadeUp(): void
    {
        $this->client->loginUser($this->teacher());
        $this->client->request('GET', '/');
        self::assertSelectorCount(4, '.first-steps > li');
        $form = $this->client->getCrawler()->selectButton('Try it with a made-up person')->form();
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', '(made up)');
        self::assertSelectorExists('[data-reading^="half-lotus left"]');
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'No made-up person');
        self::assertSame(1, $this->howMany(Practitioner::class));
        $this->client->request('GET', '/');
        self::assertSelectorNotExists('.first-steps');
    }

    public function testEachStepLeadsToItsPage(): void
    {
        $practitioner = $this->practitioner($this->teacher());
        $this->tested($practitioner);
        $this->client->loginUser($practitioner->teacher);
        foreach (['/body' => 'body', '/tests/frog' => 'test', '/poses/half-lotus' => 'reading', '/clearance' => 'held',
            '/route' => 'route', '/plans/new' => 'plan', '/progress' => 'time'] as $page => $guide) {
            $this->client->request('GET', "/practitioners/$practitioner->id$page");
            self::assertSelectorExists("a[href=\"/guide/$guide\"]", $page);
        }
    }
}
