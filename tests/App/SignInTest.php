<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\PasswordChange;
use LucidAscent\App\Entity\SignedIn;
use LucidAscent\App\Entity\SignedInEnd;
use LucidAscent\App\Entity\SignInAttempt;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\SignedInRecords;
use LucidAscent\App\Security\OneAtATime;
use LucidAscent\App\Security\PasswordRule;
use LucidAscent\App\Security\SignInThrottle;
use PHPUnit\Framework\Attributes\TestWith;
use Psr\Clock\ClockInterface;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\PasswordHasher\PasswordHasherInterface;
use Symfony\Component\Security\Core\Exception\BadCredentialsException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authenticator\AuthenticatorInterface;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;
use Symfony\Component\Uid\Uuid;

final class SignInTest extends AppTestCase
{
    use ClockSensitiveTrait;

    public function testNothingIsShownWithoutSigningIn(): void
    {
        $this->client->request('GET', '/');
        self::assertResponseRedirects('http://localhost/sign-in');
    }

    public function testTheRightPasswordOpens(): void
    {
        $this->teacher();
        $this->signIn(self::PASSWORD);
        self::assertResponseRedirects('http://localhost/');
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Today');
    }

    public function testEveryTryIsOnRecordAndTooManyAreRefused(): void
    {
        $this->teacher();
        for ($i = 0; $i < SignInThrottle::FAILURES_PER_ACCOUNT; ++$i) {
            $this->signIn('not the password');
            self::assertResponseStatusCodeSame(401);
            self::assertSelectorTextContains('#sign-in-error', 'E-mail, password or code is wrong');
        }
        self::assertSame(SignInThrottle::FAILURES_PER_ACCOUNT, $this->howMany(SignInAttempt::class));
        // Now even the right one has to wait, and the try is not counted.
        $this->signIn(self::PASSWORD);
        self::assertSelectorTextContains('#sign-in-error', 'Too many');
        self::assertSame(SignInThrottle::FAILURES_PER_ACCOUNT, $this->howMany(SignInAttempt::class));
    }

    public function testATryIsForgottenAfterThreeMonths(): void
    {
        $this->teacher();
        $old = static fn (string $when): SignInAttempt => new SignInAttempt('somebody@studio.example', '192.0.2.1',
            false, new \DateTimeImmutable($when));
        $this->em()->persist($old('-91 days'));
        $this->em()->persist($old('-89 days'));
        $this->em()->flush();
        $this->signIn(self::PASSWORD);
        self::assertSame(2, $this->howMany(SignInAttempt::class), 'One of before, and this one.');
    }

    public function testOneAddressCannotTryManyAccounts(): void
    {
        $this->teacher();
        for ($i = 0; $i < SignInThrottle::FAILURES_PER_ADDRESS; ++$i) {
            $this->signIn('not the password', "nobody$i@studio.example");
        }
        $this->signIn(self::PASSWORD);
        self::assertSelectorTextContains('#sign-in-error', 'Too many');
    }

    /** Twenty tries at the practitioners' door close that door, and no teacher's. */
    public function testEachDoorCountsForItself(): void
    {
        $this->teacher();
        $throttle = self::getContainer()->get(SignInThrottle::class);
        for ($i = 0; $i < SignInThrottle::FAILURES_PER_ADDRESS; ++$i) {
            self::assertTrue($throttle->allowsWords());
            $throttle->wrongWords();
        }
        self::assertFalse($throttle->allowsWords());
        self::assertTrue($throttle->allows('teacher@studio.example'));
        for ($i = 0; $i < SignInThrottle::FAILURES_PER_ADDRESS; ++$i) {
            $throttle->keep("nobody$i@studio.example", false);
        }
        self::assertFalse($throttle->allows('teacher@studio.example'));
    }

    public function testAFormFromElsewhereIsRefused(): void
    {
        $this->teacher();
        $this->client->request('POST', '/sign-in', ['email' => 'teacher@studio.example', 'password' => self::PASSWORD,
            '_csrf_token' => 'made up'], server: ['HTTP_ORIGIN' => 'http://elsewhere.example',
                'HTTP_REFERER' => 'http://elsewhere.example/']);
        self::assertSelectorTextContains('#sign-in-error', 'Invalid CSRF');
    }

    public function testAVisitorLeavesNoSession(): void
    {
        foreach (['/', '/sign-in', '/practitioners/new', '/feed/'.str_repeat('0', 48).'.ics'] as $page) {
            $this->client->request('GET', $page);
            self::assertNull($this->client->getResponse()->headers->get('Set-Cookie'), $page);
        }
        $this->teacher();
        $this->signIn('wrong');
        self::assertSelectorTextContains('#sign-in-error', 'E-mail, password or code is wrong');
        self::assertInputValueSame('email', 'teacher@studio.example', 'What was typed is there.');
        self::assertNull($this->client->getResponse()->headers->get('Set-Cookie'), 'Nor does a try that failed.');
        $this->signIn(self::PASSWORD);
        self::assertNotNull($this->client->getResponse()->headers->get('Set-Cookie'));
    }

    public function testOneComesBackToThePageThatOneAskedFor(): void
    {
        $this->teacher();
        $this->client->request('GET', '/library?q=pigeon');
        $this->client->followRedirect();
        $this->client->submitForm('Sign in', ['email' => 'teacher@studio.example', 'password' => 'wrong']);
        $this->client->submitForm('Sign in', ['email' => 'teacher@studio.example', 'password' => self::PASSWORD]);
        self::assertResponseRedirects('/library?q=pigeon');
    }

    #[TestWith(['https://elsewhere.example/'])]
    #[TestWith(['//elsewhere.example/'])]
    #[TestWith(['/\elsewhere.example/'])]
    #[TestWith(["/\t/elsewhere.example/"])]
    #[TestWith(['javascript:alert(1)'])]
    public function testAndNeverElsewhere(string $back): void
    {
        $this->teacher();
        $this->client->request('GET', '/sign-in', ['back' => $back]);
        self::assertSelectorNotExists('[name="_target_path"]');
        $form = $this->client->getCrawler()->selectButton('Sign in')
            ->form(['email' => 'teacher@studio.example', 'password' => self::PASSWORD]);
        $this->client->request('POST', '/sign-in', $form->getPhpValues() + ['_target_path' => $back]);
        self::assertResponseRedirects('/');
    }

    public function testWrongPasswordsOnTheAccountPageCountToo(): void
    {
        $this->client->loginUser($this->teacher());
        for ($i = 0; $i < SignInThrottle::FAILURES_PER_ACCOUNT; ++$i) {
            $this->client->request('GET', '/account');
            $this->client->submitForm('Change password', ['change_password_form[current]' => 'wrong',
                'change_password_form[new][first]' => 'another long password',
                'change_password_form[new][second]' => 'another long password']);
            self::assertResponseStatusCodeSame(422);
        }
        $this->client->submitForm('Change password', ['change_password_form[current]' => self::PASSWORD,
            'change_password_form[new][first]' => 'another long password',
            'change_password_form[new][second]' => 'another long password']);
        self::assertResponseRedirects('/account');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Too many wrong passwords');
    }

    /** An address that nobody has costs as much work as a wrong password. */
    public function testATryForNobodyIsHashedAsWell(): void
    {
        $hasher = $this->createMock(PasswordHasherInterface::class);
        $hasher->expects(self::once())->method('hash');
        $hashers = $this->createMock(PasswordHasherFactoryInterface::class);
        $hashers->method('getPasswordHasher')->willReturn($hasher);
        $throttle = new SignInThrottle($this->em(), self::getContainer()->get(ClockInterface::class),
            new RequestStack(), $hashers, self::getContainer()->get(OneAtATime::class),
            self::getContainer()->get(SignedInRecords::class));
        $failed = static fn (?\Throwable $because): LoginFailureEvent => new LoginFailureEvent(
            new BadCredentialsException('', 0, $because),
            self::createStub(AuthenticatorInterface::class),
            new Request(),
            null,
            'main',
        );
        $throttle->failed($failed(new UserNotFoundException()));
        $throttle->failed($failed(null));
    }

    public function testThePasswordCanBeChanged(): void
    {
        $teacher = $this->teacher();
        $this->client->loginUser($teacher);
        $this->client->request('GET', '/account');
        $this->client->submitForm('Change password', [
            'change_password_form[current]' => 'wrong',
            'change_password_form[new][first]' => 'short',
            'change_password_form[new][second]' => 'short',
        ]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'This is not your current password.');
        self::assertSelectorTextContains('main', 'A password has at least 12 characters.');
        $this->client->submitForm('Change password', [
            'change_password_form[current]' => self::PASSWORD,
            'change_password_form[new][first]' => 'another long password',
            'change_password_form[new][second]' => 'another long password',
        ]);
        self::assertResponseRedirects('/');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'The password is changed.');
    }

    public function testABrowserIsSignedOutAfterTwelveHoursAndAFormComesBackThroughTheNextSignIn(): void
    {
        $this->teacher();
        $this->signIn(self::PASSWORD);
        self::mockTime('+11 hours 59 minutes');
        $this->client->request('GET', '/account');
        self::assertResponseIsSuccessful();
        self::mockTime('+12 hours 1 minute');
        $this->client->request('GET', '/account');
        self::assertResponseRedirects('http://localhost/sign-in?back=/account');
    }

    public function testABrowserIsSignedOutFromAnotherOneByItsOwnerAlone(): void
    {
        $teacher = $this->teacher();
        $this->signIn(self::PASSWORD);
        $first = $this->em()->getRepository(SignedIn::class)->findAll()[0];
        $jar = $this->client->getCookieJar();
        $session = $jar->get('MOCKSESSID') ?? throw new \LogicException();
        $jar->clear();
        $this->teacher('other@studio.example');
        $this->signIn(self::PASSWORD, 'other@studio.example');
        $page = $this->client->request('GET', '/account/password');
        $token = $page->filter('input[name="_token"]')->attr('value');
        $this->client->request('POST', "/account/browsers/$first->id/end", ['_token' => $token ?? '']);
        self::assertSame(0, $this->howMany(SignedInEnd::class), 'Another teacher ends nothing of it.');

        $jar->clear();
        $this->signIn(self::PASSWORD);
        $page = $this->client->request('GET', '/account');
        self::assertCount(1, $page->filter('form[action*="/account/browsers/"]'), 'This one has no button.');
        $this->client->submit($page->filter('form[action$="'.$first->id.'/end"]')->form());
        self::assertResponseRedirects('/account');
        $jar->set($session);
        $this->client->request('GET', '/account');
        self::assertResponseRedirects('http://localhost/sign-in?back=/account');
        self::assertSame($teacher->email, $first->teacher->email);
    }

    public function testANewPasswordEndsEveryOtherBrowserAndIsToldAtTheNextSignIn(): void
    {
        $this->teacher();
        $this->signIn(self::PASSWORD);
        $this->client->getCookieJar()->clear();
        self::mockTime('+1 minute');
        $this->signIn(self::PASSWORD);
        $this->client->request('GET', '/account');
        $this->client->submitForm('Change password', [
            'change_password_form[current]' => self::PASSWORD,
            'change_password_form[new][first]' => 'another long sentence',
            'change_password_form[new][second]' => 'another long sentence',
        ]);
        self::assertSame(2, $this->howMany(SignedInEnd::class), 'The other one, and this one as it was.');
        self::assertCount(1, $this->client->request('GET', '/account')->filter('main li strong'));
        $this->client->getCookieJar()->clear();
        self::mockTime('+2 minutes');
        foreach ([1, 2, 3] as $try) {
            $this->signIn("wrong $try");
        }
        $this->signIn('another long sentence');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', '3 wrong passwords were tried since you last signed in.');
        // Changed in this browser, which signed in anew by it: that is told to nobody who sat there.
        self::assertSelectorTextNotContains('main', 'Your password was changed');
        $this->client->getCookieJar()->clear();
        $teacher = $this->em()->getRepository(Teacher::class)->findAll()[0];
        $this->em()->persist(new PasswordChange(Uuid::v7(), $teacher, new \DateTimeImmutable('+3 minutes')));
        $this->em()->flush();
        self::mockTime('+4 minutes');
        $this->signIn('another long sentence');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Your password was changed');
        self::assertSelectorTextNotContains('main', 'wrong passwords');
    }

    public function testAWholeRecordLeavesAfterThePasswordAlone(): void
    {
        $record = '/practitioners/'.$this->practitioner($this->teacher())->id.'/record.json';
        $this->signIn(self::PASSWORD);
        $this->client->request('GET', $record);
        self::assertResponseIsSuccessful();
        self::mockTime('+16 minutes');
        foreach (['json', 'csv', 'zip'] as $format) {
            $this->client->request('GET', substr($record, 0, -4).$format);
            self::assertResponseRedirects();
        }
        $this->client->followRedirect();
        $this->client->submitForm('Continue', ['password' => 'wrong']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', 'This is not your current password.');
        $this->client->request('GET', $record);
        self::assertResponseRedirects("/account/password?back=$record");
        $this->client->followRedirect();
        $this->client->submitForm('Continue', ['password' => self::PASSWORD]);
        self::assertResponseRedirects($record);
        $this->client->followRedirect();
        self::assertResponseIsSuccessful();
        // Wrong ones count, as at the door.
        self::mockTime('+40 minutes');
        $this->client->request('GET', "/account/password?back=$record");
        for ($try = 0; $try < 5; ++$try) {
            $this->client->submitForm('Continue', ['password' => 'wrong']);
        }
        $this->client->submitForm('Continue', ['password' => self::PASSWORD]);
        self::assertSelectorTextContains('.fault', 'Too many wrong passwords.');
    }

    public function testSigningOutClearsWhatTheBrowserKeeps(): void
    {
        $this->teacher();
        $this->signIn(self::PASSWORD);
        $this->client->request('GET', '/account');
        $this->client->submitForm('Sign out');
        self::assertResponseRedirects('/sign-in');
        // Storage stays: a log that waits there to be sent may say that something hurts.
        self::assertSame('"cache"', $this->client->getResponse()->headers->get('Clear-Site-Data'));
        self::assertSame(1, $this->howMany(SignedInEnd::class));
    }

    public function testWhoIsRefusedIsInALogOfItsOwnWithoutAWordAboutAnybody(): void
    {
        $log = self::getContainer()->getParameter('kernel.logs_dir').'/security.log';
        $person = $this->practitioner($this->teacher());
        $other = $this->teacher('other@studio.example');
        $this->signIn('wrong', 'other@studio.example');
        $this->signIn(self::PASSWORD, 'other@studio.example');
        $before = (int) filesize($log);
        $this->client->request('POST', '/account/browsers/x/end', ['_token' => 'none']);
        self::assertResponseStatusCodeSame(403);
        $this->client->request('GET', "/practitioners/$person->id?q=knee");
        self::assertResponseStatusCodeSame(404);
        clearstatcache();
        $written = (string) file_get_contents($log, offset: $before);
        self::assertStringContainsString('refused', $written);
        self::assertStringContainsString('not found', $written);
        self::assertStringContainsString((string) $other->id, $written);
        self::assertStringContainsString('browser_end', $written);
        self::assertStringNotContainsString($person->name, $written);
        self::assertStringNotContainsString('knee', $written);
        self::assertStringNotContainsString((string) $person->id, $written);
        self::assertStringContainsString('wrong password', (string) file_get_contents($log));
    }

    #[TestWith(['short', 'account.password.short'])]
    #[TestWith(['qazwsxedcrfv', 'account.password.easy'], 'in the list')]
    #[TestWith(['Password2026!', 'account.password.easy'], 'a word of the list and figures')]
    #[TestWith(['123456789012345', 'account.password.easy'], 'figures')]
    #[TestWith(['abcabcabcabcabc', 'account.password.easy'], 'again and again')]
    #[TestWith(['qwertyletmein', 'account.password.easy'], 'two of the list')]
    #[TestWith(['maren-tolvik-99', 'account.password.easy'], 'name and figures')]
    #[TestWith(['maren@studio.example', 'account.password.easy'], 'the address')]
    #[TestWith(['a long enough password', null])]
    #[TestWith(['blåbær og havre til alle', null], 'not of ASCII')]
    #[TestWith(['6973a10d3881', null], 'drawn')]
    public function testAPasswordIsLongAndNotAmongThoseThatAreTriedFirst(string $password, ?string $because): void
    {
        $own = ['Maren Tolvik', 'maren@studio.example'];
        $fault = self::getContainer()->get(PasswordRule::class)->fault($password, $own);
        null === $because ? self::assertNull($fault) : self::assertStringContainsString($because, (string) $fault);
    }

    public function testAPasswordOfManyBytesIsReadToItsEnd(): void
    {
        $long = str_repeat('ø', 100);
        $rule = self::getContainer()->get(PasswordRule::class);
        self::assertNotNull($rule->fault(str_repeat('words of many sorts ', 7), []));
        $teacher = $this->teacher();
        $hasher = self::getContainer()->get(UserPasswordHasherInterface::class);
        $teacher->changePassword($hasher->hashPassword($teacher, "$long end"));
        self::assertTrue($hasher->isPasswordValid($teacher, "$long end"));
        self::assertFalse($hasher->isPasswordValid($teacher, "$long and"));
    }

    public function testEveryPageKeepsToItself(): void
    {
        $this->client->request('GET', '/sign-in');
        $headers = $this->client->getResponse()->headers;
        self::assertStringContainsString("default-src 'none'", (string) $headers->get('Content-Security-Policy'));
        self::assertStringNotContainsString('unsafe', (string) $headers->get('Content-Security-Policy'));
        self::assertSame('nosniff', $headers->get('X-Content-Type-Options'));
        self::assertStringContainsString('no-store', (string) $headers->get('Cache-Control'));
        self::assertStringNotContainsString('style="', (string) $this->client->getResponse()->getContent());
    }

    private function signIn(string $password, string $email = 'teacher@studio.example'): void
    {
        $this->client->request('GET', '/sign-in');
        $this->client->submitForm('Sign in', ['email' => $email, 'password' => $password]);
    }
}
