<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Database\Seal;
use Symfony\Component\DependencyInjection\Attribute\Autoconfigure;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What lies on a disk sealed (XChaCha20-Poly1305), under a key that is in no database. The newest seals; those before
 * it open, until everything has been sealed anew.
 */
#[Autoconfigure(public: true)]
final readonly class AtRest implements Seal
{
    private const MARK = "LA1\0";

    /** @var non-empty-list<string> of 32 bytes, the newest first */
    private array $keys;

    /** @param string $keys in hex, the newest first, with blanks between; empty for one that is made of the secret */
    public function __construct(
        #[Autowire('%env(AT_REST_KEYS)%')]
        #[\SensitiveParameter]
        string $keys,
        #[Autowire('%env(APP_SECRET)%')]
        #[\SensitiveParameter]
        string $secret,
    ) {
        $made = hash_hkdf('sha256', $secret, SODIUM_CRYPTO_AEAD_XCHACHA20POLY1305_IETF_KEYBYTES, 'at rest');
        $known = array_map(
            static fn (string $hex): string => 1 === preg_match('/^[0-9a-f]{64}$/', $hex)
                ? sodium_hex2bin($hex)
                : throw new \InvalidArgumentException('A key has 64 signs, 0 to 9 and a to f.'),
            preg_split('/\s+/', $keys, -1, PREG_SPLIT_NO_EMPTY) ?: [],
        );
        $this->keys = [] === $known ? [$made] : $known;
    }

    public function seal(#[\SensitiveParameter] string $plain, string $of): string
    {
        $nonce = random_bytes(SODIUM_CRYPTO_AEAD_XCHACHA20POLY1305_IETF_NPUBBYTES);

        return self::MARK.$nonce.
            sodium_crypto_aead_xchacha20poly1305_ietf_encrypt($plain, $of, $nonce, $this->keys[0]);
    }

    public static function isSealed(string $bytes): bool
    {
        return str_starts_with($bytes, self::MARK);
    }

    /** @return string|null null where no key opens it: it was sealed with another, has been changed, or is another's */
    public function open(string $sealed, string $of): ?string
    {
        $nonce = substr($sealed, strlen(self::MARK), SODIUM_CRYPTO_AEAD_XCHACHA20POLY1305_IETF_NPUBBYTES);
        if (
            !self::isSealed($sealed)
            || SODIUM_CRYPTO_AEAD_XCHACHA20POLY1305_IETF_NPUBBYTES !== strlen($nonce)
        ) {
            return null;
        }
        $rest = substr($sealed, strlen(self::MARK) + strlen($nonce));
        foreach ($this->keys as $key) {
            $plain = sodium_crypto_aead_xchacha20poly1305_ietf_decrypt($rest, $of, $nonce, $key);
            if (false !== $plain) {
                return $plain;
            }
        }

        return null;
    }
}
