<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Security\PasskeyProof;
use LucidAscent\App\Security\SecondFactors;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\DomCrawler\Form;

/** Passkeys beside the password, of a device that is made here as the standard has it. */
final class PasskeyTest extends AppTestCase
{
    use ClockSensitiveTrait;

    private const NAME = 'the name of a credential';

    private Teacher $teacher;
    private \OpenSSLAsymmetricKey $device;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->device = self::keys();
    }

    public function testAPasskeyIsMadeUsedAndRemoved(): void
    {
        $paper = $this->made();
        self::assertCount(8, $paper);
        $this->signIn();
        self::assertResponseStatusCodeSame(401, 'A password alone is not enough any more.');
        $this->signIn($this->used(...));
        self::assertResponseRedirects('/');
        $this->client->getCookieJar()->clear();
        $this->signIn(code: $paper[0]);
        self::assertResponseRedirects('/', null, 'A code on paper, when the device is away.');
        $this->client->getCookieJar()->clear();
        $this->signIn(code: $paper[0]);
        self::assertResponseStatusCodeSame(401);

        $this->loginAnew($this->teacher);
        $this->client->request('GET', '/account/second-factor');
        self::assertSelectorTextContains('.members', 'My phone');
        $this->client->submitForm('Remove');
        $this->client->getCookieJar()->clear();
        $this->signIn($this->used(...));
        self::assertResponseRedirects('/', null, 'The password is enough again.');
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $but */
    #[DataProvider('wrong')]
    public function testWhatIsNotOfThisDevicePageAndMomentOpensNothing(\Closure $but): void
    {
        $this->made();
        $this->signIn(fn (string $challenge): array => $this->used($challenge, ...$but([])));
        self::assertResponseStatusCodeSame(401);
    }

    /** @return iterable<string, array{\Closure}> */
    public static function wrong(): iterable
    {
        foreach ([
            'another device' => ['by' => self::keys()],
            'another page' => ['origin' => 'http://elsewhere.example'],
            'another name' => ['host' => 'elsewhere.example'],
            'nobody there' => ['flags' => 0x00],
            'made, not used' => ['type' => 'webauthn.create'],
            'a challenge that nobody set' => ['as' => PasskeyProof::written(pack('J', time() + 300).
                str_repeat('x', 32))],
            'a page within another' => ['crossOrigin' => true],
            'a credential that nobody has' => ['id' => 'AAAA'],
        ] as $what => $but) {
            yield $what => [static fn (): array => $but];
        }
    }

    public function testAChallengeIsAnsweredOnceAndSoon(): void
    {
        $this->made();
        $sent = null;
        $this->signIn(function (string $challenge) use (&$sent): array {
            return $sent = $this->used($challenge);
        });
        self::assertResponseRedirects('/');
        $this->client->getCookieJar()->clear();
        $this->signIn(static fn (): ?array => $sent);
        self::assertResponseStatusCodeSame(401, 'Whoever has overheard it comes too late.');
        $this->client->request('GET', '/sign-in');
        $late = $this->client->getCrawler()->filter('[data-passkey-use]')->attr('data-passkey-use');
        self::mockTime('+61 minutes');
        $this->signIn(fn (): array => $this->used((string) $late));
        self::assertResponseStatusCodeSame(401);
    }

    public function testAnothersPasskeyOpensNothing(): void
    {
        $this->made();
        $other = $this->teacher('other@studio.example');
        $mine = $this->device;
        $this->device = self::keys();
        $this->made($other, 'another credential');
        $this->signIn(fn (string $challenge): array => $this->used($challenge, id: PasskeyProof::written(
            'another credential')));
        self::assertResponseStatusCodeSame(401);
        $this->device = $mine;
        $this->signIn($this->used(...));
        self::assertResponseRedirects('/');
    }

    public function testWhatADeviceSaysThatIsNotRightIsNotKept(): void
    {
        $this->client->loginUser($this->teacher);
        foreach (['{}', 'no json', '[]', json_encode(['clientData' => [], 'authenticatorData' => 1]), json_encode(
            ['origin' => 'http://elsewhere.example'] + $this->create('AAAA'))] as $sent) {
            $form = $this->form();
            $this->client->submit($form, ['passkey' => (string) $sent]);
            self::assertResponseStatusCodeSame(422);
            self::assertSelectorTextContains('[data-passkey-fault]:not([hidden])', 'did not confirm');
        }
        self::assertFalse(self::getContainer()->get(SecondFactors::class)->isAsked($this->teacher));
    }

    /** @param array<string, int|string> $rsaOrCurve of a device's keys */
    #[TestWith([['private_key_type' => OPENSSL_KEYTYPE_EC, 'curve_name' => 'secp256k1'], false])]
    #[TestWith([['private_key_type' => OPENSSL_KEYTYPE_RSA, 'private_key_bits' => 1024], false])]
    #[TestWith([['private_key_type' => OPENSSL_KEYTYPE_RSA, 'private_key_bits' => 2048], true])]
    public function testKeysAreOfTheKindsThatCount(array $rsaOrCurve, bool $isGood): void
    {
        $this->device = openssl_pkey_new($rsaOrCurve) ?: throw new \RuntimeException((string) openssl_error_string());
        self::assertSame($isGood, null !== $this->proof($this->create('ours')));
    }

    public function testACredentialHasANameAsLongAsItSays(): void
    {
        $sent = $this->create('ours');
        self::assertNotNull($this->proof($sent));
        self::assertNull($this->proof($this->create('ours', '')), 'no name');
        self::assertNull($this->proof($this->create('ours', str_repeat('x', 1024))), 'too long a name');
        $data = (string) base64_decode(strtr($sent['authenticatorData'], '-_', '+/'), true);
        foreach (['cut off' => substr($data, 0, 60), 'without a key' => substr_replace($data, chr(0x01), 32, 1),
            'nobody there' => substr_replace($data, chr(0x40), 32, 1)] as $what => $bytes) {
            self::assertNull($this->proof(['authenticatorData' => PasskeyProof::written($bytes)] + $sent), $what);
        }
    }

    /**
     * @param array<string, mixed> $sent
     *
     * @return array{string, string}|null
     */
    private function proof(array $sent): ?array
    {
        return (new PasskeyProof('http://localhost', 'localhost'))->created($sent,
            static fn (string $challenge): bool => 'ours' === $challenge);
    }

    /** @return list<string> the codes on paper */
    private function made(?Teacher $of = null, string $name = self::NAME): array
    {
        $this->loginAnew($of ?? $this->teacher);
        $form = $this->form();
        $challenge = (string) $this->client->getCrawler()->filter('[data-passkey-make]')->attr('data-passkey-make');
        $this->client->submit($form, ['name' => 'My phone', 'passkey' => (string) json_encode(
            $this->create($challenge, $name))]);
        self::assertResponseIsSuccessful();
        $paper = $this->client->getCrawler()->filter('ul.figures li')->each(static fn ($one): string => $one->text());
        $this->client->getCookieJar()->clear();

        return $paper;
    }

    private function form(): Form
    {
        return $this->client->request('GET', '/account/second-factor')->selectButton('Add a passkey')->form();
    }

    /** @param (\Closure(string): (array<string, mixed>|null))|null $device what it says to a challenge */
    private function signIn(?\Closure $device = null, string $code = ''): void
    {
        $crawler = $this->client->request('GET', '/sign-in');
        $challenge = (string) $crawler->filter('[data-passkey-use]')->attr('data-passkey-use');
        $this->client->submitForm('Sign in', ['email' => $this->teacher->email, 'password' => self::PASSWORD,
            'code' => $code, 'passkey' => null === $device ? '' : (string) json_encode($device($challenge))]);
    }

    /** @return array<string, string> as a device says it that has made a passkey */
    private function create(string $challenge, string $name = self::NAME): array
    {
        $details = openssl_pkey_get_details($this->device) ?: [];
        $public = base64_decode((string) preg_replace('/-----[^-]+-----|\s/', '', $details['key']), true);

        return [
            'clientData' => self::client('webauthn.create', $challenge, 'http://localhost'),
            'authenticatorData' => PasskeyProof::written(hash('sha256', 'localhost', true).chr(0x41).pack('N', 0).
                str_repeat("\0", 16).pack('n', strlen($name)).$name.'a key as a device writes it'),
            'publicKey' => PasskeyProof::written((string) $public),
        ];
    }

    /** @return array<string, string> as a device says it that is used */
    private function used(
        string $challenge,
        ?\OpenSSLAsymmetricKey $by = null,
        string $origin = 'http://localhost',
        string $host = 'localhost',
        int $flags = 0x01,
        string $type = 'webauthn.get',
        ?string $as = null,
        ?string $id = null,
        bool $crossOrigin = false,
    ): array {
        $client = self::client($type, $as ?? $challenge, $origin, $crossOrigin);
        $data = hash('sha256', $host, true).chr($flags).pack('N', 0);
        openssl_sign($data.hash('sha256', (string) base64_decode(strtr($client, '-_', '+/'), true), true), $signature,
            $by ?? $this->device, OPENSSL_ALGO_SHA256);

        return ['id' => $id ?? PasskeyProof::written(self::NAME), 'clientData' => $client,
            'authenticatorData' => PasskeyProof::written($data), 'signature' => PasskeyProof::written($signature)];
    }

    private static function client(
        string $type,
        string $challenge,
        string $origin,
        bool $crossOrigin = false,
    ): string {
        return PasskeyProof::written((string) json_encode(['type' => $type, 'challenge' => $challenge,
            'origin' => $origin, 'crossOrigin' => $crossOrigin]));
    }

    private static function keys(): \OpenSSLAsymmetricKey
    {
        return openssl_pkey_new(['private_key_type' => OPENSSL_KEYTYPE_EC, 'curve_name' => 'prime256v1'])
            ?: throw new \RuntimeException((string) openssl_error_string());
    }
}
