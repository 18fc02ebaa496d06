<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\Draft;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\ToolSettings;
use Symfony\Component\HttpFoundation\File\UploadedFile;

final class AssessmentPageTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($teacher);
    }

    public function testAnAssessmentProposesWhatAWantedPoseNeeds(): void
    {
        $this->begin(['before[wanted]' => ['half-lotus']]);
        self::assertSelectorTextContains('.plan', 'Frog');
        self::assertSelectorTextContains('.plan', 'Measures one thing that Half lotus needs');
        self::assertSelectorTextContains('details .plan', 'Another test measures the same');
        self::assertSame(['knee-hug', 'frog', 'soles-together', 'shins-stacked', 'inward-turn', 'tree-balance'],
            $this->newest()->tests);
        $this->client->clickLink('First test');
        self::assertSelectorTextContains('h1', 'Lying knee hug');
        self::assertSelectorTextContains('[aria-current="step"]', 'Lying knee hug');
    }

    public function testTakenTestsLeadToTheNextAndTheLastToTheEnd(): void
    {
        $this->begin(['before[wanted]' => ['frog', 'shins-stacked']]);
        self::assertResponseStatusCodeSame(422, 'Frog is no pose that somebody wants.');
        $this->begin(['before[wanted]' => ['shins-stacked']]);
        foreach ($this->newest()->tests as $test) {
            $this->client->request('GET', "$this->home/tests/$test?assessment={$this->newest()->id}");
            self::assertSelectorTextContains('[aria-current="step"]', '');
            $this->client->submitForm('Save and go to the next test', $this->clean($test));
            self::assertResponseRedirects();
        }
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'All chosen tests are done');
        $this->client->submitForm('End assessment');
        $this->client->followRedirect();
        self::assertSame(1, $this->howMany(AssessmentEnd::class));
        self::assertSelectorTextContains('.capacity', 'External rotation');

        $this->begin(['before[wanted]' => ['shins-stacked']]);
        self::assertSelectorTextContains('main', 'today: recent enough');
    }

    public function testWithoutConsentNothingBegins(): void
    {
        $this->client->request('GET', "$this->home/assessments/new");
        $this->client->submitForm('Show the tests', ['before[pain][level]' => '0']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'without this agreement');
        self::assertSelectorTextContains('main', 'Choose one. A later test');
        self::assertSame(0, $this->howMany(Assessment::class));
    }

    /** A note that speaks of pain asks where and how at once, and nothing that was typed is lost. */
    public function testANoteThatSpeaksOfPainAsks(): void
    {
        $begin = function (array $typed): void {
            $this->client->request('GET', "$this->home/assessments/new");
            $this->client->submitForm('Show the tests', $typed + ['before[consent]' => true,
                'before[warm]' => '1', 'before[pain][level]' => '0']);
        };
        $begin(['before[note]' => 'The left knee hurts on stairs']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'Say above where and how it is');
        self::assertSelectorTextContains('#before_note', 'The left knee hurts on stairs');
        self::assertSame(0, $this->howMany(Assessment::class));
        $this->client->submitForm('Show the tests', ['before[note_read]' => true]);
        self::assertSame(1, $this->howMany(Assessment::class), 'It was read, and nothing of it hurts now.');
        $begin(['before[note]' => 'The left knee hurts on stairs', 'before[pain][level]' => '2',
            'before[pain][place]' => 'knee']);
        self::assertSame(2, $this->howMany(Assessment::class), 'It was said where and how.');
        foreach (['No pain', 'Two blankets'] as $i => $note) {
            $begin(['before[note]' => $note]);
            self::assertSame(3 + $i, $this->howMany(Assessment::class), $note);
        }
    }

    public function testAConditionHoldsTheTestsThatItShould(): void
    {
        $this->begin(['before[wanted]' => ['half-lotus'], 'before[clinician_first]' => ['knee-surgery']]);
        self::assertNotContains('shins-stacked', $this->newest()->tests);
        self::assertNotContains('figure-four-lying', $this->newest()->tests, 'That folds the knee as well.');
        self::assertSame(['inward-turn'], $this->newest()->tests, 'What is not held is tested all the same.');
        self::assertSelectorTextContains('.caution', 'Knee surgery');
        $this->client->request('GET', "$this->home/tests/shins-stacked");
        self::assertSelectorTextContains('main', 'on hold');
        self::assertSelectorNotExists('form[data-bench]');
        $this->client->request('GET', $this->home);
        self::assertSelectorTextContains('.caution', 'Knee surgery');
    }

    public function testWhatIsToldInFreeWordsClosesAllDeepUntilItsLoadsAreSaid(): void
    {
        $this->begin(['before[gentle_only]' => ['other']]);
        $page = $this->client->request('GET', $this->home);
        self::assertSelectorTextContains('.caution', 'No deep work until somebody says what it affects.');
        $this->client->click($page->selectLink('Say what it affects')->link());
        self::assertSelectorExists('details#loads[open]');
        $this->begin(['before[gentle_only]' => ['other'], 'before[loads]' => ['twist', 'prone']]);
        self::assertSame(['other+twist+prone'], $this->newest()->conditions);
        $this->client->request('GET', $this->home);
        self::assertSelectorTextContains('.caution', 'It affects: twists, lying on the front.');
        $this->client->request('GET', "$this->home/assessments/new");
        self::assertSelectorTextContains('.on-record', 'It affects: twists, lying on the front.');
        // More of what is on record needs no second yes, and takes nothing back.
        $this->begin(['before[loads]' => ['neck']]);
        self::assertSame(['other+neck'], $this->newest()->conditions);
        $this->client->request('GET', $this->home);
        foreach (['twists', 'lying on the front', 'weight on the neck'] as $load) {
            self::assertSelectorTextContains('.caution', $load);
        }
        $this->begin(['before[gentle_only]' => ['other'], 'before[loads]' => ['made-up']]);
        self::assertResponseStatusCodeSame(422);
    }

    /** Beighton et al., Ann Rheum Dis 32 (1973), from memory: nine points; the tenth is asked of what has happened. */
    public function testJointsThatBendFarAreFoundByPoints(): void
    {
        $points = static fn (string ...$ids): array => ['before[points_hypermobility]' => $ids];
        $four = ['left-thumb', 'right-thumb', 'left-elbow', 'palms-flat'];
        $this->begin($points(...$four));
        self::assertSame([], $this->newest()->conditions);
        $this->begin($points('out-of-place', ...$four));
        self::assertSame(['hypermobility'], $this->newest()->conditions);
        $this->client->request('GET', $this->home);
        self::assertSelectorTextContains('.caution', 'Hypermobility');
        $this->begin($points(...$four));
        $this->client->request('GET', $this->home);
        self::assertSelectorTextContains('.caution', 'Hypermobility', 'Fewer points end nothing.');
        $this->begin($points('made-up'));
        self::assertResponseStatusCodeSame(422);
    }

    public function testNoQuestionIsAnsweredBeforehand(): void
    {
        $this->begin(['before[clinician_first]' => ['knee-surgery'], 'before[side]' => 'left',
            'before[gentle_only]' => ['hypermobility']]);
        foreach (["$this->home/assessments/new",
            "/screen/{$this->practitioner->id}?people[]={$this->practitioner->id}"] as $page) {
            $crawler = $this->client->request('GET', $page);
            self::assertSelectorNotExists('input[type=checkbox][checked]:not([name*=wanted])', $page);
            self::assertSelectorTextContains('.on-record', 'left side, since', $page);
            self::assertGreaterThan(10, $crawler->filter('input[type=checkbox]')->count());
        }
    }

    /** Time that has to pass begins anew when somebody says so, and never by a page that is sent. */
    public function testATimeThatRunsIsNotBegunAnewByAnotherAssessment(): void
    {
        $this->begin(['before[clinician_first]' => ['knee-surgery'], 'before[side]' => 'left']);
        $this->begin(['before[side]' => 'left', 'before[wanted]' => ['half-lotus']]);
        self::assertSame([], $this->newest()->conditions);
        $this->client->request('GET', $this->home);
        self::assertSelectorCount(1, '.note.caution strong');
    }

    public function testADetailNeedsItsQuestion(): void
    {
        $this->begin(['before[loads]' => ['twist']]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#loads[open]', 'yes to “anything else”');
        $this->begin(['before[guardian]' => '1']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'yes to “under eighteen”');
        $this->begin(['before[gentle_only]' => ['minor']]);
        self::assertSame(['minor'], $this->newest()->conditions);
        $this->begin(['before[guardian]' => '1']);
        self::assertSame(['minor', 'guardian-consent'], $this->newest()->conditions,
            'a word of the guardian is of what is on record');
    }

    public function testWhatIsOnRecordIsNotToldAgainWithLess(): void
    {
        $this->begin(['before[clinician_first]' => ['knee-surgery'], 'before[side]' => 'left']);
        self::assertSame(['knee-surgery:left'], $this->newest()->conditions);
        $this->begin(['before[clinician_first]' => ['knee-surgery']]);
        self::assertSame([], $this->newest()->conditions, 'The right one is not operated by a yes without a side.');
        $this->client->request('GET', $this->home);
        self::assertSelectorCount(1, '.note.caution strong');
        $this->begin([]);
        $this->client->request('GET', $this->home);
        self::assertSelectorCount(1, '.note.caution strong', 'Nor is it ended by being unticked.');
        $this->begin(['before[clinician_first]' => ['knee-surgery'], 'before[side]' => 'right']);
        self::assertSame(['knee-surgery:right'], $this->newest()->conditions);
        $this->begin(['before[gentle_only]' => ['minor'], 'before[guardian]' => '1']);
        $this->client->request('GET', "/screen/{$this->practitioner->id}?people[]={$this->practitioner->id}");
        $this->client->submitForm('Save and next person',
            ['screen[stature]' => '170', 'screen[consent]' => true, 'screen[painLeft][level]' => '0',
                'screen[painRight][level]' => '0']);
        self::assertResponseRedirects();
        self::assertTrue($this->newest()->quick);
        self::assertSame([], $this->newest()->conditions, 'A quick screen takes no guardian’s word away.');
    }

    public function testAStopSignHoldsWhatFollowsOnThatSide(): void
    {
        $this->begin(['before[wanted]' => ['half-lotus']]);
        $assessment = $this->newest()->id;
        $this->client->request('GET', "$this->home/tests/soles-together?assessment=$assessment");
        $this->client->submitForm('Save and go to the next test',
            ['bench[painRight][level]' => '2', 'bench[painRight][place]' => 'knee'] + $this->clean('soles-together'));
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'stop sign');
        $this->client->request('GET', "$this->home/tests/leg-raise?assessment=$assessment");
        self::assertSelectorTextContains('.caution', 'Right');
        self::assertSelectorExists('#bench_trials_0_heelHeight_left');
        self::assertSelectorNotExists('#bench_trials_0_heelHeight_right');
        $this->client->request('GET', "$this->home/tests/shins-stacked?assessment=$assessment");
        self::assertSelectorNotExists('#bench_trials_0_kneeHeight_right');
        self::assertSelectorNotExists('#bench_trials_0_kneeHeight_left', 'The right knee is folded under it.');
    }

    public function testOneSideAloneCanBeTestedInInches(): void
    {
        $this->client->request('GET', "$this->home/tests/shins-stacked");
        $this->client->submitForm('Save test', [
            'bench[unit]' => 'in',
            'bench[trials][0][kneeHeight_left]' => '6 1/2', 'bench[trials][0][ankleHeight_left]' => '4',
            'bench[trials][1][kneeHeight_left]' => '6,5', 'bench[trials][1][ankleHeight_left]' => '4',
            'bench[compensationsLeft]' => ['ankle-slid'],
            'bench[painLeft][level]' => '0',
        ]);
        self::assertResponseRedirects($this->home);
        [$test] = $this->em()->getRepository(Test::class)->findAll();
        self::assertSame(1, $this->howMany(Test::class));
        self::assertEqualsWithDelta(6.5 * 2.54, $test->trials()[0]->readings['kneeHeight'], 1e-12);
        self::assertSame('6 1/2 in', $test->trials()[0]->entered['kneeHeight']);
        $this->client->followRedirect();
        self::assertSelectorTextNotContains('.capacity', '≥', 'Compensated: it proves nothing.');
        self::assertSelectorTextContains('.timeline', '6 1/2 in');
        self::assertSelectorTextContains('.timeline', 'compensated');
    }

    public function testADraftIsOverwrittenOnlyByWhoHasSeenIt(): void
    {
        $token = (string) $this->client->request('GET', "$this->home/tests/frog")->filter('form[data-bench]')
            ->attr('data-token');
        $put = function (int $version, string $value) use ($token): array {
            $this->client->request('PUT', "$this->home/drafts/frog", server: ['HTTP_X_TOKEN' => $token],
                content: (string) json_encode(['version' => $version, 'content' => ['bench[note]' => $value]]));

            return [$this->client->getResponse()->getStatusCode(),
                json_decode((string) $this->client->getResponse()->getContent(), true)];
        };
        self::assertSame([200, ['version' => 1]], $put(0, 'one'));
        self::assertSame([200, ['version' => 2]], $put(1, 'two'));
        [$status, $there] = $put(1, 'from another window');
        self::assertSame(409, $status);
        self::assertSame(['bench[note]' => 'two'], $there['content']);
        self::assertSame(2, $there['version']);
        self::assertSame([409, []], [$put(0, 'again')[0], []]);
        self::assertSame(200, $put(2, 'three')[0]);

        $page = $this->client->request('GET', "$this->home/tests/frog");
        self::assertSame('3', $page->filter('form[data-bench]')->attr('data-draft-version'));
        self::assertStringContainsString('three', (string) $page->filter('form[data-bench]')
            ->attr('data-draft-content'));
        $this->client->submitForm('Save test', ['draft' => '3'] + $this->clean('frog'));
        self::assertSame(0, $this->howMany(Draft::class), 'What is recorded is no draft any more.');

        $this->client->request('PUT', "$this->home/drafts/frog", server: ['HTTP_X_TOKEN' => 'made up'], content: '{}');
        self::assertResponseStatusCodeSame(403);
    }

    public function testToolErrorsAreSettingsWithinReason(): void
    {
        $this->client->request('GET', '/instruments');
        $this->client->submitForm('Save', ['tools[tape]' => '0', 'tools[inclinometer]' => 'x']);
        self::assertSelectorTextContains('#tools_tape_error1', '0.1 to 30');
        self::assertSelectorTextContains('#tools_inclinometer_error1', 'Write a number');
        $this->client->submitForm('Save', ['tools[tape]' => '1.5', 'tools[inclinometer]' => '2']);
        self::assertResponseRedirects('/instruments');
        self::assertSame(1, $this->howMany(ToolSettings::class));
        $this->client->followRedirect();
        $this->client->submitForm('Save', ['tools[repeats]' => '41 43 x', 'tools[repeatsOf]' => 'inclinometer']);
        self::assertSelectorTextContains('#tools_repeats_error1', 'numbers with spaces');
        $this->client->submitForm('Save', ['tools[repeats]' => "41 43\n60 62\n"]);
        $this->client->followRedirect();
        self::assertInputValueSame('tools[inclinometer]', '1.41');
    }

    public function testAPictureIsCheckedStrippedAndKeptForItsTeacherAlone(): void
    {
        $token = (string) $this->client->request('GET', "$this->home/tests/frog")->filter('form[data-bench]')
            ->attr('data-token');
        $send = function (string $bytes, string $name, ?string $points = null) use ($token): array {
            $file = (string) tempnam(sys_get_temp_dir(), 'picture');
            file_put_contents($file, $bytes);
            $this->client->request('POST', "$this->home/tests/frog/pictures", null === $points ? []
                : ['points' => $points], files: ['picture' => new UploadedFile($file, $name, null, null, true)],
                server: ['HTTP_X_TOKEN' => $token]);

            return json_decode((string) $this->client->getResponse()->getContent(), true);
        };
        self::assertArrayHasKey('error', $send('<?php echo 1;', 'leg.jpg'));
        self::assertArrayHasKey('error', $send(self::jpeg(20), 'leg.jpg'));
        foreach (['x', '[1]', '{"hip":[0.5,1.5]}', '{"hip":[-0.1,0.5]}', '{"hip":["a","b"]}', '{"hip":0.5}',
            '{"elbow":[0.5,0.5]}'] as $points) {
            self::assertArrayHasKey('error', $send(self::jpeg(300), 'leg.jpg', $points), $points);
        }
        self::assertSame(0, $this->howMany(StoredPicture::class));
        $secret = 'GPS 12.34 56.78';
        $jpeg = self::jpeg(300);
        $marked = substr($jpeg, 0, 2)."\xff\xe1".pack('n', 2 + strlen($secret)).$secret.substr($jpeg, 2);
        $address = $send($marked, 'leg.jpg', '{"hip":[0.25,0.5],"knee":[0.75,1],"knownA":[0,0]}')['address'];
        $kept = $this->em()->getRepository(StoredPicture::class)->findOneBy([]);
        self::assertSame([[75.0, 0.5 * (int) $kept?->height, 225.0, (float) $kept?->height]], $kept?->lines(),
            'The thigh, where it was marked.');
        self::assertSame(1, $this->howMany(StoredPicture::class));
        $this->client->request('GET', $address);
        self::assertResponseIsSuccessful();
        self::assertResponseHeaderSame('Content-Type', 'image/jpeg');
        self::assertStringNotContainsString('GPS', (string) $this->client->getInternalResponse()->getContent());
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', $address);
        self::assertResponseStatusCodeSame(404);
    }

    public function testAClassGoesFromOnePersonToTheNext(): void
    {
        $other = $this->practitioner($this->practitioner->teacher, measured: false);
        $this->client->request('GET', '/screen');
        self::assertSelectorTextContains('main', 'A Person');
        $this->client->request('GET', '/screen', ['people' => [(string) $this->practitioner->id, (string) $other->id]]);
        $this->client->followRedirect();
        $first = (string) $this->client->getRequest()->attributes->get('id');
        $this->client->submitForm('Save and next person',
            ['screen[stature]' => '90', 'screen[solesKneeLeft]' => '14']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#screen_stature_error1', '120 to 220');
        $numbers = ['screen[stature]' => '170', 'screen[solesKneeLeft]' => '14', 'screen[solesHeels]' => '20',
            'screen[solesKneeRight]' => '15', 'screen[shinsKneeLeft]' => '15', 'screen[shinsAnkleLeft]' => '10',
            'screen[consent]' => true];
        $this->client->submitForm('Save and next person', $numbers);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#screen_painLeft_level_error1', 'Choose a level');
        $numbers += ['screen[painLeft][level]' => '0', 'screen[painRight][level]' => '0'];
        $this->client->submitForm('Save and next person', $numbers);
        self::assertResponseRedirects();
        $this->client->followRedirect();
        self::assertNotSame($first, $this->client->getRequest()->attributes->get('id'),
            'The next person, with no page between.');
        $this->client->submitForm('Save and next person', ['screen[clinician]' => ['knee-surgery']] + $numbers);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#screen_solesKneeLeft_error1', 'Knee surgery');
        $this->client->submitForm('Save and next person',
            ['screen[clinician]' => ['knee-surgery'], 'screen[stature]' => '170', 'screen[consent]' => true,
                'screen[solesKneeLeft]' => '', 'screen[solesHeels]' => '', 'screen[solesKneeRight]' => '',
                'screen[shinsKneeLeft]' => '', 'screen[shinsAnkleLeft]' => '']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Class at a glance');
        self::assertSelectorTextContains('main', 'External rotation');
        self::assertSame(3, $this->howMany(Test::class));
        self::assertSame(2, $this->howMany(Assessment::class));
    }

    /** @param array<string, mixed> $answers */
    private function begin(array $answers): void
    {
        $this->client->request('GET', "$this->home/assessments/new");
        $form = $this->client->getCrawler()->selectButton('Show the tests')->form();
        $values = $form->getPhpValues();
        parse_str(http_build_query(['before[consent]' => '1', 'before[pain][level]' => '0',
            'before[warm]' => '1'] + $answers), $more);
        $values['before'] = array_replace_recursive($values['before'], $more['before']);
        $this->client->request('POST', "$this->home/assessments/new", $values);
        if ($this->client->getResponse()->isRedirect()) {
            $this->client->followRedirect();
        }
    }

    private function newest(): Assessment
    {
        $this->em()->clear();

        return $this->em()->getRepository(Assessment::class)->findBy([], ['at' => 'DESC'])[0];
    }

    /** @return array<string, string> */
    private function clean(string $test): array
    {
        $numbers = match ($test) {
            'frog' => ['span' => '80'],
            'soles-together' => ['kneeHeight_left' => '14', 'heelDistance' => '20', 'kneeHeight_right' => '15'],
            'shins-stacked' => ['kneeHeight_left' => '15', 'ankleHeight_left' => '10', 'kneeHeight_right' => '16',
                'ankleHeight_right' => '10'],
            'heel-to-seat-hip-bent' => ['gap_left' => '20', 'gap_right' => '21'],
            default => ['angle_left' => '30', 'angle_right' => '31'],
        };
        $filled = ['bench[painLeft][level]' => '0', 'bench[painRight][level]' => '0'];
        foreach ([0, 1] as $i) {
            foreach ($numbers as $name => $value) {
                $filled["bench[trials][$i][$name]"] = $value;
            }
        }

        return $filled;
    }

    private static function jpeg(int $size): string
    {
        $picture = imagecreatetruecolor($size, $size);
        self::assertNotFalse($picture);
        ob_start();
        imagejpeg($picture);

        return (string) ob_get_clean();
    }
}
