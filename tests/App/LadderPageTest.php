<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\Core\Practice\Step;

final class LadderPageTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $page;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->tested($this->practitioner);
        $this->page = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($teacher);
    }

    public function testThreeCleanSessionsMoveOnOnlyAsFarAsTheGateAllows(): void
    {
        // This sitting gives no knee height for the next rung, so that the ladder ends here for now.
        foreach (['-3 days', '-2 days', '-1 day'] as $day) {
            $this->check($day);
        }
        self::assertSelectorTextContains('main', 'Stay on this rung');
        self::assertSelectorTextContains('main', 'the reading does not open the next rung');
        self::assertSelectorNotExists('input[value="move-on"]');
    }

    public function testOverrulingNeedsAReason(): void
    {
        $this->check('today');
        $this->client->submitForm('Record the decision', ['decision_form[step]' => 'step-back', 'decision_form[why]' => 'no']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#decision_form_why_error1', 'Write down why');
        $this->client->submitForm('Record the decision', ['decision_form[step]' => 'step-back', 'decision_form[why]' => 'Looked tired, so a gentler week.']);
        self::assertResponseRedirects("$this->page/ladder");
        $decision = $this->em()->getRepository(Decision::class)->findOneBy([]);
        self::assertInstanceOf(Decision::class, $decision);
        self::assertSame(Step::Stay, $decision->proposed);
        self::assertSame(Step::StepBack, $decision->step);
        self::assertSame('hip-circle', $decision->rungAfter);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Hip circle');
    }

    public function testADecisionIsMadeOnce(): void
    {
        $this->check('today');
        $address = $this->client->getRequest()->getRequestUri();
        $form = $this->client->getCrawler()->selectButton('Record the decision')->form();
        $this->client->submit($form);
        $this->client->submit($form);
        self::assertSame(1, $this->howMany(Decision::class));
        self::assertSelectorTextContains('main', 'it stands');
        $this->client->request('GET', $address);
        self::assertSelectorTextContains('h1', 'Decided');
    }

    public function testKneePainStopsAndOnlyAWrittenClearanceLiftsIt(): void
    {
        $this->check('today', ['check_form[pain][level]' => '1', 'check_form[pain][place]' => 'knee']);
        self::assertSelectorTextContains('main', 'Stop, and refer');
        self::assertSelectorCount(1, 'input[type=radio][name="decision_form[step]"]');
        $this->client->submitForm('Record the decision');
        $this->client->followRedirect();
        self::assertSelectorTextContains('.caution', 'Practice was stopped');

        $this->client->request('GET', "$this->page/clearance/left");
        $this->client->submitForm('Record the clearance', ['clearance_form[clearedBy]' => '  ', 'clearance_form[reason]' => 'ok']);
        self::assertSelectorTextContains('#clearance_form_clearedBy_error1', 'Name the person');
        $form = $this->client->getCrawler()->selectButton('Record the clearance')->form([
            'clearance_form[clearedBy]' => 'A. Clinician, physiotherapist',
            'clearance_form[reason]' => 'Nothing found; folded sitting is allowed again.',
        ]);
        $this->client->submit($form);
        $this->client->submit($form);
        self::assertSelectorTextContains('main', 'not held any more');
        self::assertSame(1, $this->howMany(Clearance::class));
        $this->client->request('GET', "$this->page/reading");
        self::assertSelectorTextContains('main', 'not been tested since');
    }

    public function testAStopCannotBeOverruledByHand(): void
    {
        $this->check('today', ['check_form[pain][level]' => '1', 'check_form[pain][place]' => 'knee']);
        $form = $this->client->getCrawler()->selectButton('Record the decision')->form();
        $values = $form->getPhpValues();
        $values['decision_form']['step'] = 'stay';
        $this->client->request('POST', $form->getUri(), $values);
        self::assertResponseStatusCodeSame(422);
        self::assertSame(0, $this->howMany(Decision::class));
    }

    public function testAnUnansweredCheckIsNamedBesideTheField(): void
    {
        $this->client->request('GET', "$this->page/ladder/check/left");
        $this->client->submitForm('Record, and see what comes next', ['check_form[practisedOn]' => '2999-01-01']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#check_form_holdReached_error1', 'Answer yes or no');
        self::assertSelectorTextContains('#check_form_practisedOn_error1', 'not in the future');
        self::assertSame(0, $this->howMany(RungCheck::class));
    }

    public function testAnswersForAnotherRungAreNotRecorded(): void
    {
        $form = $this->client->request('GET', "$this->page/ladder/check/left")->selectButton('Record, and see what comes next')->form([
            'check_form[holdReached]' => '1', 'check_form[evenBreath]' => '1', 'check_form[pain][level]' => '0', 'check_form[rung]' => 'seated-half-lotus',
        ]);
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'Meanwhile this side was moved');
        self::assertSame(0, $this->howMany(RungCheck::class));
    }

    private function check(string $day, array $answers = []): void
    {
        $this->client->request('GET', "$this->page/ladder/check/left");
        $this->client->submitForm('Record, and see what comes next', $answers + [
            'check_form[practisedOn]' => (new \DateTimeImmutable($day))->format('Y-m-d'),
            'check_form[holdReached]' => '1',
            'check_form[evenBreath]' => '1',
            'check_form[pain][level]' => '0',
        ]);
        self::assertResponseRedirects();
        $this->client->followRedirect();
    }
}
