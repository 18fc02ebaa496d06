<?php

declare(strict_types=1);

/*
 * Seals a file for whoever has the other half of a key, who need not be here: a stream key of its own, sealed with the
 * public half (X25519), and the file in pieces under it (XChaCha20-Poly1305), each bound to the one before it and the
 * last one marked. What was changed, cut short or lengthened does not open.
 *
 *   php seal.php keys                        a new pair: the public half, a blank, and the secret one
 *   php seal.php seal PUBLIC FROM TO         reads back what it wrote before it says that all is well
 *   php seal.php open FROM TO                with the secret half on its standard input
 *   php seal.php is FILE                     whether it is one
 */
const MAGIC = "LUCID-ASCENT-SEALED-1\n";
const PIECE = 1 << 16;
const SEALED_KEY = SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_KEYBYTES + SODIUM_CRYPTO_BOX_SEALBYTES;
const HEADER = SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES;
const MORE = SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_ABYTES;
const LAST = SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL;

$fail = static function (string $why): never {
    fwrite(STDERR, $why."\n");
    exit(1);
};
$opened = static function (string $path, string $how) use ($fail): mixed {
    $file = @fopen($path, $how);

    return false === $file ? $fail("$path cannot be opened.") : $file;
};
$piece = static fn ($file, int $bytes): string => (string) stream_get_contents($file, $bytes);
$half = static function (string $hex) use ($fail): string {
    $hex = strtolower((string) preg_replace('/[\s-]+/', '', $hex));

    return 1 === preg_match('/^[0-9a-f]{64}$/', $hex)
        ? sodium_hex2bin($hex)
        : $fail('That is no key: it has 64 signs, 0 to 9 and A to F.');
};

/** The pieces of a sealed file, opened; what goes wrong ends it. */
$pieces = static function ($sealed, string $key) use ($piece, $fail): Generator {
    $header = $piece($sealed, HEADER);
    HEADER === strlen($header) || $fail('It has been cut short.');
    $state = sodium_crypto_secretstream_xchacha20poly1305_init_pull($header, $key);
    do {
        $read = $piece($sealed, PIECE + MORE);
        $plain = strlen($read) < MORE ? false : sodium_crypto_secretstream_xchacha20poly1305_pull($state, $read);
        is_array($plain) || $fail('It is not as it was when it was sealed.');
        yield $plain[0];
    } while (LAST !== $plain[1]);
    '' === $piece($sealed, 1) || $fail('It has something behind its end.');
};

switch ($argv[1] ?? '') {
    case 'keys':
        $pair = sodium_crypto_box_keypair();
        echo bin2hex(sodium_crypto_box_publickey($pair)), ' ', bin2hex(sodium_crypto_box_secretkey($pair)), "\n";
        break;

    case 'seal':
        [, , $public, $from, $to] = $argv;
        [$plain, $sealed] = [$opened($from, 'r'), $opened($to, 'w+')];
        $key = sodium_crypto_secretstream_xchacha20poly1305_keygen();
        [$state, $header] = sodium_crypto_secretstream_xchacha20poly1305_init_push($key);
        $start = MAGIC.sodium_crypto_box_seal($key, $half($public)).$header;
        $written = fwrite($sealed, $start) === strlen($start);
        $before = hash_init('sha256');
        do {
            $read = $piece($plain, PIECE);
            hash_update($before, $read);
            $next = sodium_crypto_secretstream_xchacha20poly1305_push($state, $read, '', feof($plain) ? LAST : 0);
            $written = $written && fwrite($sealed, $next) === strlen($next);
        } while (!feof($plain));
        $written && fflush($sealed) || $fail('There is no room for it.');
        fseek($sealed, strlen(MAGIC) + SEALED_KEY);
        $after = hash_init('sha256');
        foreach ($pieces($sealed, $key) as $read) {
            hash_update($after, $read);
        }
        hash_final($before) === hash_final($after) || $fail('It was not written as it is.');
        break;

    case 'open':
        [, , $from, $to] = $argv;
        [$sealed, $plain] = [$opened($from, 'r'), $opened($to, 'w')];
        MAGIC === $piece($sealed, strlen(MAGIC)) || $fail("$from is nothing that was sealed here.");
        $secret = $half((string) stream_get_contents(STDIN));
        $public = sodium_crypto_box_publickey_from_secretkey($secret);
        $pair = sodium_crypto_box_keypair_from_secretkey_and_publickey($secret, $public);
        $key = sodium_crypto_box_seal_open($piece($sealed, SEALED_KEY), $pair);
        is_string($key) || $fail('This key does not open it: it was sealed for another, or has been changed.');
        foreach ($pieces($sealed, $key) as $read) {
            fwrite($plain, $read) === strlen($read) || $fail('There is no room for it.');
        }
        break;

    case 'is':
        exit(MAGIC === $piece($opened($argv[2] ?? '', 'r'), strlen(MAGIC)) ? 0 : 1);

    default:
        $fail('Say keys, seal, open or is.');
}
