<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Text\ReasonText;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Readiness\State;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\DomCrawler\Crawler;
use Symfony\Component\Uid\Uuid;

final class LadderPageTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $page;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->page = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($teacher);
    }

    public function testThreeCleanSessionsMoveOn(): void
    {
        self::assertSame('Lying figure four', $this->here());
        foreach (['-3 days', '-2 days', '-1 day'] as $day) {
            $this->check($day);
        }
        self::assertSelectorTextContains('main', 'Go to the next rung');
        $this->client->submitForm('Save decision');
        self::assertSame('Lying knee drops', $this->here(), 'one rung, and no further');
    }

    public function testHowFarTheHandsGetIsSaidOfEachSideAndHeldAgainstWhatWasUsed(): void
    {
        $lines = fn (): string => $this->client->request('GET', "$this->page/ladder/seated-hamstring")
            ->filter('.stair p')->reduce(static fn (Crawler $p): bool => str_starts_with($p->text(), 'Reach'))
            ->text();
        self::assertMatchesRegularExpression(
            '/Left: At best: Strap, \d+ cm, give or take \d+ cm\. .*Not measured: hamstrings\..*Right: At best: Strap/u',
            $lines(),
        );
        preg_match('/Strap, (\d+) cm/', $lines(), $m);
        foreach (['as predicted' => 1.0, 'longer than predicted' => 40.0] as $says => $more) {
            $of = $this->em()->find(Practitioner::class, $this->practitioner->id) ?? self::fail();
            $this->em()->persist(new RungCheck(Uuid::v7(), $of, $of->teacher, 'seated-hamstring', Side::Left, 'upright',
                new \DateTimeImmutable('today'), new \DateTimeImmutable(), (float) ($m[1] ?? 0) + $more, true, true, 0,
                PainPlace::None, PainKind::Stretch, [], false, ''));
            $this->em()->flush();
            self::assertMatchesRegularExpression("/Last used: [\\d.]+ cm, $says\\./", $lines());
        }
        $of = $this->em()->find(Practitioner::class, $this->practitioner->id) ?? self::fail();
        $this->em()->persist(new PainSaid(Uuid::v7(), $of, $of->teacher, new \DateTimeImmutable(),
            new \DateTimeImmutable('today'), Side::Left, 6, PainPlace::SittingBone, PainKind::Sharp, 'anamnesis'));
        $this->em()->flush();
        self::assertStringNotContainsString('Left:', $lines(), 'Nothing is offered to a side that is held.');
    }

    public function testOverrulingNeedsAReasonAndAStepBackIsOneRung(): void
    {
        foreach (['-3 days', '-2 days', '-1 day'] as $day) {
            $this->check($day);
        }
        $this->client->submitForm('Save decision');
        $this->check('today');
        $this->client->submitForm('Save decision', ['decision_form[step]' => 'step-back',
            'decision_form[why]' => 'no']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#decision_form_why_error1', 'Write in a few words why');
        $this->client->submitForm('Save decision', ['decision_form[step]' => 'step-back',
            'decision_form[why]' => 'Looked tired, so a gentler week.']);
        self::assertResponseRedirects("$this->page/ladder");
        $decisions = $this->em()->getRepository(Decision::class)->findBy([], ['at' => 'ASC']);
        self::assertSame([Step::Stay, Step::StepBack, 'lying-figure-four'],
            [$decisions[1]->proposed, $decisions[1]->step, $decisions[1]->rungAfter]);
        self::assertSame('Lying figure four', $this->here());
    }

    public function testACheckWaitsForItsDecisionWhateverCameLater(): void
    {
        $waiting = fn (): array => $this->client->request('GET', "$this->page/ladder/half-lotus")
            ->filter('.note a[href*="/checks/"]')->extract(['_text']);
        $day = static fn (string $when): string => (new \DateTimeImmutable($when))->format('j M Y');
        $this->check('-3 days', ['check_form[compensations]' => ['pelvis-turns']]);
        $this->check('-1 day');
        self::assertSame(['What comes next?', $day('-3 days')], $waiting());
        $this->client->clickLink('What comes next?');
        $this->client->submitForm('Save decision');
        self::assertSame([], $waiting(), 'The decision rests on both.');
        $this->check('-2 days');
        self::assertSame(['What comes next?'], $waiting(), 'It came in after the decision.');
    }

    public function testADecisionIsMadeOnce(): void
    {
        $this->check('today');
        $address = $this->client->getRequest()->getRequestUri();
        $form = $this->client->getCrawler()->selectButton('Save decision')->form();
        $this->client->submit($form);
        $this->client->submit($form);
        self::assertSame(1, $this->howMany(Decision::class));
        self::assertSelectorTextContains('main', 'It stands');
        $this->client->request('GET', $address);
        self::assertSelectorTextContains('h1', 'Decision, left side');
    }

    public function testKneePainStopsAndOnlyAWordThatNamesItLiftsIt(): void
    {
        $this->check('today', ['check_form[pain][level]' => '3', 'check_form[pain][place]' => 'knee']);
        self::assertSelectorTextContains('main', 'Stop and refer');
        self::assertSelectorCount(1, 'input[type=radio][name="decision_form[step]"]');
        $this->client->submitForm('Save decision');
        $this->client->followRedirect();
        self::assertSelectorTextContains('.caution', 'On hold (Pain in or around a knee)');
        self::assertSame('', $this->here());
        $this->client->request('GET', "$this->page/ladder/half-lotus/check/left");
        self::assertResponseRedirects("$this->page/ladder");

        $this->client->request('GET', "$this->page/clearance");
        $form = $this->client->getCrawler()->selectButton('Save clearance')
            ->form(['clearance_form[clearedBy]' => '  ', 'clearance_form[allows]' => 'ok']);
        $this->client->submit($form);
        self::assertSelectorTextContains('#clearance_form_clearedBy_error1', 'Name the person');
        self::assertSelectorTextContains('#clearance_form_profession_error1', 'Enter their profession');
        self::assertSelectorTextContains('main', 'Choose what is allowed');
        self::assertSelectorTextContains('main', 'Choose what it clears');
        $this->clear('teacher');
        self::assertSelectorTextContains('main', 'cleared by a licensed clinician');
        self::assertSame(0, $this->howMany(Clearance::class));
        $this->clear('clinician');
        self::assertResponseRedirects();
        self::assertSame(1, $this->howMany(Clearance::class));
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Test first');
        $this->client->request('GET', "$this->page/clearance");
        self::assertSelectorTextContains('main', 'Nothing is on hold');
        $this->client->request('GET', "$this->page/poses/half-lotus");
        self::assertSelectorTextContains('main', 'with a test for it alone');
        self::assertSame('Lying figure four', $this->here(), 'gentle work goes on');
    }

    public function testAPartThatIsAllowedLeavesTheRestHeld(): void
    {
        $this->em()->persist(new Assessment(Uuid::v7(), $this->practitioner, $this->practitioner->teacher,
            new \DateTimeImmutable('-9 days'), false, [], [], ['knee-surgery:left'], '', false, 0, PainPlace::None,
            PainKind::Ache));
        $this->em()->flush();
        $part = ['extent' => 'part'];
        $this->clear('clinician', $part);
        self::assertSelectorTextContains('main', 'Enter below what is not allowed');
        $this->clear('clinician', ['extent' => 'all', 'kneeFlexion' => '115']);
        self::assertSelectorTextContains('main', 'so this is “in part”');
        $this->clear('clinician', $part + ['kneeFlexion' => '400']);
        self::assertSelectorTextContains('main', 'An angle is 0 to 180');
        self::assertSame(0, $this->howMany(Clearance::class));
        $this->clear('clinician', ['extent' => 'nothing']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'stays so');
        $this->clear('clinician', $part + ['kneeFlexion' => '115']);
        self::assertResponseRedirects();
        foreach ([$this->page, "$this->page/referral"] as $page) {
            $this->client->request('GET', $page);
            self::assertSelectorTextContains('main', 'Allowed in part: knee flexion up to 115°', $page);
        }
        $this->client->request('GET', "$this->page/poses/half-lotus");
        self::assertSelectorTextContains('main', 'On hold (Knee surgery)');
    }

    public function testEachFormBesideARungSaysWhereEachSideStands(): void
    {
        $this->client->request('GET', "$this->page/ladder/pigeon");
        $text = $this->client->getCrawler()->filter('main')->text();
        self::assertStringContainsString('may be practised', $text);
        self::assertStringContainsString('First the rung below', $text,
            'a form of a rung that waits for the rungs below it');
        $this->check('today', ['check_form[pain][level]' => '3', 'check_form[pain][place]' => 'knee']);
        $this->client->submitForm('Save decision');
        $this->client->request('GET', "$this->page/ladder/half-lotus");
        $poses = self::getContainer()->get(ReadPerson::class)->now($this->practitioner);
        self::assertNotNull($poses);
        $form = $poses->form('half-lotus', 'other-straight', Side::Left);
        self::assertNotNull($form);
        self::assertSame(State::Held, $form->reading->state());
        self::assertFalse($form->isOpen());
    }

    /** A rung that reads as ready above the practised one says why it is not practised. */
    public function testARungAboveThePractisedOneSaysWhatClosesIt(): void
    {
        $this->tested($this->practitioner);
        $poses = self::getContainer()->get(ReadPerson::class)->now($this->practitioner) ?? self::fail();
        $seen = 0;
        foreach (['half-lotus', 'pigeon', 'shins-stacked', 'soles-together'] as $posture) {
            $page = $this->client->request('GET', "$this->page/ladder/$posture");
            foreach (Side::cases() as $side) {
                $pose = $poses->of($posture, $side);
                $stand = $pose->onLadder();
                $isAbove = false;
                foreach ($pose->rungs() as $rung) {
                    $isAbove = $isAbove && $rung->rung->id !== $stand->rung?->rung->id;
                    $bars = $stand->closing($rung->rung->id);
                    if ($isAbove && State::Open === $rung->state() && [] !== $bars) {
                        ++$seen;
                        self::assertStringContainsString(self::getContainer()->get(ReasonText::class)->text($bars[0]),
                            $page->filter('main')->text(), "$posture {$rung->rung->id} $side->value");
                    }
                    $isAbove = $isAbove || $rung->rung->id === $stand->rung?->rung->id;
                }
            }
        }
        self::assertGreaterThan(0, $seen);
    }

    public function testAStopCannotBeOverruledByHand(): void
    {
        $this->check('today', ['check_form[pain][level]' => '1', 'check_form[pain][place]' => 'knee']);
        $form = $this->client->getCrawler()->selectButton('Save decision')->form();
        $values = $form->getPhpValues();
        $values['decision_form']['step'] = 'stay';
        $this->client->request('POST', $form->getUri(), $values);
        self::assertResponseStatusCodeSame(422);
        self::assertSame(0, $this->howMany(Decision::class));
    }

    public function testASlipOfThePenIsTakenBackWithAReason(): void
    {
        $this->check('today', ['check_form[pain][level]' => '1', 'check_form[pain][place]' => 'knee']);
        $this->client->request('GET', $this->page);
        $this->client->submitForm('Take it back (both stay in the record)', ['why' => '']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'Say why');
        self::assertSelectorTextContains('main', 'Pain in or around a knee');
        $this->client->submitForm('Take it back (both stay in the record)', ['why' => 'Meant for somebody else.']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'taken back as a mistake. Meant for somebody else.');
        self::assertSame('Lying figure four', $this->here());
    }

    public function testAnUnansweredCheckIsNamedBesideTheField(): void
    {
        $this->client->request('GET', "$this->page/ladder/half-lotus/check/left");
        $this->client->submitForm('Save and see what comes next', ['check_form[practisedOn]' => '2999-01-01']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#check_form_holdReached_error1', 'Answer yes or no');
        self::assertSelectorTextContains('#check_form_practisedOn_error1', 'not in the future');
        self::assertSame(0, $this->howMany(RungCheck::class));
    }

    public function testPainInAFaultyCheckAndInOneSentAgainIsKept(): void
    {
        $form = $this->client->request('GET', "$this->page/ladder/half-lotus/check/left")
            ->selectButton('Save and see what comes next')
            ->form(['check_form[pain][level]' => '1', 'check_form[pain][place]' => 'knee']);
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(422);
        self::assertSame([0, 1], [$this->howMany(RungCheck::class), $this->howMany(PainSaid::class)]);
        self::assertSame('', $this->here());
        $this->client->request('GET', "$this->page/ladder/half-lotus/check/right");
        self::assertResponseRedirects("$this->page/ladder",
            message: 'In a figure four the other thigh carries the foot.');
        $other = $this->client->request('GET', "$this->page/ladder/leg-cradle/check/right")
            ->selectButton('Save and see what comes next')
            ->form(['check_form[holdReached]' => '1', 'check_form[evenBreath]' => '1',
                'check_form[pain][level]' => '0']);
        $this->client->submit($other);
        $other->setValues(['check_form[pain][level]' => '2', 'check_form[pain][place]' => 'groin',
            'check_form[pain][kind]' => 'pinching']);
        $this->client->submit($other);
        self::assertSame([1, 2], [$this->howMany(RungCheck::class), $this->howMany(PainSaid::class)]);
        $this->client->request('GET', "$this->page/ladder/leg-cradle/check/right");
        self::assertResponseRedirects("$this->page/ladder/leg-cradle");
    }

    public function testAnswersForAnotherRungAreNotRecorded(): void
    {
        $form = $this->client->request('GET', "$this->page/ladder/half-lotus/check/left")
            ->selectButton('Save and see what comes next')->form([
                'check_form[holdReached]' => '1', 'check_form[evenBreath]' => '1', 'check_form[pain][level]' => '0',
                'check_form[rung]' => 'seated-half-lotus',
            ]);
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'This side was moved');
        self::assertSame(0, $this->howMany(RungCheck::class));
    }

    #[TestWith(['half-lotus'])]
    #[TestWith(['pigeon'])]
    #[TestWith(['deep-pigeon'])]
    #[TestWith(['camel'])]
    public function testEveryPostureHasItsLadderItsCheckAndItsWalk(string $posture): void
    {
        foreach (["ladder/$posture", "ladder/$posture/check/left", "walk/$posture"] as $page) {
            $this->client->request('GET', "$this->page/$page");
            self::assertResponseIsSuccessful();
        }
        $this->client->request('GET', "$this->page/ladder/no-such");
        self::assertResponseStatusCodeSame(404);
    }

    public function testAWalkUpTheLadderRecordsWhatWasSeenUntilItIsNotClean(): void
    {
        $this->client->request('GET', "$this->page/walk/half-lotus");
        self::assertSelectorTextContains('h1', 'Lying figure four, left');
        $this->client->submitForm('Save and continue', ['walk_form[seen]' => 'clean', 'walk_form[pain][level]' => '1',
            'walk_form[pain][place]' => 'groin']);
        self::assertSelectorTextContains('#walk_form_seen_error1', 'is not clean');
        $this->client->submitForm('Save and continue', ['walk_form[seen]' => 'clean', 'walk_form[pain][level]' => '0',
            'walk_form[pain][place]' => 'none']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Lying figure four, right');
        $this->client->submitForm('Save and continue', ['walk_form[seen]' => 'not-clean',
            'walk_form[why]' => 'The knee hurt', 'walk_form[pain][level]' => '0']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#walk_form_why_error1', 'Say above where and how it is');
        $this->client->submitForm('Save and continue', ['walk_form[note_read]' => true]);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Lying knee drops, left', 'left goes on; right has ended');
        self::assertSame(2, $this->howMany(SeenRung::class));
        self::assertSame('Lying knee drops', $this->here());
        self::assertSame('Lying figure four', $this->here('right'));
    }

    public function testAWalkInvitesNothingThatIsHeldAndRecordsPain(): void
    {
        $this->client->request('GET', "$this->page/walk/leg-cradle");
        $this->client->submitForm('Save and continue', ['walk_form[seen]' => 'not-tried',
            'walk_form[pain][level]' => '1',
            'walk_form[pain][place]' => 'knee']);
        self::assertSame([0, 1], [$this->howMany(SeenRung::class), $this->howMany(PainSaid::class)]);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'right', 'the left side is held');
        $this->client->request('GET', "$this->page/walk/half-lotus?rung=seated-half-lotus&side=left");
        self::assertSelectorTextContains('.caution', 'Not advised here');
    }

    private function here(string $side = 'left'): string
    {
        $crawler = $this->client->request('GET', "$this->page/ladder");
        $here = $crawler->filter("[data-stand^='half-lotus $side ']");
        if (0 === $here->count()) {
            return '';
        }

        return (string) preg_replace('/^\d+ · /', '', $here->closest('.stair')?->filter('summary')->text() ?? '');
    }

    /** @param array<string, string|list<string>> $answers */
    private function check(string $day, array $answers = []): void
    {
        $this->client->request('GET', "$this->page/ladder/half-lotus/check/left");
        $this->client->submitForm('Save and see what comes next', $answers + [
            'check_form[practisedOn]' => (new \DateTimeImmutable($day))->format('Y-m-d'),
            'check_form[holdReached]' => '1',
            'check_form[evenBreath]' => '1',
            'check_form[pain][level]' => '0',
        ]);
        self::assertResponseRedirects();
        $this->client->followRedirect();
    }

    /** @param array<string, string> $allowance */
    private function clear(string $word, array $allowance = ['extent' => 'all']): void
    {
        $crawler = $this->client->request('GET', "$this->page/clearance");
        $form = $crawler->selectButton('Save clearance')
            ->form(['clearance_form[word]' => $word, 'clearance_form[clearedBy]' => 'A. Clinician',
                'clearance_form[profession]' => 'physiotherapist',
                ...array_combine(array_map(static fn (string $name): string => "clearance_form[allowance][$name]",
                    array_keys($allowance)), $allowance),
                'clearance_form[allows]' => 'Nothing found; folded sitting is allowed again.',
                'clearance_form[asked]' => true]);
        foreach (self::boxes($form, 'clearance_form[names]') as $name) {
            $name->tick();
        }
        $this->client->submit($form);
    }
}
