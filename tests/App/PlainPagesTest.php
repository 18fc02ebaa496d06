<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Demo\LoadPeople;
use LucidAscent\App\Demo\MadeUpStudio;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\DomCrawler\Crawler;

/** Every page that the demo's people lead to, read for what no reader should meet: keys, places for values, pieces. */
final class PlainPagesTest extends AppTestCase
{
    /** Pages of one kind say the same things: this many of each are read. */
    private const OF_A_KIND = 4;
    private const ODD = [
        'a key' => '/\b[a-z_-]+(?:\.[a-z0-9_-]+)+\b(?!\s*[:@])/',
        'a place for a value' => '/%\w+%|\{\w+|\w\}/',
        'pieces' => '/(?:^|[^.])\.\.(?:$|[^.])|,,| ,|\( | \)/',
    ];

    public function testNoPageShowsAKeyOfTheProgram(): void
    {
        $teacher = $this->teacher();
        $this->demo($teacher);
        $this->client->loginUser($teacher);
        $ahead = ['/'];
        $seen = $kinds = $odd = [];
        while (null !== ($address = array_shift($ahead))) {
            $kind = (string) preg_replace(['/[0-9a-f]{8}-[0-9a-f-]{27}/', '/\d+/', '/\?.*$/',
                '#(?<=/library/)(\w+)/.*#'],
                ['ID', 'N', '', '$1'], $address);
            $kinds[$kind] = ($kinds[$kind] ?? 0) + 1;
            if (isset($seen[$address]) || $kinds[$kind] > self::OF_A_KIND) {
                continue;
            }
            $seen[$address] = true;
            $page = $this->client->request('GET', $address);
            $response = $this->client->getResponse();
            if (!str_starts_with((string) $response->headers->get('Content-Type'), 'text/html')
                || $response->isRedirect()) {
                continue;
            }
            self::assertTrue($response->isSuccessful(), $address.' answers '.$response->getStatusCode());
            foreach ($this->said($page) as $text) {
                foreach (self::ODD as $what => $pattern) {
                    if (1 === preg_match($pattern, $text, $found)) {
                        $odd[$found[0]] ??= "$address: $what in: $text";
                    }
                }
            }
            foreach ($page->filter('a[href^="/"]')->extract(['href']) as $href) {
                $ahead[] = (string) strtok($href, '#');
            }
        }
        self::assertSame([], array_values($odd));
        self::assertGreaterThan(60, count($seen));
    }

    /** @return iterable<string> what is read or spoken of a page, each piece of text for itself */
    private function said(Crawler $page): iterable
    {
        foreach ($page->filterXPath('//title/text() | //body//text()[not(ancestor::script or ancestor::code or ancestor::'.
            'template or ancestor::textarea or ancestor::kbd)]') as $text) {
            $said = trim((string) $text->textContent);
            if ('' !== $said && !str_contains($said, '@')) {
                yield $said;
            }
        }
        foreach (['aria-label', 'title', 'alt', 'placeholder'] as $attribute) {
            yield from $page->filter("[$attribute]")->extract([$attribute]);
        }
    }

    private function demo(Teacher $teacher): void
    {
        self::getContainer()->get(LoadPeople::class)->of($teacher, MadeUpStudio::people());
    }
}
