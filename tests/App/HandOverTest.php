<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Uid\Uuid;

/** What leaves with a person and what comes in with one, by the pages. */
final class HandOverTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->practitioner = $this->practitioner($this->teacher());
        $this->tested($this->practitioner, 12.0, 16.0);
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($this->practitioner->teacher);
    }

    public function testThePersonsPageLeadsToWhatCanBeHandedOver(): void
    {
        $this->client->request('GET', $this->home);
        $this->client->clickLink('Share');
        self::assertResponseIsSuccessful();
        foreach (['json' => 'application/json', 'csv' => 'text/csv', 'zip' => 'application/zip'] as $format => $type) {
            $this->client->request('GET', "$this->home/record.$format");
            self::assertResponseIsSuccessful();
            $headers = $this->client->getResponse()->headers;
            self::assertStringStartsWith($type, (string) $headers->get('Content-Type'));
            self::assertMatchesRegularExpression('/^attachment; filename=record-\d{4}-\d\d-\d\d\.'.$format.'$/',
                (string) $headers->get('Content-Disposition'), 'No name of anybody.');
            self::assertStringContainsString('no-store', (string) $headers->get('Cache-Control'));
        }
        $this->client->request('GET', "$this->home/record.exe");
        self::assertResponseStatusCodeSame(404);
    }

    public function testNothingOfItIsThereForAnotherTeacher(): void
    {
        $this->client->loginUser($this->teacher('other@studio.example'));
        foreach (['/hand-over', '/record.json', '/record.csv', '/record.zip', '/report', '/referral',
            '/table'] as $page) {
            $this->client->request('GET', $this->home.$page);
            self::assertResponseStatusCodeSame(404, $page);
        }
    }

    public function testARecordIsReadByAnotherTeacher(): void
    {
        $this->client->request('GET', "$this->home/record.json");
        $file = $this->file((string) $this->client->getResponse()->getContent(), 'json');
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', '/');
        $this->client->clickLink('Import');
        $people = $this->howMany(Practitioner::class);
        $this->client->submitForm('Import', ['record_form[file]' => $file, 'record_form[tried]' => true]);
        self::assertSelectorTextContains('.note', 'This would add 4. 0 are here already.');
        self::assertSame($people, $this->howMany(Practitioner::class));
        $this->client->submitForm('Import', ['record_form[file]' => $file, 'record_form[tried]' => false]);
        self::assertSelectorTextContains('.note', 'Added: 4. Here already: 0.');
        $this->client->clickLink('Go to the person');
        self::assertSelectorTextContains('h1', 'A Person');
        $this->client->request('GET', '/records/read');
        $this->client->submitForm('Import', ['record_form[file]' => $file]);
        self::assertSelectorTextContains('.note', 'Added: 0. Here already: 4.');
    }

    public function testWhatIsInNoCatalogueHereIsKeptAndSaid(): void
    {
        $this->client->request('GET', "$this->home/record.json");
        $record = json_decode((string) $this->client->getResponse()->getContent(), true);
        $this->client->loginUser($this->teacher('other@studio.example'));
        $read = function (array $record): string {
            $this->client->request('GET', '/records/read');
            $this->client->submitForm('Import', ['record_form[file]' => $this->file((string) json_encode($record),
                'json')]);

            return $this->client->getCrawler()->filter('main')->text();
        };
        self::assertStringNotContainsString('Your library does not have', $read($record));
        foreach ($record['tests'] as $i => $test) {
            $record['tests'][$i] = ['id' => (string) Uuid::v7(), 'entryId' => (string) Uuid::v7(),
                'kind' => 'a-test-of-mine'] + $test;
        }
        $said = $read($record);
        self::assertStringContainsString('does not have: a-test-of-mine. ', $said);
        self::assertStringContainsString(sprintf('Added: %d.', count($record['tests'])), $said);
        $this->client->clickLink('Go to the person');
        self::assertResponseIsSuccessful();
    }

    #[TestWith(['{"format":"ascent-record","version":7}', '/version 7/'])]
    #[TestWith(['not json at all', '/no record/'])]
    #[TestWith(['', '/file/i'])]
    public function testWhatIsNoRecordIsSaidBesideTheField(string $content, string $said): void
    {
        $people = $this->howMany(Practitioner::class);
        $this->client->request('GET', '/records/read');
        $this->client->submitForm('Import', ['record_form[file]' => $this->file($content, 'json')]);
        self::assertResponseStatusCodeSame(422);
        self::assertMatchesRegularExpression($said, (string) $this->client->getCrawler()
            ->filter('form[name="record_form"]')->text());
        self::assertSame($people, $this->howMany(Practitioner::class));
        $this->client->submitForm('Import', []);
        self::assertResponseStatusCodeSame(422);
    }

    public function testAnArchiveBringsItsPictures(): void
    {
        $picture = new StoredPicture(Uuid::v7(), $this->practitioner, $this->practitioner->teacher,
            new \DateTimeImmutable('-1 day'), 'soles-together', 200, 150);
        $this->em()->persist($picture);
        $this->em()->flush();
        $drawn = imagecreatetruecolor(200, 150);
        self::assertNotFalse($drawn);
        $source = (string) tempnam(sys_get_temp_dir(), 'picture');
        imagejpeg($drawn, $source);
        $store = self::getContainer()->get(PictureStore::class);
        $store->keep($picture->id, $source);
        $this->client->request('GET', "$this->home/record.zip");
        $bytes = (string) $this->client->getResponse()->getContent();
        self::assertStringStartsWith('PK', $bytes);
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', '/records/read');
        $this->client->submitForm('Import', ['record_form[file]' => $this->file($bytes, 'zip')]);
        self::assertSelectorTextContains('.note', 'Added: 5.');
        $pictures = $this->em()->getRepository(StoredPicture::class)->findAll();
        self::assertCount(2, $pictures);
        foreach ($pictures as $one) {
            self::assertTrue($store->has($one->id));
            $store->remove($one->id);
        }
        @unlink($source);
    }

    public function testTheReportSaysWhatHoldsAndTheNextStep(): void
    {
        $crawler = $this->client->request('GET', "$this->home/report");
        self::assertSelectorTextContains('h1', 'A Person');
        self::assertSelectorTextContains('.report', 'Half lotus');
        self::assertGreaterThan(2, $crawler->filter('.report svg.figure')->count());
        self::assertSelectorNotExists('.report .caution');
        $this->hurt();
        $this->client->request('GET', "$this->home/report");
        self::assertSelectorTextContains('.report .caution', 'left');
        self::assertSelectorTextContains('.report', 'On hold');
        $note = $this->client->request('GET', "$this->home/referral")->filter('.report')->text();
        self::assertStringContainsString('Pain 3 of 10, in or around the knee', $note);
        self::assertStringContainsString('Pain in or around a knee left side, since', $note);
        self::assertMatchesRegularExpression('/External rotation\s*≥ [\d.]+° ±/', $note);
        self::assertDoesNotMatchRegularExpression('/injur|tear|diagnosed/i', $note);
    }

    public function testASheetForHomeHasNothingThatIsHeld(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
        $crawler = $this->client->followRedirect();
        $sheet = (string) $crawler->filter('a[href$="/sheet"]')->first()->attr('href');
        $before = $this->client->request('GET', $sheet)->filter('.home-items > li');
        self::assertGreaterThan(3, $before->count());
        self::assertSelectorTextContains('.home-sheet .caution', 'Stop when a knee hurts');
        $this->hurt();
        $left = static fn ($items): int => $items->reduce(static fn ($item): bool => str_contains($item->text(),
            'Left'))->count();
        $after = $this->client->request('GET', $sheet)->filter('.home-items > li');
        self::assertLessThan($left($before), $left($after));
        $this->client->request('GET', str_replace('0-0', '0-9', $sheet));
        self::assertResponseStatusCodeSame(404);
    }

    public function testEveryTestHasASheetToWriteOn(): void
    {
        $crawler = $this->client->request('GET', '/sheets/recording');
        self::assertGreaterThan(20, $crawler->filter('.recording')->count());
        self::assertCount($crawler->filter('.recording')->count(), $crawler->filter('.recording .ruled'));
        self::assertSelectorTextContains('.recording .lines', 'Who');
    }

    public function testATableOfReadingsIsMappedAndItsFaultyLinesAreShown(): void
    {
        $csv = "Date;Test;Side;Knee up;Groin to heels;Pain\r\n2026-01-05;soles-together;left;14,5;20;0\r\n2026-01-05;soles-together;left;14;20;0\r\n2026-01-05;soles-together;right;15;20;0\r\nyesterday;soles-together;left;14;20;\r\n2026-01-05;handstand;left;14;20;\r\n2026-01-06;soles-together;left;high;20;4\r\n";
        $this->client->request('GET', "$this->home/table");
        $this->client->submitForm('Check file', ['file' => $this->file($csv, 'csv')]);
        self::assertSelectorTextContains('.note', '0 would be added',
            'Two columns have names that nobody knows.');
        $this->client->submitForm('Check again', ['meaning[3]' => 'kneeHeight', 'meaning[4]' => 'heelDistance']);
        self::assertSelectorTextContains('.note', '2 would be added, 3 cannot be read');
        self::assertSame(['5', '6', '7'], $this->client->getCrawler()->filter('tbody th')
            ->each(static fn ($th): string => $th->text()));
        self::assertSame(2, $this->howMany(Test::class), 'So far it was looked at.');
        $this->client->submitForm('Import readable lines', ['meaning[3]' => 'kneeHeight',
            'meaning[4]' => 'heelDistance']);
        self::assertSame(4, $this->howMany(Test::class));
        $this->em()->clear();
        $tests = array_filter($this->em()->getRepository(Test::class)->findAll(),
            static fn (Test $test): bool => '2026-01-05' === $test->at->format('Y-m-d') && Side::Left === $test->side);
        self::assertSame([14.5, 14.0], array_map(static fn ($trial): float => (float) $trial->readings['kneeHeight'],
            array_values($tests)[0]->trials()));
        self::assertCount(1, self::getContainer()->get(ReadPerson::class)
            ->holds($this->em()->find(Practitioner::class, $this->practitioner->id) ?? throw new \LogicException())
            ->active, 'The pain of a line that cannot be read holds.');
        $this->client->request('GET', "$this->home/table");
        $this->client->submitForm('Check file', ['file' => $this->file($csv, 'csv')]);
        $this->client->submitForm('Import readable lines', ['meaning[3]' => 'kneeHeight',
            'meaning[4]' => 'heelDistance']);
        self::assertSame(4, $this->howMany(Test::class), 'Read twice, it adds nothing.');
    }

    /** Two lines of one test or check, and a line of what is on record already: the worse is heard. */
    public function testNoLineOfATableHidesThePainOfAnother(): void
    {
        $read = function (string $lines): void {
            $this->client->request('GET', "$this->home/table");
            $this->client->submitForm('Check file', ['file' => $this->file($lines, 'csv')]);
            $this->client->submitForm('Import readable lines');
        };
        $said = fn (): array => array_map(
            static fn (Hold $hold): string => $hold->entry instanceof PainTold
                ? $hold->entry->pain->level.' '.$hold->entry->pain->place->value : '',
            self::getContainer()->get(ReadPerson::class)
                ->holds($this->em()->find(Practitioner::class, $this->practitioner->id) ?? throw new \LogicException())
                ->active,
        );
        $test = "Date,Test,Side,kneeHeight,heelDistance,Pain,Pain place\r\n";
        $read($test."2026-01-05,soles-together,left,14,20,0,\r\n2026-01-05,soles-together,left,14,20,3,knee\r\n"
            ."2026-01-05,soles-together,left,14,20,2,groin\r\n2026-01-05,soles-together,left,300,20,0,\r\n");
        self::assertSelectorTextContains('tbody', 'no leg of this length');
        self::assertEqualsCanonicalizing(['3 knee', '2 groin'], $said());
        $check = "Date,Posture,Rung,Side,Hold reached,Even breath,Pain,Pain place\r\n";
        $read($check."2026-01-06,half-lotus,lying-figure-four,right,no,yes,5,outer hip\r\n"
            ."2026-01-06,half-lotus,lying-figure-four,right,yes,yes,0,\r\n");
        self::assertEqualsCanonicalizing(['3 knee', '2 groin', '5 outer-hip'], $said());
        $kept = $this->em()->getRepository(RungCheck::class)
            ->findOneBy(['practisedOn' => new \DateTimeImmutable('2026-01-06')]);
        self::assertFalse($kept?->holdReached);
        $read("Id,{$check}$kept->id,2026-01-06,half-lotus,lying-figure-four,right,no,yes,4,neck\r\n");
        self::assertEqualsCanonicalizing(['3 knee', '2 groin', '5 outer-hip', '4 neck'], $said());
        self::assertResponseIsSuccessful();
        $this->client->request('GET', $this->home);
        self::assertResponseIsSuccessful();
    }

    public function testOurOwnTableIsReadByAnotherPersonOfTheSameNumbers(): void
    {
        $this->client->request('GET', "$this->home/record.csv");
        $csv = (string) $this->client->getResponse()->getContent();
        $this->client->request('GET', "$this->home/table");
        $this->client->submitForm('Check file', ['file' => $this->file($csv, 'csv')]);
        self::assertSelectorTextContains('.note', '0 would be added, 0 cannot be read',
            'All of it is here.');
        $other = $this->practitioner($this->em()->find(Teacher::class, $this->practitioner->teacher->id)
            ?? throw new \LogicException(), name: 'Another');
        $this->client->request('GET', "/practitioners/$other->id/table");
        $this->client->submitForm('Check file', ['file' => $this->file($csv, 'csv')]);
        $this->client->submitForm('Import readable lines');
        self::assertResponseRedirects();
        $numbers = static fn (string $table): array => array_map(
            static fn (string $line): array => array_slice(str_getcsv($line, ',', '"', ''), 2),
            array_filter(explode("\r\n", $table)),
        );
        $this->client->request('GET', "/practitioners/$other->id/record.csv");
        self::assertEqualsCanonicalizing($numbers($csv), $numbers((string) $this->client->getResponse()->getContent()));
    }

    #[TestWith(['', 'no table'])]
    #[TestWith(["one column\r\n1\r\n", 'no table'])]
    #[TestWith(["a,b\r\n\xff,1\r\n", 'no table'])]
    public function testWhatIsNoTableIsSaid(string $content, string $said): void
    {
        $this->client->request('GET', "$this->home/table");
        $this->client->submitForm('Check file', ['file' => $this->file($content, 'csv')]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', $said);
    }

    private function hurt(): void
    {
        $practitioner = $this->em()->find(Practitioner::class, $this->practitioner->id) ?? throw new \LogicException();
        $at = new \DateTimeImmutable('-1 minute');
        $this->em()->persist(new PainSaid(Uuid::v7(), $practitioner, $practitioner->teacher, $at, $at->setTime(0, 0),
            Side::Left, 3, PainPlace::Knee, PainKind::Ache, 'said'));
        $this->em()->flush();
    }

    private function file(string $content, string $end): string
    {
        $path = sys_get_temp_dir().'/handed-over-'.bin2hex(random_bytes(4)).".$end";
        file_put_contents($path, $content);
        register_shutdown_function(static fn (): bool => @unlink($path));

        return $path;
    }
}
