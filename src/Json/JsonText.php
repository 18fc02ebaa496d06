<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

/**
 * JSON that was sent by somebody: bounded before anything of it is looked at, and with nothing lost of what is said
 * twice under one name.
 */
final class JsonText
{
    /** What a script of a page sends at most, in bytes. */
    private const MOST_OF_A_PAGE = 20_000;
    /** Nothing that is meant here has more lists and objects in one another. */
    private const DEPTH = 32;
    /** Lists and objects, which take a hundred times their brackets in memory; and what stands in them. */
    private const MOST_PARTS = 120_000;
    private const MOST_VALUES = 1_000_000;
    /** A whole string of JSON; possessive, so that no text makes it go back. */
    private const STRING = '"(?:[^"\\\\]++|\\\\.)*+"';

    /**
     * @param int $most in bytes
     *
     * @return mixed null where it is no JSON, or more or deeper than anything that is meant here
     */
    public static function decode(string $text, int $most = self::MOST_OF_A_PAGE): mixed
    {
        if (
            strlen($text) > $most
            || substr_count($text, '[') + substr_count($text, '{') > self::MOST_PARTS
            || substr_count($text, ',') > self::MOST_VALUES
        ) {
            return null;
        }
        try {
            return self::read($text, self::DEPTH);
        } catch (\JsonException) {
            return null;
        }
    }

    /**
     * @param int<1, max> $depth
     *
     * @throws \JsonException when it is none, or deeper
     */
    public static function read(string $text, int $depth): mixed
    {
        $value = json_decode($text, true, $depth, \JSON_THROW_ON_ERROR);

        return self::names($text) === self::keys($value)
            ? $value
            : json_decode(self::withEachNameOnce($text), true, $depth, \JSON_THROW_ON_ERROR);
    }

    /** How many names stand in a text. */
    private static function names(string $text): int
    {
        $string = self::STRING;

        return (int) preg_match_all("/$string(?!\\s*:)(*SKIP)(*FAIL)|$string\\s*+:/s", $text);
    }

    /** Under how many names something stands; lists have none. */
    private static function keys(mixed $value): int
    {
        if (!is_array($value)) {
            return 0;
        }

        return array_sum(array_map(self::keys(...), $value)) + (array_is_list($value) ? 0 : count($value));
    }

    /** What is said again under a name gets a name of its own, so that its reader meets both. */
    private static function withEachNameOnce(string $text): string
    {
        $open = [];

        return (string) preg_replace_callback(
            '/'.self::STRING.'(\s*+:)?|[{}]/s',
            static function (array $token) use (&$open): string {
                [$said, $colon] = [$token[0], $token[1] ?? ''];
                if ('{' === $said) {
                    $open[] = [];
                } elseif ('}' === $said) {
                    array_pop($open);
                }
                if ('' === $colon || [] === $open) {
                    return $said;
                }
                $name = (string) json_decode(substr($said, 0, -strlen($colon)));
                $many = $open[count($open) - 1][$name] ?? 0;
                $open[count($open) - 1][$name] = $many + 1;

                return 0 === $many ? $said : json_encode("$name, said again $many").':';
            },
            $text,
        );
    }

    /**
     * Places on a picture by name, as JSON.
     *
     * @param list<string> $names
     *
     * @return array<string, array{float, float}>|null shares of width and height; null when they are none
     */
    public static function shares(string $sent, array $names): ?array
    {
        $points = [];
        foreach (is_array($all = self::decode($sent)) ? $all : [null] as $name => $at) {
            if (
                !in_array($name, $names, true)
                || !is_array($at)
                || !is_numeric($at[0] ?? null)
                || !is_numeric($at[1] ?? null)
                || min($at[0], $at[1]) < 0
                || max($at[0], $at[1]) > 1
            ) {
                return null;
            }
            $points[$name] = [(float) $at[0], (float) $at[1]];
        }

        return $points;
    }
}
