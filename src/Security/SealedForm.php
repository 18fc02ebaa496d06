<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\Uuid;

/**
 * What was typed into a form whose sign-in had ended, sealed for the way through the sign-in page and back: nobody
 * reads it there, nobody changes it, and it opens for the teacher who typed it, for half a day.
 */
final readonly class SealedForm
{
    private const HOURS = 12;
    /** What is longer is not carried along: no form of a page comes near. */
    private const LONGEST_BYTES = 200_000;

    public function __construct(
        #[Autowire('%env(APP_SECRET)%'), \SensitiveParameter]
        private string $secret,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param array<mixed> $fields as they were sent
     *
     * @return string|null base 64; null when it is too much to carry, or no text
     */
    public function seal(Uuid $teacher, string $path, array $fields): ?string
    {
        $text = json_encode(['path' => $path, 'fields' => $fields, 'at' => $this->clock->now()->getTimestamp()]);
        if (false === $text || strlen($text) > self::LONGEST_BYTES) {
            return null;
        }
        $nonce = random_bytes(SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);

        return base64_encode($nonce.sodium_crypto_secretbox($text, $nonce, $this->key($teacher)));
    }

    /**
     * @return array{path: string, fields: array<mixed>}|null null when it is another teacher's, too old, or none of
     *     ours
     */
    public function open(Uuid $teacher, string $sealed): ?array
    {
        $bytes = (string) base64_decode($sealed, true);
        if (strlen($bytes) < SODIUM_CRYPTO_SECRETBOX_NONCEBYTES + SODIUM_CRYPTO_SECRETBOX_MACBYTES) {
            return null;
        }
        $text = sodium_crypto_secretbox_open(
            substr($bytes, SODIUM_CRYPTO_SECRETBOX_NONCEBYTES),
            substr($bytes, 0, SODIUM_CRYPTO_SECRETBOX_NONCEBYTES),
            $this->key($teacher),
        );
        $form = false === $text ? null : json_decode($text, true);

        return null !== $form && $this->clock->now()->getTimestamp() - $form['at'] < self::HOURS * 3600
            ? ['path' => $form['path'], 'fields' => $form['fields']]
            : null;
    }

    private function key(Uuid $teacher): string
    {
        return hash_hmac('sha256', 'forms through the sign-in '.$teacher->toRfc4122(), $this->secret, true);
    }
}
