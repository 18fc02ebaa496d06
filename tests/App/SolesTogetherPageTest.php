<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\Trial;
use LucidAscent\Core\Testing\Pain;
use LucidAscent\Core\Testing\PainPlace;

final class SolesTogetherPageTest extends AppTestCase
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
        $this->client->submitForm('Record the test', self::filled());
        self::assertResponseRedirects("/practitioners/{$this->practitioner->id}/reading");
        self::assertSame(2, $this->howMany(Test::class));
        self::assertSame(4, $this->howMany(Trial::class));
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Lying or supported');
        self::assertSelectorTextContains('main', 'This sitting shows at least');
    }

    public function testSendingItTwiceKeepsOneRecord(): void
    {
        $form = $this->client->request('GET', $this->page)->selectButton('Record the test')->form(self::filled());
        $this->client->submit($form);
        $this->client->submit($form);
        self::assertResponseRedirects();
        self::assertSame(2, $this->howMany(Test::class));
    }

    public function testWrongInputIsNamedBesideTheFieldAndNothingIsLost(): void
    {
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Record the test', [
            'soles_together_form[trials][0][left]' => 'abc',
            'soles_together_form[trials][0][heels]' => '-3',
            'soles_together_form[trials][0][right]' => '12,5',
            'soles_together_form[trials][1][left]' => '14',
        ]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#soles_together_form_trials_0_left_error1', 'Write a number in cm');
        self::assertSelectorTextContains('#soles_together_form_trials_0_heels_error1', 'from 0 to 130 cm');
        self::assertSelectorTextContains('#soles_together_form_trials_1_heels_error1', 'lacks a number');
        self::assertSelectorTextContains('main', 'Ask about pain');
        self::assertInputValueSame('soles_together_form[trials][0][left]', 'abc');
        self::assertInputValueSame('soles_together_form[trials][1][left]', '14');
        self::assertSame(0, $this->howMany(Test::class));
    }

    public function testOneTrialIsTooFew(): void
    {
        $this->client->request('GET', $this->page);
        $filled = self::filled();
        foreach (['left', 'heels', 'right'] as $field) {
            unset($filled["soles_together_form[trials][1][$field]"]);
        }
        $this->client->submitForm('Record the test', $filled);
        self::assertSelectorTextContains('#soles_together_form_trials_1_heels_error1', 'at least twice');
    }

    public function testNumbersThatFitNoLegAreRefusedBesideTheKnee(): void
    {
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Record the test', ['soles_together_form[trials][1][heels]' => '95'] + self::filled());
        self::assertSelectorTextContains('#soles_together_form_trials_1_left_error1', 'No leg of this length');
    }

    public function testPainInAKneeHoldsThatSideAndShutsItsLadder(): void
    {
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Record the test', [
            'soles_together_form[painRight][level]' => '1',
            'soles_together_form[painRight][place]' => 'knee',
        ] + self::filled());
        $this->client->followRedirect();
        self::assertSelectorTextContains('.spine', 'Held');
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/ladder/check/right");
        self::assertResponseRedirects("/practitioners/{$this->practitioner->id}/ladder");
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/ladder/check/left");
        self::assertResponseIsSuccessful();
    }

    public function testACorrectionIsANewEntryThatNamesTheOld(): void
    {
        $entry = $this->tested($this->practitioner, pain: new Pain(1, PainPlace::InnerThigh));
        $this->client->request('GET', "$this->page/$entry/correct");
        self::assertInputValueSame('soles_together_form[trials][0][left]', '14');
        $this->client->submitForm('Record the test', ['soles_together_form[trials][0][left]' => '15']);
        self::assertResponseRedirects();
        self::assertSame(4, $this->howMany(Test::class));
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}");
        self::assertSelectorTextContains('main', '14.5');
        $this->client->request('GET', "$this->page/$entry/correct");
        self::assertResponseRedirects("/practitioners/{$this->practitioner->id}");
    }

    public function testThePreviewAnswersSideBySide(): void
    {
        $crawler = $this->client->request('GET', $this->page);
        $token = $crawler->filter('form[data-token]')->attr('data-token');
        $answer = $this->preview(['seat' => 0, 'left' => [['kneeHeight' => 12, 'heelDistance' => 10]], 'right' => []], (string) $token);
        self::assertNull($answer['right']);
        self::assertSame('supported', $answer['left']['gate']);
        self::assertEqualsWithDelta(12.0, $answer['left']['figure']['knee'][2], 1e-9);
        self::assertGreaterThan(0.0, $answer['left']['angles']['rotation']['sd']);

        $answer = $this->preview(['seat' => 0, 'left' => [['kneeHeight' => 100, 'heelDistance' => 10]], 'right' => [['kneeHeight' => 'x', 'heelDistance' => 1]]], (string) $token);
        self::assertSame('out-of-reach', $answer['left']['error']['code']);
        self::assertSame('bad-input', $answer['right']['error']['code']);

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
        $this->client->submitForm('Record the body', ['body_form[thighLeft]' => '60', 'body_form[stature]' => '90']);
        self::assertSelectorTextContains('#body_form_stature_error1', 'from 120 to 220');
        $this->client->submitForm('Record the body', ['body_form[thighLeft]' => '60', 'body_form[stature]' => '168']);
        self::assertSelectorTextContains('#body_form_thighLeft_error1', 'one expects');
        $this->client->submitForm('Record the body', ['body_form[confirmed]' => true]);
        self::assertResponseRedirects();
        self::assertSame(2, $this->howMany(BodyMeasures::class));
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}");
        self::assertSelectorTextContains('main', 'Confirmed when measured: thigh.left');
    }

    /** @return array<string, string> */
    private static function filled(): array
    {
        $filled = ['soles_together_form[painLeft][level]' => '0', 'soles_together_form[painRight][level]' => '0'];
        foreach ([0, 1] as $i) {
            $filled["soles_together_form[trials][$i][left]"] = '14';
            $filled["soles_together_form[trials][$i][heels]"] = '20';
            $filled["soles_together_form[trials][$i][right]"] = '15,5';
        }

        return $filled;
    }

    private function preview(array $question, string $token): array
    {
        $this->client->request('POST', "$this->page/preview", server: ['HTTP_X_TOKEN' => $token, 'CONTENT_TYPE' => 'application/json'], content: (string) json_encode($question));

        return json_decode((string) $this->client->getResponse()->getContent(), true) ?? [];
    }
}
