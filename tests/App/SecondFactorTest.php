<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\SecondFactor;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Security\SecondFactors;
use LucidAscent\App\Security\TimedCode;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** Codes of an app beside the password. */
final class SecondFactorTest extends AppTestCase
{
    use ClockSensitiveTrait;

    private const NOW = '2026-12-01 10:00:10';

    private Teacher $teacher;

    protected function setUp(): void
    {
        parent::setUp();
        self::mockTime(self::NOW);
        $this->teacher = $this->teacher();
        $this->teacher->changePassword(self::getContainer()->get('security.user_password_hasher')
            ->hashPassword($this->teacher, self::PASSWORD));
        $this->em()->flush();
    }

    /** RFC 6238, appendix B, its last six digits; the secret and the hash are those of its first rows. */
    #[TestWith([59, '287082'])]
    #[TestWith([1111111109, '081804'])]
    #[TestWith([1111111111, '050471'])]
    #[TestWith([1234567890, '005924'])]
    #[TestWith([2000000000, '279037'])]
    #[TestWith([20000000000, '353130'])]
    public function testCodesAreThoseOfTheStandard(int $seconds, string $code): void
    {
        $secret = '12345678901234567890';
        self::assertSame($code, TimedCode::of($secret, intdiv($seconds, 30)));
        $at = static fn (int $more): \DateTimeImmutable => new \DateTimeImmutable('@'.($seconds + $more));
        $spaced = substr($code, 0, 3).' '.substr($code, 3);
        foreach ([-30 => true, 0 => true, 30 => true, -95 => false, 90 => false] as $off => $isGood) {
            self::assertSame($isGood ? intdiv($seconds, 30) : null, TimedCode::step($secret, $spaced, $at($off)),
                "$off seconds off");
        }
    }

    /** RFC 4648, section 10, where nothing has to be filled up. */
    public function testASecretIsWrittenInBase32(): void
    {
        self::assertSame('MZXW6YTB', TimedCode::written('fooba'));
        self::assertSame(32, strlen(TimedCode::written(TimedCode::secret())));
        self::assertSame('otpauth://totp/Lucid%20Ascent%3Aa%40b.example?secret=MZXW6YTB&issuer=Lucid%20Ascent',
            TimedCode::address('fooba', 'a@b.example'));
    }

    public function testItIsBegunWithACodeThatTheAppShows(): void
    {
        $this->signIn();
        $secret = $this->offered();
        $this->client->submitForm('Turn on', ['code' => '000000']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', 'not the code');
        self::assertSame(0, $this->howMany(SecondFactor::class));
        self::assertSame($secret, $this->shown(), 'The app has it already.');
        $this->client->submitForm('Turn on', ['code' => $this->code($secret)]);
        self::assertCount(8, $this->client->getCrawler()->filter('main li'));
        $row = $this->em()->getConnection()->fetchAssociative('SELECT secret, recovery FROM second_factor') ?: [];
        self::assertStringNotContainsString($secret, (string) $row['secret']);
        self::assertStringNotContainsString(trim($this->client->getCrawler()->filter('main li')->text()),
            (string) $row['recovery']);
    }

    public function testWithoutACodeNobodySignsInAndNoneIsGoodTwice(): void
    {
        [$secret, $paper] = $this->begun();
        foreach (['', '123456', $this->code($secret)] as $code) {
            // The one that began it was used then.
            self::assertFalse($this->signsIn($code), $code);
        }
        self::assertSelectorTextContains('.fault', 'password or code is wrong');
        self::mockTime('+40 seconds');
        self::assertTrue($this->signsIn($this->code($secret)));
        self::assertFalse($this->signsIn($this->code($secret)), 'Somebody looked over a shoulder.');
        self::mockTime('+30 seconds');
        $old = $this->code($secret);
        self::mockTime('+95 seconds');
        self::assertFalse($this->signsIn($old), 'It is over.');
        self::assertTrue($this->signsIn(" $paper "), 'The app is lost.');
        self::assertFalse($this->signsIn($paper));
        self::assertFalse($this->signsIn($this->code($secret), 'a wrong password'));
        self::assertTrue($this->signsIn($this->code($secret)), 'It was not used up by a wrong password.');
    }

    public function testWrongCodesCountLikeWrongPasswords(): void
    {
        [$secret] = $this->begun();
        self::mockTime('+2 minutes');
        for ($i = 0; $i < 5; ++$i) {
            self::assertFalse($this->signsIn("00000$i"));
        }
        self::assertFalse($this->signsIn($this->code($secret)), 'The account is closed for a while.');
        self::mockTime('+16 minutes');
        self::assertTrue($this->signsIn($this->code($secret)));
    }

    public function testItIsEndedByWhoHasThePassword(): void
    {
        $this->begun();
        $this->client->request('POST', '/account/second-factor', ['do' => 'end']);
        self::assertResponseStatusCodeSame(403);
        self::mockTime('+20 minutes');
        $this->client->request('GET', '/account/second-factor');
        self::assertResponseRedirects('/account/password?back=/account/second-factor');
        $this->client->request('POST', '/account/second-factor', ['do' => 'end']);
        self::assertResponseRedirects('/account/password?back=/account/second-factor');
        $this->client->followRedirect();
        $this->client->submitForm('Continue', ['password' => self::PASSWORD]);
        $this->client->followRedirect();
        $this->client->submitForm('Turn off');
        self::assertTrue($this->signsIn(''));
        // Begun anew, and the phone is in the lake.
        $this->begun();
        self::assertFalse($this->signsIn(''));
        $this->em()->clear();
        self::getContainer()->get(SecondFactors::class)->end($this->anew());
        self::assertTrue($this->signsIn(''));
    }

    public function testAnotherOneTakesThePlaceOfTheFirst(): void
    {
        [$first] = $this->begun();
        self::mockTime('+1 minute');
        $second = $this->offered();
        $this->client->submitForm('Turn on', ['code' => $this->code($second)]);
        self::mockTime('+1 minute');
        self::assertFalse($this->signsIn($this->code($first)));
        self::assertTrue($this->signsIn($this->code($second)));
    }

    private function anew(): Teacher
    {
        return $this->em()->find(Teacher::class, $this->teacher->id) ?? self::fail();
    }

    /** @return array{string, string} what the app has, and a code on paper */
    private function begun(): array
    {
        $this->signIn();
        $secret = $this->offered();
        $this->client->submitForm('Turn on', ['code' => $this->code($secret)]);

        return [$secret, trim($this->client->getCrawler()->filter('main li')->text())];
    }

    private function offered(): string
    {
        $this->client->request('GET', '/account/second-factor');

        return $this->shown();
    }

    private function shown(): string
    {
        parse_str((string) parse_url((string) $this->client->getCrawler()->filter('[data-own-address]')
            ->attr('data-own-address'), PHP_URL_QUERY), $address);

        return (string) $address['secret'];
    }

    /** @param string $secret in base 32 */
    private function code(string $secret): string
    {
        $bits = implode('', array_map(static fn (string $sign): string => str_pad(decbin((int) strpos(
            'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567', $sign)), 5, '0', STR_PAD_LEFT), str_split($secret)));
        $bytes = implode('', array_map(static fn (string $eight): string => chr((int) bindec($eight)),
            str_split($bits, 8)));

        return TimedCode::of($bytes, intdiv(self::getContainer()->get('clock')->now()->getTimestamp(), 30));
    }

    private function signIn(): void
    {
        self::assertTrue($this->signsIn(''));
    }

    private function signsIn(string $code, string $password = self::PASSWORD): bool
    {
        $this->client->getCookieJar()->clear();
        $this->client->request('GET', '/sign-in');
        $this->client->submitForm('Sign in', ['email' => $this->teacher->email, 'password' => $password,
            'code' => $code]);

        return $this->client->getResponse()->isRedirect();
    }
}
