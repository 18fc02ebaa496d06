<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Security\SealedForm;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\DomCrawler\Form;
use Symfony\Component\Uid\Uuid;

/**
 * The sign-in ends while somebody fills in a form: what was typed comes back after signing in again, and is not
 * recorded by that.
 */
final class FormThroughSignInTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->practitioner = $this->practitioner($this->teacher());
        $this->teacher('other@studio.example');
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->client->request('GET', '/sign-in');
        $this->signIn();
    }

    public function testWhatWasTypedComesBackAndIsNotRecorded(): void
    {
        $form = $this->typed();
        $bodies = $this->howMany(BodyMeasures::class);
        $this->endSignIn();
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(401);
        self::assertSelectorTextContains('.note[role="status"]', 'nothing is lost');
        $this->signIn('not the password');
        self::assertResponseStatusCodeSame(401);
        $this->signIn();
        self::assertResponseRedirects();
        $this->client->followRedirect();
        self::assertSame("$this->home/body", $this->client->getRequest()->getRequestUri());
        self::assertSelectorTextContains('[role="alert"]', 'What you typed is still here');
        self::assertInputValueSame('body_form[stature]', '173.5');
        self::assertSame($bodies, $this->howMany(BodyMeasures::class));
        $this->client->submit($this->client->getCrawler()->filter('form[name="body_form"]')->form());
        self::assertSame($bodies + 1, $this->howMany(BodyMeasures::class));
        $this->client->request('GET', "$this->home/body");
        self::assertResponseIsSuccessful('It comes back once.');
    }

    public function testWhatHurtHoldsAsSoonAsItIsBack(): void
    {
        $form = $this->client->request('GET', "$this->home/assessments/new")->filter('form[name="before"]')->form();
        $form->setValues(['before[pain][level]' => '4', 'before[pain][place]' => 'knee',
            'before[note]' => 'since the stairs']);
        $this->endSignIn();
        $this->client->submit($form);
        self::assertSame(0, $this->howMany(PainSaid::class));
        $this->signIn();
        $this->client->followRedirect();
        self::assertSelectorTextContains('#before_note', 'since the stairs');
        self::assertSame(1, $this->howMany(PainSaid::class));
        self::assertSame(0, $this->howMany(Assessment::class));
    }

    public function testAnotherTeacherDoesNotSeeIt(): void
    {
        $form = $this->client->request('GET', '/practitioners/new')->filter('form[name="practitioner_form"]')->form();
        $form->setValues(['practitioner_form[name]' => 'Imre of the hill']);
        $this->endSignIn();
        $this->client->submit($form);
        self::assertStringNotContainsString('Imre', (string) $this->client->getResponse()->getContent(),
            'Sealed on the way.');
        $this->signIn(email: 'other@studio.example');
        $this->client->followRedirect();
        self::assertStringNotContainsString('Imre', (string) $this->client->getResponse()->getContent());
    }

    public function testAButtonIsNotPressedTwice(): void
    {
        $this->client->request('GET', "$this->home/assessments/new");
        $this->client->submitForm('Show the tests',
            ['before[consent]' => '1', 'before[pain][level]' => '0', 'before[warm]' => '1']);
        $crawler = $this->client->followRedirect();
        $page = $this->client->getRequest()->getRequestUri();
        $form = $crawler->filter('form[action$="/end"]')->form();
        $this->endSignIn();
        $this->client->submit($form);
        self::assertSelectorTextContains('.note[role="status"]', 'was not done');
        $this->signIn();
        $this->client->followRedirect();
        self::assertSame($page, $this->client->getRequest()->getRequestUri());
        self::assertResponseIsSuccessful();
    }

    public function testALongEntryBroughtInComesBack(): void
    {
        $form = $this->client->request('GET', '/library/own')->filter('main form')->form();
        $form->setValues(['text' => "id: typed-for-an-hour\n"]);
        $this->endSignIn();
        $this->client->submit($form);
        $this->signIn();
        $this->client->followRedirect();
        self::assertSelectorTextContains('#text', 'typed-for-an-hour');
    }

    public function testAnAddressThatIsNoneSignsNobodyOut(): void
    {
        foreach (['/no-such-page', "$this->home/lab/left"] as $none) {
            $this->client->request('GET', $none);
            $this->client->request('GET', $this->home);
            self::assertResponseIsSuccessful();
        }
    }

    #[TestWith(['another'])]
    #[TestWith(['changed'])]
    #[TestWith(['old'])]
    #[TestWith(['none'])]
    public function testASealOpensForItsTeacherInTimeAlone(string $how): void
    {
        $clock = new MockClock('2026-03-01 10:00');
        $sealed = new SealedForm('a secret', $clock);
        [$one, $two] = [Uuid::v7(), Uuid::v7()];
        $text = (string) $sealed->seal($one, '/x', ['a' => '1']);
        self::assertSame(['path' => '/x', 'fields' => ['a' => '1']], $sealed->open($one, $text));
        $clock->sleep('old' === $how ? 13 * 3600 : 11 * 3600);
        $text = match ($how) {
            'changed' => substr_replace($text, 'A' === $text[50] ? 'B' : 'A', 50, 1),
            'none' => 'x',
            default => $text,
        };
        self::assertNull($sealed->open('another' === $how ? $two : $one, $text));
    }

    public function testWhatIsTooMuchIsNotCarried(): void
    {
        self::assertNull((new SealedForm('a secret', new MockClock()))
            ->seal(Uuid::v7(), '/x', ['a' => str_repeat('x', 200_000)]));
        self::assertNull((new SealedForm('a secret', new MockClock()))->seal(Uuid::v7(), '/x', ['a' => "\xff"]));
    }

    private function typed(): Form
    {
        $form = $this->client->request('GET', "$this->home/body")->filter('form[name="body_form"]')->form();
        $form->setValues(['body_form[stature]' => '173.5']);

        return $form;
    }

    private function endSignIn(): void
    {
        $this->client->getCookieJar()->expire('MOCKSESSID');
    }

    private function signIn(string $password = self::PASSWORD, string $email = 'teacher@studio.example'): void
    {
        $this->client->submitForm('Sign in', ['email' => $email, 'password' => $password]);
    }
}
