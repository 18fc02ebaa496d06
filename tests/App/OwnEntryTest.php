<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\EntryDraft;
use LucidAscent\App\Catalogue\EntryFields;
use LucidAscent\App\Catalogue\Field;
use LucidAscent\App\Catalogue\Inherited;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\OwnEntry;
use LucidAscent\App\Entity\OwnPicture;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\OwnEntry\OwnCatalogue;
use LucidAscent\Core\Testing\Formula;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\Uid\Uuid;

final class OwnEntryTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->client->loginUser($this->teacher());
    }

    public function testEveryShippedEntrySurvivesTheForm(): void
    {
        $catalogue = self::getContainer()->get(Catalogue::class);
        $folder = $catalogue->folder();
        foreach ([Kind::Posture, Kind::Test] as $kind) {
            foreach ($catalogue->all($kind) as $id => $entry) {
                [$back, $faults] = EntryDraft::fromForm($kind, EntryDraft::toForm($kind, $entry), $entry);
                self::assertSame([], $faults, (string) $id);
                [, $wrong] = $folder->tried($kind, OwnCatalogue::dump($back), "$id.yaml");
                self::assertSame([], array_map(strval(...), $wrong));
                self::assertSame($entry['name'], $back['name']);
                self::assertCount(count($entry['rungs'] ?? []), $back['rungs'] ?? []);
            }
        }
    }

    public function testTheFormOffersWhatTheSchemasAllow(): void
    {
        $schema = static fn (string $kind): array => json_decode(
            (string) file_get_contents(__DIR__."/../../catalogue/schema/$kind.json"),
            true,
        );
        $choices = static fn (array $fields): array => array_column(
            array_filter(
                array_map(static fn (Field $f): array => [$f->path, $f->choices], $fields),
                static fn (array $f): bool => [] !== $f[1],
            ),
            1,
            0,
        );
        $posture = $choices(EntryFields::of(Kind::Posture));
        $test = $choices(EntryFields::of(Kind::Test));
        self::assertEqualsCanonicalizing($schema('posture')['$defs']['component']['enum'], $posture['components']);
        self::assertEqualsCanonicalizing($schema('posture')['properties']['family']['enum'], $posture['family']);
        self::assertEqualsCanonicalizing($schema('posture')['$defs']['load']['enum'],
            $choices(EntryFields::rung())['loads']);
        self::assertEqualsCanonicalizing($schema('test')['$defs']['component']['enum'], $test['components']);
        foreach ($test['formula'] as $formula) {
            self::assertNotNull(Formula::find($formula));
        }
        self::assertContains('knee-hug', $test['formula']);
        self::assertNotContains('pigeon-front', $test['formula'], 'No test reads it.');
    }

    public function testAnAdaptedPostureIsAnEntryOfItsOwnAndVersioned(): void
    {
        $this->client->request('GET', '/library/postures/pigeon');
        $this->client->clickLink('Adapt');
        self::assertInputValueSame('entry_form[id]', 'pigeon-adapted');
        $this->client->submitForm('Check and save', ['entry_form[id]' => 'pigeon',
            'entry_form[rungs][0][hold]' => 'a while']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#entry_form_rungs_0_hold_error1', 'two numbers and a unit');
        $this->client->submitForm('Check and save', ['entry_form[id]' => 'pigeon',
            'entry_form[rungs][0][hold]' => '12 breaths']);
        self::assertSelectorTextContains('#entry_form_id_error1', 'shipped entry');
        $this->client->submitForm('Check and save', ['entry_form[id]' => 'pigeon-slow',
            'entry_form[rungs][0][hold]' => '12 years']);
        self::assertSelectorTextContains('#entry_form_rungs_0_hold_error1', 'enum');
        $this->client->submitForm('Check and save', ['entry_form[rungs][0][hold]' => '12 breaths',
            'entry_form[relations_needs]' => 'low-lunge: first']);
        self::assertResponseRedirects('/library/postures/pigeon-slow');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Your own, version 1, adapted from pigeon');
        self::assertSelectorTextContains('main', '12 breaths');

        $this->client->clickLink('New version');
        $this->client->submitForm('Check and save', ['entry_form[summary]' => 'Slower.']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'version 2');
        self::assertSame(2, $this->howMany(OwnEntry::class));
        $this->client->request('GET', '/library/postures/pigeon');
        self::assertSelectorTextNotContains('main', 'Slower.');
    }

    /** As the forms of earlier versions wrote them: read today, and holding no less than they did. */
    #[TestWith(['posture-1.yaml']), TestWith(['posture-2.yaml'])]
    public function testAPostureOfAnEarlierVersionIsReadAsItWasMeant(string $file): void
    {
        $text = (string) file_get_contents(__DIR__."/older/$file");
        $teacher = $this->em()->getRepository(Teacher::class)->findAll()[0];
        $this->em()->persist(new OwnEntry(Uuid::v7(), $teacher, Kind::Posture, 'my-half-lotus', 1, 'half-lotus', $text,
            new \DateTimeImmutable()));
        $this->em()->flush();
        $own = self::getContainer()->get(OwnCatalogue::class);
        self::assertSame([], $own->unreadable($teacher));
        $mine = $own->of($teacher)['posture']['my-half-lotus'];
        self::assertSame('My half lotus', $mine['name']);
        $shipped = self::getContainer()->get(Catalogue::class)->all(Kind::Posture)['half-lotus'];
        $last = $mine['rungs'][array_key_last($mine['rungs'])];
        self::assertSame([], array_diff(['turn-out', 'knee-folded'], $last['loads']));
        $judged = array_column($shipped['rungs'], null, 'id')[$last['id']] ?? null;
        self::assertNotNull($judged);
        self::assertSame([], array_diff($judged['loads'], $last['loads']), 'As what it adapts, at least.');
        self::assertSame($judged['gates'] ?? null, $last['gates'] ?? null);
        $this->client->request('GET', '/library/postures/my-half-lotus');
        self::assertResponseIsSuccessful();
        $this->client->request('GET', '/library/own/posture/my-half-lotus/edit');
        self::assertInputValueSame('entry_form[name]', 'My half lotus');
        self::assertSame($text, $own->newest($teacher)[0]->text, 'What was kept stays as it was written.');
    }

    public function testWhatCannotBeReadIsShownKeptAndPutRight(): void
    {
        $teacher = $this->em()->getRepository(Teacher::class)->findAll()[0];
        $good = (string) file_get_contents(__DIR__.'/older/posture-2.yaml');
        $text = str_replace('family: cross-legged', 'family: of-a-later-version', $good);
        foreach ([['my-half-lotus', $text], ['no-text', "\t: ["]] as [$name, $written]) {
            $this->em()->persist(new OwnEntry(Uuid::v7(), $teacher, Kind::Posture, $name, 1, 'half-lotus', $written,
                new \DateTimeImmutable()));
        }
        $adapted = str_replace('id: my-half-lotus', 'id: of-what-is-gone', $good);
        $this->em()->persist(new OwnEntry(Uuid::v7(), $teacher, Kind::Posture, 'of-what-is-gone', 1, 'not-there',
            $adapted, new \DateTimeImmutable()));
        $this->em()->flush();
        $this->client->request('GET', '/library');
        self::assertSelectorTextContains('.note.caution', 'cannot read your my-half-lotus, no-text, of-what-is-gone');
        $this->client->request('GET', '/library/own/posture/my-half-lotus/edit');
        self::assertResponseRedirects('/library/own?mend=posture/my-half-lotus#bring-in');
        $page = $this->client->request('GET', '/library/own?mend=posture/my-half-lotus');
        self::assertSelectorTextContains('#text-faults', 'family');
        self::assertSame($text, $page->filter('#text')->text(normalizeWhitespace: false));
        $this->client->submitForm('Check and save', ['text' => $good]);
        self::assertResponseRedirects('/library/own');
        $this->client->request('GET', '/library');
        self::assertSelectorTextNotContains('.note.caution', 'my-half-lotus');
        self::assertSame(['no-text', 'of-what-is-gone'], array_map(basename(...), array_keys(
            self::getContainer()->get(OwnCatalogue::class)->unreadable($teacher),
        )));
        self::assertSame(4, $this->howMany(OwnEntry::class), 'Every version is there.');
    }

    public function testASmallTextThatGrowsWithoutEndIsRefused(): void
    {
        $bomb = "a: &a [x,x,x,x,x,x,x,x,x]\n";
        foreach (range('b', 'i') as $name) {
            $before = chr(ord($name) - 1);
            $bomb .= "$name: &$name [*$before,*$before,*$before,*$before,*$before,*$before,*$before,*$before,*$before]\n";
        }
        $this->import($bomb);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'write it out');
    }

    public function testNobodyBringsInACaution(): void
    {
        $this->import('id: mine', 'caution');
        self::assertResponseStatusCodeSame(422);
        $this->client->request('GET', '/library/own');
        self::assertResponseIsSuccessful();
    }

    private function import(string $text, string $kind = 'posture'): void
    {
        $form = $this->client->request('GET', '/library/own')->filter('main form[method="post"]')->last()->form();
        $this->client->request('POST', '/library/own', ['kind' => $kind, 'text' => $text] + $form->getPhpValues());
    }

    public function testWhatIsCarriedOutCanBeBroughtInAgain(): void
    {
        $this->client->request('GET', '/library/own/test/new?adapt=frog');
        $this->client->submitForm('Check and save', ['entry_form[id]' => 'frog-on-blocks']);
        $this->client->request('GET', '/library/own/test/frog-on-blocks.yaml');
        self::assertResponseHeaderSame('Content-Disposition', 'attachment; filename=frog-on-blocks.yaml');
        $text = (string) $this->client->getResponse()->getContent();

        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', '/library/own/test/frog-on-blocks.yaml');
        self::assertResponseStatusCodeSame(404);
        $this->client->request('GET', '/library/own');
        $this->client->submitForm('Check and save', ['kind' => 'test',
            'text' => str_replace('unit: minutes', 'unit: hours', $text)]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#text-faults', 'Line');
        $this->client->submitForm('Check and save', ['kind' => 'test', 'text' => $text]);
        self::assertResponseRedirects('/library/own');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'frog-on-blocks');
        $this->client->request('GET', '/library/tests/frog-on-blocks');
        self::assertResponseIsSuccessful();
    }

    public function testAPostureThatBreaksTheGraphIsNamedBesideTheField(): void
    {
        $this->client->request('GET', '/library/own/posture/new?adapt=pigeon');
        $this->client->submitForm('Check and save',
            ['entry_form[relations_needs]' => "no-such-pose: why\nlow-lunge: first"]);
        self::assertSelectorTextContains('#entry_form_relations_needs_error1', 'no-such-pose');
        $this->client->submitForm('Check and save', ['entry_form[relations_needs]' => 'low-lunge: first',
            'entry_form[rungs][2][demand]' => 'leg pigeon-front: hipHeight 70, shinAngle 10']);
        self::assertSelectorTextContains('#entry_form_rungs_2_demand_error1', 'does not come down');
    }

    public function testASecondTabDoesNotSilentlyOverwrite(): void
    {
        $this->client->request('GET', '/library/own/test/new?adapt=frog');
        $this->client->submitForm('Check and save', ['entry_form[id]' => 'frog-two-tabs']);
        $stale = $this->client->request('GET', '/library/own/test/frog-two-tabs/edit')->selectButton('Check and save')
            ->form();
        $this->client->submit($this->client->getCrawler()->selectButton('Check and save')
            ->form(['entry_form[gentler]' => 'From the first tab.']));
        $stale['entry_form[gentler]'] = 'From the second tab.';
        $this->client->submit($stale);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'Version 2 was saved in the meantime');
        self::assertSame(2, $this->howMany(OwnEntry::class));
    }

    public function testAnEmptyEntryNamesWhatIsNeeded(): void
    {
        $this->client->request('GET', '/library/own/posture/new');
        $this->client->submitForm('Check and save');
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#entry_form_name_error1', 'This is needed');
        self::assertSame(0, $this->howMany(OwnEntry::class));
    }

    /** Whoever leaves a load out of an adapted posture, or calls it gentle, does not get past a caution with it. */
    public function testAnAdaptedPostureLoadsAtLeastWhatItsOriginalLoads(): void
    {
        $rung = static fn (array $more): array => $more + ['id' => 'a', 'loads' => [], 'gentle' => true,
            'foot_free' => true];
        $base = ['both_legs' => true, 'rungs' => [['id' => 'a', 'loads' => ['twist', 'knee-folded'], 'gentle' => true],
            ['id' => 'b', 'loads' => ['weight-on-knee']]]];
        $entry = Inherited::into(['rungs' => [$rung(['loads' => ['prone']]), $rung(['id' => 'renamed']),
            $rung(['id' => 'third'])]], $base);
        self::assertSame([['prone', 'twist', 'knee-folded'], ['weight-on-knee'], ['weight-on-knee']],
            array_column($entry['rungs'], 'loads'));
        self::assertSame([true, false, false], array_column($entry['rungs'], 'gentle'));
        self::assertSame([false, false, false], array_column($entry['rungs'], 'foot_free'));
        self::assertTrue($entry['both_legs']);
        $stances = Inherited::into(['rungs' => [['id' => 'b'], ['id' => 'c', 'stance' => 'seated']]],
            ['stance' => 'bearing', 'rungs' => [['id' => 'b', 'stance' => 'lying']]]);
        self::assertSame(['bearing', 'lying', 'seated'], [$stances['stance'],
            ...array_column($stances['rungs'], 'stance')]);
        self::assertSame(['rungs' => [['id' => 'a', 'loads' => ['prone']]]],
            Inherited::into(['rungs' => [['id' => 'a', 'loads' => ['prone']]]], ['rungs' => []]));
    }

    /** A gate that a position has is not left behind by writing the position anew. */
    public function testAPositionKeepsItsGatesWhoeverWritesItDown(): void
    {
        $shipped = ['half' => ['gates' => [['first' => 'ground']],
            'rungs' => [['demand' => ['contact' => 'half-lotus'], 'gates' => [['sitting' => 'may-try']]],
                ['demand' => ['contact' => 'frog']], ['demand' => ['contact' => 'half-lotus'], 'gentle' => true]]],
            'fold' => ['rungs' => [['demand' => ['contact' => 'half-lotus'],
                'gates' => [['first' => 'half'], ['sitting' => 'may-try']]], ['demand' => ['contact' => 'frog']]]]];
        $entry = Inherited::closed(['rungs' => [['demand' => ['contact' => 'half-lotus'], 'gentle' => true],
            ['demand' => ['contact' => 'frog'], 'gentle' => true], ['demand' => ['thresholds' => []]]]],
            Inherited::gatesOf($shipped));
        self::assertSame([['sitting' => 'may-try']], $entry['rungs'][0]['gates'],
            'What every rung of the position has.');
        self::assertFalse($entry['rungs'][0]['gentle'], 'What has a gate is not gentle.');
        self::assertArrayNotHasKey('gates', $entry['rungs'][1]);
        self::assertArrayNotHasKey('gates', $entry['rungs'][2]);

        $adapted = Inherited::into(['rungs' => [['id' => 'a', 'gates' => [['observed' => 'mine']]], ['id' => 'b']]],
            ['gates' => [['first' => 'ground']], 'rungs' => [['id' => 'a', 'gates' => [['sitting' => 'supported']],
                'cues' => ['One', 'Two']], ['id' => 'b']], 'forms' => [['id' => 'x', 'alternates_with' => 'a'],
                    ['id' => 'y', 'alternates_with' => 'gone']]]);
        self::assertSame([['observed' => 'mine'], ['sitting' => 'supported']], $adapted['rungs'][0]['gates']);
        self::assertSame([['first' => 'ground']], $adapted['gates']);
        self::assertSame(['One', 'Two'], $adapted['rungs'][0]['cues']);
        self::assertSame(['x'], array_column($adapted['forms'], 'id'), 'A form goes with its rung.');
    }

    /** Read, walked, planned and practised like a shipped one, by its own teacher alone. */
    public function testAnOwnPostureIsUsedLikeAShippedOne(): void
    {
        $teacher = $this->teacher('third@studio.example');
        $practitioner = $this->practitioner($teacher);
        $this->client->loginUser($teacher);
        $this->tested($practitioner, 12.0, 16.0);
        $this->client->request('GET', '/library/own/posture/new?adapt=half-lotus');
        $this->client->submitForm('Check and save', ['entry_form[id]' => 'half-lotus-slow',
            'entry_form[name]' => 'Half lotus, slowly', 'entry_form[target]' => '1',
            'entry_form[rungs][0][cues]' => "Let the hip turn\nWait for it"]);
        self::assertResponseRedirects();
        $home = "/practitioners/$practitioner->id";
        foreach (["$home/ladder/half-lotus-slow", "$home/poses/half-lotus-slow",
            "$home/walk/half-lotus-slow"] as $page) {
            $this->client->request('GET', $page);
            self::assertResponseIsSuccessful($page);
            self::assertSelectorTextContains('main', 'Half lotus, slowly');
        }
        $this->client->request('GET', "$home/ladder/half-lotus-slow");
        self::assertSelectorTextContains('main', 'Let the hip turn.');
        $form = $this->client->request('GET', "$home/assessments/new")->filter('form[name="before"]')->form();
        $this->client->request('POST', "$home/assessments/new",
            array_replace_recursive($form->getPhpValues(), ['before' => ['wanted' => ['half-lotus-slow'],
                'consent' => '1', 'pain' => ['level' => '0'], 'warm' => '1']]));
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Half lotus, slowly');
        $this->client->request('GET', "$home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Half lotus, slowly');

        // Its gate is that of the shipped one: the seated rung is no more open than there.
        $stand = fn (string $posture): array => $this->client->request('GET', "$home/ladder/$posture")
            ->filter('.side-left')->each(static fn ($cell): string => (string) preg_replace('/\s+/', ' ',
                str_replace('half-lotus-slow', 'half-lotus', $cell->text())));
        self::assertSame($stand('half-lotus'), $stand('half-lotus-slow'));

        $other = $this->teacher('other@studio.example');
        $theirs = $this->practitioner($other);
        $this->client->loginUser($other);
        $this->client->request('GET', "/practitioners/$theirs->id/ladder/half-lotus-slow");
        self::assertResponseStatusCodeSame(404);
    }

    public function testADrillOfOnesOwn(): void
    {
        $this->client->request('GET', '/library/own/drill/new');
        $this->client->submitForm('Check and save', ['entry_form[name]' => 'Rolling the shin',
            'entry_form[id]' => 'roll-the-shin', 'entry_form[repetitions]' => 'some', 'entry_form[side]' => 'each',
            'entry_form[uses]' => 'pinwheel/ceiling', 'entry_form[how]' => 'Roll it.',
            'entry_form[cues]' => "Slow\nFrom the hip"]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#entry_form_repetitions_error1', 'two numbers and a unit');
        $values = $this->client->getCrawler()->selectButton('Check and save')->form()->getPhpValues();
        $values['entry_form'] = array_replace($values['entry_form'],
            ['repetitions' => '5 to 8 repetitions', 'remedies' => ['turn-in']]);
        $this->client->request('POST', '/library/own/drill/new', $values);
        self::assertSelectorTextContains('#entry_form_uses_error1', 'no rung');
        $values['entry_form']['uses'] = 'pinwheel/hands';
        $values['entry_form']['_token'] = $this->client->getCrawler()->filter('#entry_form__token')->attr('value');
        $this->client->request('POST', '/library/own/drill/new', $values);
        self::assertResponseRedirects('/library/drills#roll-the-shin');
        $this->client->request('GET', '/library/drills');
        self::assertSelectorTextContains('main', 'Rolling the shin');
        self::assertSelectorTextContains('main', 'Your own, version 1.');
        $this->client->request('GET', '/library', ['q' => 'rolling shin']);
        self::assertSelectorTextContains('main', 'Rolling the shin');
        $this->client->request('GET', '/library/own/drill/roll-the-shin/edit');
        $this->client->submitForm('Check and save', ['entry_form[how]' => 'Roll it both ways.']);
        self::assertResponseRedirects();
        $this->client->request('GET', '/library/own/drill/roll-the-shin.yaml');
        self::assertStringContainsString('Roll it both ways.', (string) $this->client->getResponse()->getContent());
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', '/library/drills');
        self::assertSelectorTextNotContains('main', 'Rolling the shin');
    }

    public function testAPictureOfOnesOwnIsKeptInWordsToo(): void
    {
        $this->client->request('GET', '/library/own/posture/new?adapt=tree');
        $this->client->submitForm('Check and save', ['entry_form[id]' => 'tree-by-the-sea']);
        $page = $this->client->followRedirect();
        $form = $page->selectButton('Save picture')->form();
        $file = (string) tempnam(sys_get_temp_dir(), 'own');
        imagejpeg(imagecreatetruecolor(200, 150) ?: self::fail('No picture.'), $file);
        $send = function (string $shows, ?string $path, string $to = 'tree-by-the-sea') use ($form): void {
            $this->client->request('POST', "/library/own/posture/$to/pictures",
                ['shows' => $shows] + $form->getPhpValues(), null === $path ? []
                : ['picture' => new UploadedFile($path, 'a.jpg', 'image/jpeg', test: true)]);
        };
        $send('', $file);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#shows_error1', 'Describe the picture');
        self::assertSelectorNotExists('#picture_error1');
        $send('A person on one leg', __FILE__);
        self::assertSelectorTextContains('#picture_error1', 'not a complete JPEG');
        self::assertSelectorNotExists('#shows_error1');
        self::assertInputValueSame('shows', 'A person on one leg', 'What was typed is not lost.');
        $send('A person on one leg', null);
        self::assertSelectorTextContains('#picture_error1', 'not a complete JPEG');
        self::assertSame(0, $this->howMany(OwnPicture::class));
        $send('A person <b>on one leg</b>', $file);
        $crawler = $this->client->followRedirect();
        self::assertSame('A person <b>on one leg</b>', $crawler->filter('.own-pictures img')->attr('alt'));
        $address = (string) $crawler->filter('.own-pictures img')->attr('src');
        $this->client->request('GET', $address);
        self::assertResponseHeaderSame('Content-Type', 'image/jpeg');
        $send('Of a shipped one', $file, 'tree');
        self::assertResponseStatusCodeSame(404);
        $this->client->request('POST', '/library/own/posture/tree-by-the-sea/pictures', ['shows' => 'x']);
        self::assertResponseStatusCodeSame(403);
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', $address);
        self::assertResponseStatusCodeSame(404);
        $send('Of somebody else', $file);
        self::assertResponseStatusCodeSame(404);
        self::assertSame(1, $this->howMany(OwnPicture::class));
    }

    /** What is adapted twice has all of both, in whatever order the names stand. */
    public function testWhatIsAdaptedTwiceLeavesNoLoadAndNoGateBehind(): void
    {
        $teacher = $this->adaptedTwice()->teacher;
        $catalogue = self::getContainer()->get(Catalogue::class);
        $catalogue->lay(self::getContainer()->get(OwnCatalogue::class)->of($teacher));
        $shipped = $catalogue->postures()['half-lotus'];
        foreach (['zz-half-lotus', 'aa-half-lotus'] as $id) {
            $own = $catalogue->postures()[$id];
            foreach ($shipped->rungs as $i => $rung) {
                self::assertSame([], array_diff($rung->work->loads, $own->rungs[$i]->work->loads), "$id, $rung->id");
                self::assertEquals($rung->gates, $own->rungs[$i]->gates, "$id, $rung->id");
                self::assertSame($rung->work->isGentle, $own->rungs[$i]->work->isGentle, "$id, $rung->id");
            }
        }
    }

    /** Knee pain that was said at a shipped posture holds an own one on every page. */
    public function testAStopHoldsAnOwnPosture(): void
    {
        $practitioner = $this->adaptedTwice();
        $home = "/practitioners/$practitioner->id";
        $before = $this->client->request('GET', "$home/walk/aa-half-lotus")->filter('form[name="walk_form"]')->form();
        $form = $this->client->request('GET', "$home/tests/soles-together")->filter('form[name="bench"]')->form();
        $this->client->request('POST', "$home/tests/soles-together",
            array_replace_recursive($form->getPhpValues(), ['bench' => ['painLeft' => ['level' => '1',
                'place' => 'knee', 'kind' => 'ache']]]));
        self::assertResponseStatusCodeSame(422);
        foreach (['zz-half-lotus', 'aa-half-lotus'] as $id) {
            $this->client->request('GET', "$home/poses/$id");
            self::assertSelectorTextContains('.side-left', 'On hold');
            $this->client->request('GET', "$home/ladder/$id/check/left");
            self::assertResponseRedirects("$home/ladder/$id");
            $this->client->request('GET', "$home/walk/$id");
            self::assertSelectorTextNotContains('h1', 'left');
        }
        // The old tab, and better news.
        $this->client->request('POST', $before->getUri(), array_replace_recursive($before->getPhpValues(),
            ['walk_form' => ['seen' => 'clean', 'pain' => ['level' => '0', 'place' => 'none', 'kind' => 'ache']]]));
        self::assertLessThan(500, $this->client->getResponse()->getStatusCode());
        $this->client->request('GET', "$home/poses/aa-half-lotus");
        self::assertSelectorTextContains('.side-left', 'On hold');
    }

    private function adaptedTwice(): Practitioner
    {
        $teacher = $this->teacher('twice@studio.example');
        $practitioner = $this->practitioner($teacher);
        $this->client->loginUser($teacher);
        $this->tested($practitioner, 12.0, 16.0);
        foreach (['half-lotus' => 'zz-half-lotus', 'zz-half-lotus' => 'aa-half-lotus'] as $adapts => $id) {
            $page = "/library/own/posture/new?adapt=$adapts";
            $values = $this->client->request('GET', $page)->filter('form[name="entry_form"]')->form()->getPhpValues();
            $values['entry_form']['id'] = $id;
            foreach ($values['entry_form']['rungs'] as &$rung) {
                $rung['loads'] = ['lying-rest'];
                $rung['gentle'] = '1';
            }
            unset($rung);
            $this->client->request('POST', $page, $values);
            self::assertResponseRedirects("/library/postures/$id");
        }

        return $practitioner;
    }
}
