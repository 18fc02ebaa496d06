<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

/**
 * What a passkey says, checked as WebAuthn level 2 has it in sections 7.1 and 7.2 (from memory): for this name, from
 * this address, at somebody's touch, and for a challenge of ours. What kind of device it is nobody asks (no
 * attestation), and whether the device has asked who touched it neither: the password says that. Everything is in
 * base 64 for addresses, as the browser's script sends it.
 */
final readonly class PasskeyProof
{
    private const CREATED = 'webauthn.create';
    private const USED = 'webauthn.get';
    private const HASH_BYTES = 32;
    private const PRESENT = 0x01;
    private const HAS_KEY = 0x40;
    /** Before the length of a credential's name: hash of the name, flags, count, kind of device. */
    private const BEFORE_NAME = self::HASH_BYTES + 1 + 4 + 16;
    private const LONGEST_NAME = 1023;

    /**
     * @param string $origin of the page that asks, such as https://studio.example
     * @param string $host what passkeys are for: its name
     */
    public function __construct(private string $origin, private string $host)
    {
    }

    /**
     * @param array<string, mixed> $sent clientData, authenticatorData and publicKey (SPKI)
     * @param \Closure(string): bool $isOurs whether a challenge is one of ours
     *
     * @return array{string, string}|null the credential's name, and its public half as PEM; null where it is wrong
     */
    public function created(array $sent, \Closure $isOurs): ?array
    {
        $data = self::bytes($sent, 'authenticatorData');
        $key = self::bytes($sent, 'publicKey');
        if (!$this->isAbout($sent, $data, self::CREATED, self::PRESENT | self::HAS_KEY, $isOurs)) {
            return null;
        }
        $length = unpack('n', substr($data, self::BEFORE_NAME, 2))[1] ?? 0;
        $name = substr($data, self::BEFORE_NAME + 2, $length);
        $pem = "-----BEGIN PUBLIC KEY-----\n".chunk_split(base64_encode($key), 64, "\n").'-----END PUBLIC KEY-----';

        return 0 < $length && $length <= self::LONGEST_NAME && strlen($name) === $length && self::isKey($pem)
            ? [self::written($name), $pem]
            : null;
    }

    /**
     * @param array<string, mixed> $sent clientData, authenticatorData and signature
     * @param \Closure(string): bool $isOurs whether a challenge is one of ours, and not used yet
     */
    public function isUseOf(string $pem, array $sent, \Closure $isOurs): bool
    {
        $data = self::bytes($sent, 'authenticatorData');

        // The signature first: a challenge is used up by whoever has the passkey alone.
        return 1 ===
            openssl_verify(
                $data.hash('sha256', self::bytes($sent, 'clientData'), true),
                self::bytes($sent, 'signature'),
                $pem,
                OPENSSL_ALGO_SHA256,
            ) && $this->isAbout($sent, $data, self::USED, self::PRESENT, $isOurs);
    }

    public static function written(string $bytes): string
    {
        return rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');
    }

    /** Empty where it is none. */
    public static function read(string $written): string
    {
        return (string) base64_decode(strtr($written, '-_', '+/'), true);
    }

    /**
     * @param array<string, mixed> $sent
     * @param \Closure(string): bool $isOurs
     */
    private function isAbout(array $sent, string $data, string $what, int $flags, \Closure $isOurs): bool
    {
        $client = json_decode(self::bytes($sent, 'clientData'), true);

        return is_array($client)
            && ($client['type'] ?? null) === $what
            && ($client['origin'] ?? null) === $this->origin
            && true !== ($client['crossOrigin'] ?? null)
            && hash_equals(hash('sha256', $this->host, true), substr($data, 0, self::HASH_BYTES))
            && strlen($data) >= self::HASH_BYTES + 5
            && (ord($data[self::HASH_BYTES]) & $flags) === $flags
            && is_string($client['challenge'] ?? null)
            && $isOurs($client['challenge']);
    }

    /** ES256 or RS256: what every browser makes, and this PHP can check. */
    private static function isKey(string $pem): bool
    {
        $key = openssl_pkey_get_public($pem);
        $details = false === $key ? false : openssl_pkey_get_details($key);

        return match (true) {
            false === $details => false,
            OPENSSL_KEYTYPE_EC === $details['type'] => 'prime256v1' === ($details['ec']['curve_name'] ?? ''),
            OPENSSL_KEYTYPE_RSA === $details['type'] => $details['bits'] >= 2048,
            default => false,
        };
    }

    /** @param array<string, mixed> $sent */
    private static function bytes(array $sent, string $name): string
    {
        $written = $sent[$name] ?? '';

        return is_string($written) ? self::read($written) : '';
    }
}
