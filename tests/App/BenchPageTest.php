<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\Trial;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use PHPUnit\Framework\Attributes\DataProvider;

final class BenchPageTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $page;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->page = "/practitioners/{$this->practitioner->id}/tests/soles-together";
        $this->client->loginUser($teacher);
    }

    public function testAFilledFormIsRecordedForBothSides(): void
    {
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Save test', self::filled());
        self::assertResponseRedirects("/practitioners/{$this->practitioner->id}");
        self::assertSame(2, $this->howMany(Test::class));
        self::assertSame(4, $this->howMany(Trial::class));
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Half lotus');
        self::assertSelectorTextContains('.capacity', '≥');
    }

    public function testSendingItTwiceKeepsOneRecord(): void
    {
        $form = $this->client->request('GET', $this->page)->selectButton('Save test')->form(self::filled());
        $this->client->submit($form);
        $this->client->submit($form);
        self::assertResponseRedirects();
        self::assertSame(2, $this->howMany(Test::class));
    }

    public function testWrongInputIsNamedBesideTheFieldAndNothingIsLost(): void
    {
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Save test', [
            'bench[trials][0][kneeHeight_left]' => 'abc',
            'bench[trials][0][heelDistance]' => '-3',
            'bench[trials][0][kneeHeight_right]' => '12,5',
            'bench[trials][1][kneeHeight_left]' => '14',
        ]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#bench_trials_0_kneeHeight_left_error1', 'Write a number in cm');
        self::assertSelectorTextContains('#bench_trials_0_heelDistance_error1', 'from 0 to 250 cm');
        self::assertSelectorTextContains('#bench_trials_1_heelDistance_error1', 'number is missing');
        self::assertSelectorTextContains('main', 'Choose a level');
        self::assertInputValueSame('bench[trials][0][kneeHeight_left]', 'abc');
        self::assertInputValueSame('bench[trials][1][kneeHeight_left]', '14');
        self::assertSame(0, $this->howMany(Test::class));
    }

    public function testOneTrialIsTooFew(): void
    {
        $this->client->request('GET', $this->page);
        $filled = self::filled();
        foreach (['kneeHeight_left', 'heelDistance', 'kneeHeight_right'] as $field) {
            unset($filled["bench[trials][1][$field]"]);
        }
        $this->client->submitForm('Save test', $filled);
        self::assertSelectorTextContains('#bench_trials_1_kneeHeight_left_error1', 'at least twice');
    }

    public function testNumbersThatFitNoLegAreRefusedBesideTheKnee(): void
    {
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Save test', ['bench[trials][1][heelDistance]' => '95'] + self::filled());
        self::assertSelectorTextContains('#bench_trials_1_kneeHeight_left_error1', 'leg of this length cannot');
    }

    public function testPainInAKneeHoldsThatSideAndShutsItsLadder(): void
    {
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Save test', [
            'bench[painRight][level]' => '1',
            'bench[painRight][place]' => 'knee',
        ] + self::filled());
        $this->client->followRedirect();
        self::assertSelectorTextContains('.spine', 'On hold');
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/ladder/half-lotus/check/right");
        self::assertResponseRedirects("/practitioners/{$this->practitioner->id}/ladder");
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/ladder/half-lotus/check/left");
        self::assertResponseRedirects(message: 'In a figure four the right thigh would carry the left foot.');
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/ladder/leg-cradle/check/left");
        self::assertResponseIsSuccessful();
    }

    /** @param array<string, string> $answers */
    #[DataProvider('pains')]
    public function testWhatHurtsIsNeverDropped(array $answers, string $side, bool $isRecorded): void
    {
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Save test', $answers);
        self::assertSame($isRecorded, $this->howMany(Test::class) > 0);
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/poses/half-lotus");
        self::assertSelectorTextContains(".side-$side", 'On hold');
        $this->client->request('GET', $this->page);
        self::assertSelectorTextContains('.caution', 'on hold');
    }

    public static function pains(): iterable
    {
        $knee = static fn (string $side): array => ["bench[pain$side][level]" => '1',
            "bench[pain$side][place]" => 'knee'];
        $left = array_filter(self::filled(), static fn (string $name): bool => !str_contains($name, '_right')
            && !str_contains($name, 'painRight'), ARRAY_FILTER_USE_KEY);
        yield 'a side without numbers' => [$knee('Right') + $left, 'right', true];
        yield 'no numbers at all' => [$knee('Left'), 'left', false];
        yield 'a form that is faulty' => [
            ['bench[trials][0][kneeHeight_left]' => 'abc'] + $knee('Left') + self::filled(),
            'left',
            false,
        ];
        yield 'after one trial' => [$knee('Left') + ['bench[trials][0][kneeHeight_left]' => '14',
            'bench[trials][0][heelDistance]' => '20'], 'left', true];
        yield 'a place without a level' => [['bench[painLeft][level]' => '',
            'bench[painLeft][place]' => 'groin'] + self::filled(), 'left', false];
        yield 'numbness at nothing' => [['bench[painLeft][level]' => '0', 'bench[painLeft][place]' => 'ankle',
            'bench[painLeft][kind]' => 'lasting-numbness'] + self::filled(), 'left', true];
    }

    public function testTheFormSentAgainWithPainAddsIt(): void
    {
        $form = $this->client->request('GET', $this->page)->selectButton('Save test')->form(self::filled());
        $this->client->submit($form);
        $form->setValues(['bench[painRight][level]' => '2', 'bench[painRight][place]' => 'knee']);
        $this->client->submit($form);
        self::assertSelectorTextContains('[role="alert"]', 'saved already');
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}");
        self::assertSelectorTextContains('main', 'Pain in or around a knee');
        self::assertSame(2, $this->howMany(Test::class));
    }

    public function testACorrectionTakesNoPainAway(): void
    {
        $entry = $this->tested($this->practitioner, pain: new Pain(1, PainPlace::Knee));
        $this->client->request('GET', "$this->page/$entry/correct");
        $this->client->submitForm('Save test', ['bench[painLeft][level]' => '0',
            'bench[painLeft][place]' => 'none', 'bench[painRight][level]' => '0', 'bench[painRight][place]' => 'none']);
        self::assertResponseRedirects();
        foreach (['left', 'right'] as $side) {
            $this->client->request('GET', "/practitioners/{$this->practitioner->id}/poses/half-lotus");
            self::assertSelectorTextContains(".side-$side", 'On hold');
        }
    }

    public function testACorrectionIsANewEntryThatNamesTheOld(): void
    {
        $entry = $this->tested($this->practitioner, pain: new Pain(1, PainPlace::InnerThigh));
        $this->client->request('GET', "$this->page/$entry/correct");
        self::assertInputValueSame('bench[trials][0][kneeHeight_left]', '14');
        $this->client->submitForm('Save test', ['bench[trials][0][kneeHeight_left]' => '15']);
        self::assertResponseRedirects();
        self::assertSame(4, $this->howMany(Test::class));
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}");
        self::assertSelectorTextContains('.timeline', '15 cm');
        $this->client->request('GET', "$this->page/$entry/correct");
        self::assertResponseRedirects("/practitioners/{$this->practitioner->id}");
    }

    public function testThePreviewAnswersSideBySide(): void
    {
        $token = (string) $this->client->request('GET', $this->page)->filter('form[data-token]')->attr('data-token');
        $answer = $this->preview(['trials' => [['kneeHeight_left' => '12', 'heelDistance' => '10']]], $token);
        self::assertNull($answer['right']);
        self::assertSame('supported', $answer['left']['gate']);
        self::assertStringContainsString('data-tape="kneeHeight"', $answer['picture'],
            'the body as it was measured, with the tape');
        self::assertSame('rotation', $answer['left']['shows'][0]['ability']);
        self::assertTrue($answer['left']['shows'][0]['atLeast']);
        self::assertGreaterThan(0.0, $answer['left']['shows'][0]['sd']);

        $answer = $this->preview(['trials' => [['kneeHeight_left' => '100', 'heelDistance' => '10',
            'kneeHeight_right' => 'x']]], $token);
        self::assertSame('out-of-reach', $answer['left']['error']['code']);
        self::assertNull($answer['right']);
        self::assertNull($answer['picture'], 'no leg can be drawn there');

        $inches = $this->preview(['unit' => 'in', 'trials' => [['kneeHeight_left' => '4 3/4', 'heelDistance' => '4']]],
            $token);
        $same = $this->preview(['trials' => [['kneeHeight_left' => (string) (4.75 * 2.54),
            'heelDistance' => (string) (4 * 2.54)]]], $token);
        self::assertSame($same['picture'], $inches['picture']);
        self::assertNotSame($this->preview(['trials' => [['kneeHeight_left' => '20', 'heelDistance' => '10']]],
            $token)['picture'], $same['picture'], 'another height is another picture');

        $this->preview([], 'made up');
        self::assertResponseStatusCodeSame(403);
    }

    public function testWithoutABodyTheBodyComesFirst(): void
    {
        $other = $this->practitioner($this->practitioner->teacher, measured: false);
        $this->client->request('GET', "/practitioners/$other->id/tests/soles-together");
        self::assertResponseRedirects("/practitioners/$other->id/body");
    }

    public function testAnOddBodyAsksForAConfirmationThatIsKept(): void
    {
        $page = "/practitioners/{$this->practitioner->id}/body";
        $this->client->request('GET', $page);
        $this->client->submitForm('Save measurements', ['body_form[thighLeft]' => '60', 'body_form[stature]' => '90']);
        self::assertSelectorTextContains('#body_form_stature_error1', '120 to 220');
        $this->client->submitForm('Save measurements', ['body_form[thighLeft]' => '60', 'body_form[stature]' => '168']);
        self::assertSelectorTextContains('#body_form_thighLeft_error1', 'one expects');
        $this->client->submitForm('Save measurements', ['body_form[confirmed]' => true]);
        self::assertResponseRedirects();
        self::assertSame(2, $this->howMany(BodyMeasures::class));
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}");
        self::assertSelectorTextContains('main', 'Confirmed when measured: thigh.left');
    }

    public function testArmsAndTrunkAreMeasuredOnceAndKept(): void
    {
        $page = "/practitioners/{$this->practitioner->id}/body";
        $this->client->request('GET', $page);
        $this->client->submitForm('Save measurements', ['body_form[shoulderToFingertipsLeft]' => '95']);
        self::assertSelectorTextContains('#body_form_shoulderToFingertipsLeft_error1', 'one expects 55.4 to 92.4');
        $this->client->submitForm('Save measurements', ['body_form[stature]' => '178',
            'body_form[shoulderToFingertipsLeft]' => '84', 'body_form[shoulderToFingertipsRight]' => '79,5',
            'body_form[seatToShoulder]' => '57']);
        self::assertSelectorTextContains('#body_form_shoulderToFingertipsRight_error1', 'differ by 4.5 cm');
        $this->client->submitForm('Save measurements', ['body_form[shoulderToFingertipsRight]' => '83,5']);
        self::assertResponseRedirects();
        $this->client->request('GET', $page);
        self::assertInputValueSame('body_form[shoulderToFingertipsRight]', '83.5');
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}");
        self::assertSelectorTextContains('main', 'Shoulder to fingertips');
    }

    public function testABlockThatHangingHandsReachIsKeptAndNotRead(): void
    {
        $person = "/practitioners/{$this->practitioner->id}";
        $this->client->request('GET', "$person/body");
        $this->client->submitForm('Save measurements', ['body_form[kneelingHands]' => '30,5']);
        self::assertResponseRedirects();
        $this->client->request('GET', "$person/tests/kneeling-backbend");
        $this->client->submitForm('Save test', ['bench[painLeft][level]' => '0', 'bench[painRight][level]' => '0',
            'bench[trials][0][blockHeight]' => '31', 'bench[trials][1][blockHeight]' => '31']);
        self::assertResponseRedirects($person);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Hands, kneeling upright');
        self::assertSelectorTextContains('.timeline', 'Not used: Kneeling upright, these hands hang at about 30.5 cm');
    }

    /** @return array<string, string> */
    private static function filled(): array
    {
        $filled = ['bench[painLeft][level]' => '0', 'bench[painRight][level]' => '0'];
        foreach ([0, 1] as $i) {
            $filled["bench[trials][$i][kneeHeight_left]"] = '14';
            $filled["bench[trials][$i][heelDistance]"] = '20';
            $filled["bench[trials][$i][kneeHeight_right]"] = '15,5';
        }

        return $filled;
    }

    /**
     * @param array<string, mixed> $typed
     *
     * @return array<string, mixed>
     */
    private function preview(array $typed, string $token): array
    {
        $this->client->request('POST', "$this->page/preview", ['bench' => $typed], server: ['HTTP_X_TOKEN' => $token]);

        return json_decode((string) $this->client->getResponse()->getContent(), true) ?? [];
    }
}
