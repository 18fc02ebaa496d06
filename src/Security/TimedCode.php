<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

/** Codes of six digits that change every half minute: RFC 6238 over RFC 4226, with SHA-1, as every such app does it. */
final class TimedCode
{
    public const SECONDS = 30;
    /** A clock may be off by one step, and a code be typed at the end of its time. */
    private const STEPS_OFF = 1;
    private const BYTES = 20;
    private const DIGITS = 6;
    /** RFC 4648. */
    private const BASE_32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** @return string 20 random bytes: as many as the hash has */
    public static function secret(): string
    {
        return random_bytes(self::BYTES);
    }

    /** @param int $step half minutes since 1970 */
    public static function of(string $secret, int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $secret, true);
        $from = ord($hash[self::BYTES - 1]) & 0xF;
        $number = (int) hexdec(bin2hex(substr($hash, $from, 4))) & 0x7FFFFFFF;

        return str_pad((string) ($number % 10 ** self::DIGITS), self::DIGITS, '0', STR_PAD_LEFT);
    }

    /** @return int|null the step whose code it is; null when it is none of now */
    public static function step(string $secret, string $code, \DateTimeImmutable $now): ?int
    {
        $code = (string) preg_replace('/\s+/', '', $code);
        $step = intdiv($now->getTimestamp(), self::SECONDS);
        $found = null;
        // All of them are looked at, whichever it is: how long it takes tells nothing.
        for ($i = $step - self::STEPS_OFF; $i <= $step + self::STEPS_OFF; ++$i) {
            $found = hash_equals(self::of($secret, $i), $code) ? $i : $found;
        }

        return $found;
    }

    /** As it is typed into an app that cannot see the picture: base 32, in groups of four. */
    public static function written(string $secret): string
    {
        $bits = implode('', array_map(
            static fn (string $byte): string => str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT),
            str_split($secret),
        ));

        return implode('', array_map(
            static fn (string $five): string => self::BASE_32[(int) bindec(str_pad($five, 5, '0'))],
            str_split($bits, 5),
        ));
    }

    /** What an app reads out of the picture. */
    public static function address(string $secret, string $email): string
    {
        return 'otpauth://totp/'.rawurlencode("Lucid Ascent:$email").'?'.http_build_query([
            'secret' => self::written($secret),
            'issuer' => 'Lucid Ascent',
        ], encoding_type: PHP_QUERY_RFC3986);
    }
}
