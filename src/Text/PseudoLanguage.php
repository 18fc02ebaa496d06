<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

/**
 * English as no language has it: accented, and about a third longer. Where a text is not, nobody could translate it;
 * where a page breaks, it would break in a language of longer words.
 */
final class PseudoLanguage
{
    public const LOCALE = 'en_XA';

    private const ACCENTED = [
        'a' => 'áa', 'e' => 'ée', 'i' => 'íi', 'o' => 'óo', 'u' => 'úu', 'y' => 'ý',
        'A' => 'Áa', 'E' => 'Ée', 'I' => 'Íi', 'O' => 'Óo', 'U' => 'Úu', 'Y' => 'Ý',
        'c' => 'ç', 'n' => 'ñ', 's' => 'š', 'z' => 'ž',
    ];
    /** The parts of a message in braces that have texts in them. */
    private const CHOICES = '/^\s*\w+\s*,\s*(plural|select|selectordinal)\s*,/';

    public static function plain(string $text): string
    {
        return strtr($text, self::ACCENTED);
    }

    /** The same of a message in the notation of ICU: names, kinds and choices in braces stay as they are. */
    public static function message(string $message): string
    {
        $made = '';
        foreach (self::parts($message) as [$isInside, $part]) {
            $made .= $isInside ? '{'.self::inside($part).'}' : self::plain($part);
        }

        return $made;
    }

    /** What stands between the braces of a message: a name, or texts to choose from. */
    private static function inside(string $part): string
    {
        if (1 !== preg_match(self::CHOICES, $part, $head)) {
            return $part;
        }
        $made = $head[0];
        foreach (self::parts(substr($part, strlen($head[0]))) as [$isInside, $inner]) {
            $made .= $isInside ? '{'.self::message($inner).'}' : $inner;
        }

        return $made;
    }

    /** @return iterable<array{bool, string}> whether it stood in braces, and what it says */
    private static function parts(string $text): iterable
    {
        $deep = 0;
        $part = '';
        foreach (str_split($text) as $byte) {
            if ('{' === $byte && 0 === $deep++) {
                yield [false, $part];
                $part = '';
            } elseif ('}' === $byte && 0 === --$deep) {
                yield [true, $part];
                $part = '';
            } else {
                $part .= $byte;
            }
        }
        yield [false, $part];
    }
}
