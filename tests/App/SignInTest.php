<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\SignInAttempt;
use LucidAscent\App\Security\SignInThrottle;

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
            $this->client->followRedirect();
            self::assertSelectorTextContains('#sign-in-error', 'Invalid credentials');
        }
        self::assertSame(SignInThrottle::FAILURES_PER_ACCOUNT, $this->howMany(SignInAttempt::class));
        // Now even the right one has to wait, and the try is not counted.
        $this->signIn(self::PASSWORD);
        $this->client->followRedirect();
        self::assertSelectorTextContains('#sign-in-error', 'Too many');
        self::assertSame(SignInThrottle::FAILURES_PER_ACCOUNT, $this->howMany(SignInAttempt::class));
    }

    public function testOneAddressCannotTryManyAccounts(): void
    {
        $this->teacher();
        for ($i = 0; $i < SignInThrottle::FAILURES_PER_ADDRESS; ++$i) {
            $this->signIn('not the password', "nobody$i@studio.example");
        }
        $this->signIn(self::PASSWORD);
        $this->client->followRedirect();
        self::assertSelectorTextContains('#sign-in-error', 'Too many');
    }

    public function testAFormFromElsewhereIsRefused(): void
    {
        $this->teacher();
        $this->client->request('POST', '/sign-in', ['email' => 'teacher@studio.example', 'password' => self::PASSWORD, '_csrf_token' => 'made up']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('#sign-in-error', 'Invalid CSRF');
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
