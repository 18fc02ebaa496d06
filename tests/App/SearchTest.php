<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

/** One search for people, postures, tests and pages. */
final class SearchTest extends AppTestCase
{
    public function testItFindsPeoplePosturesTestsAndPagesByAnyPartOfTheirNames(): void
    {
        $teacher = $this->teacher();
        $this->practitioner($teacher, name: 'Åsa Lotusdal');
        $this->client->loginUser($teacher);
        foreach ([
            'asa lotusdal' => null, 'ARDHA padmasana' => 'Half lotus', 'lotus' => 'Lotus', 'shins' => 'Shins stacked',
            'class' => 'Classes',
        ] as $text => $name) {
            $this->client->request('GET', '/search?q='.urlencode((string) $text));
            if (null === $name || $this->client->getResponse()->isRedirection()) {
                // The only one there is is opened at once.
                $this->client->followRedirect();
                self::assertSelectorTextContains('main', $name ?? 'Åsa Lotusdal');
                continue;
            }
            self::assertSelectorTextContains('main section', $name, (string) $text);
        }
        $page = $this->client->request('GET', '/search?q=lotus');
        self::assertSame(['People', 'Postures', 'Tests'], $page->filter('main h2')
            ->each(static fn ($title): string => $title->text()));
        self::assertSame('Lotus', $page->filter('#found-postures + ul strong')->first()->text(),
            'First what begins so.');
        self::assertSelectorExists('.wall svg.figure');
    }

    public function testNothingIsFoundOfAnothersPeopleNorOfNothing(): void
    {
        $this->practitioner($this->teacher(), name: 'Åsa Lotusdal');
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', '/search?q=lotusdal');
        self::assertSelectorTextContains('[role=status] + *, main', 'Nothing is called “lotusdal”.');
        foreach (['', '%20', '%00%FF', '%3Cscript%3E', str_repeat('a', 4000)] as $text) {
            $this->client->request('GET', "/search?q=$text");
            self::assertResponseIsSuccessful();
            self::assertSelectorNotExists('main section');
            self::assertSelectorNotExists('main script');
        }
        $this->client->request('GET', '/search?q[]=a');
        self::assertLessThan(500, $this->client->getResponse()->getStatusCode());
        $this->client->restart();
        $this->client->request('GET', '/search?q=lotus');
        self::assertResponseRedirects();
    }
}
