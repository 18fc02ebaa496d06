<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\SignInAttempt;
use LucidAscent\App\Security\OneAtATime;
use LucidAscent\App\Security\SignInThrottle;
use PHPUnit\Framework\Attributes\TestWith;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\PasswordHasher\PasswordHasherInterface;
use Symfony\Component\Security\Core\Exception\BadCredentialsException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authenticator\AuthenticatorInterface;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;

final class SignInTest extends AppTestCase
{
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
        self::assertSelectorTextContains('h1', 'On the mat');
    }

    public function testEveryTryIsOnRecordAndTooManyAreRefused(): void
    {
        $this->teacher();
        for ($i = 0; $i < SignInThrottle::FAILURES_PER_ACCOUNT; ++$i) {
            $this->signIn('not the password');
            self::assertResponseStatusCodeSame(401);
            self::assertSelectorTextContains('#sign-in-error', 'Invalid credentials');
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
        self::assertSelectorTextContains('#sign-in-error', 'Invalid credentials');
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
            $this->client->submitForm('Change the password', ['change_password_form[current]' => 'wrong',
                'change_password_form[new][first]' => 'another long password',
                'change_password_form[new][second]' => 'another long password']);
            self::assertResponseStatusCodeSame(422);
        }
        $this->client->submitForm('Change the password', ['change_password_form[current]' => self::PASSWORD,
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
            new RequestStack(), $hashers, self::getContainer()->get(OneAtATime::class));
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
        $this->client->submitForm('Change the password', [
            'change_password_form[current]' => 'wrong',
            'change_password_form[new][first]' => 'short',
            'change_password_form[new][second]' => 'short',
        ]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'This is not the current password.');
        self::assertSelectorTextContains('main', 'A password has at least 12 characters.');
        $this->client->submitForm('Change the password', [
            'change_password_form[current]' => self::PASSWORD,
            'change_password_form[new][first]' => 'another long password',
            'change_password_form[new][second]' => 'another long password',
        ]);
        self::assertResponseRedirects('/');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'The password is changed.');
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
