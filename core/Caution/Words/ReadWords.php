<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Words;

use LucidAscent\Core\Body\Side;

/**
 * The one reader of free words: whether they speak of pain or of a condition, and which parts and sides they name. It
 * reads by a small list and decides nothing; in doubt it asks.
 */
final class ReadWords
{
    public static function of(string $text): Words
    {
        $text = self::plain($text);
        $clauses = preg_replace('/[.;,!?\n]+| but | however | although | though /', "\n", $text);
        $said = array_map(
            static fn (string $clause): Meaning => self::clause(trim($clause)),
            explode("\n", (string) $clauses),
        );
        // What is plain goes before what is in doubt, wherever it stands.
        $plain = array_filter($said, static fn (Meaning $one): bool => $one->isPlain());
        $meaning =
            array_values($plain)[0] ??
            match (true) {
                in_array(Meaning::Unclear, $said, true) => Meaning::Unclear,
                in_array(Meaning::Question, $said, true) => Meaning::Question,
                default => Meaning::Nothing,
            };

        return Meaning::Nothing === $meaning
            ? new Words($meaning)
            : new Words($meaning, self::places($text), self::side($text));
    }

    /**
     * What the whole of an answer names, as one names a condition: whether it hurts or not. What many have is no more
     * than that only where no word stands beside it that could tell of more: a hip that clicks may also give out.
     */
    public static function named(string $text): Words
    {
        $text = self::plain($text);

        if (in_array(trim($text, ' .'), Vocabulary::NOTHING, true)) {
            return new Words(Meaning::Nothing);
        }
        $meaning = match (true) {
            !self::isOfHarmlessOnly($text) => Meaning::Condition,
            self::isHarmless($text) => Meaning::Question,
            default => Meaning::Nothing,
        };

        return Meaning::Nothing === $meaning
            ? new Words($meaning)
            : new Words($meaning, self::places($text), self::side($text));
    }

    private static function clause(string $clause): Meaning
    {
        $pain = implode('|', Vocabulary::PAIN);
        $word = "(?:$pain|".implode('|', Vocabulary::CONDITION).')';
        if (1 !== preg_match("/\\b$word\\b/", $clause)) {
            return self::isHarmless($clause) ? Meaning::Question : Meaning::Nothing;
        }
        $not = Vocabulary::NOT;
        $between = Vocabulary::BETWEEN;
        $rest = (string) preg_replace(
            [
                "/\\b(?:$not)(?: (?:$between))* $word\\b(?:(?: (?:or|and|nor))? (?:$between|$word)\\b)*/",
                "/\\b$word(?: (?:in|on|at|of)(?: (?:$between))*)?(?: is| was)? (?:".
                Vocabulary::DENIED_AFTER.
                ')\\b/',
                "/\\b(?:nothing|nowhere|none)(?: (?:that|which|there|really|has|have|is|was|ever))* $word\\b/",
                '/\bpainless(?:ly)?\b/',
            ],
            ' ',
            $clause,
        );
        if (1 !== preg_match("/\\b$word\\b/", $rest)) {
            // Denied, and in one breath something that takes the denial back.
            return match (true) {
                self::isDoubted($clause) => Meaning::Unclear,
                self::isHarmless($clause) => Meaning::Question,
                default => Meaning::Nothing,
            };
        }

        return match (true) {
            self::isDoubted($clause) => Meaning::Unclear,
            1 === preg_match("/\\b(?:$pain)\\b/", $rest) => Meaning::Pain,
            default => Meaning::Condition,
        };
    }

    /** Whether it names what many have, and no other word that could tell of more; it may say that it is painless. */
    private static function isOfHarmlessOnly(string $text): bool
    {
        [$harmless, $beside] = [implode('|', Vocabulary::HARMLESS), implode('|', Vocabulary::BESIDE_HARMLESS)];

        return 1 === preg_match("/\\b(?:$harmless)\\b/", $text)
            && 1 !== preg_match('/\w/', (string) preg_replace("/\\b(?:$harmless|$beside)\\b/", ' ', $text));
    }

    /** Whether it tells of what many have, and not that it is without pain: then there is nothing to ask. */
    private static function isHarmless(string $clause): bool
    {
        return 1 === preg_match('/\b(?:'.implode('|', Vocabulary::HARMLESS).')\b/', $clause)
            && 1 !== preg_match('/\b(?:painless(?:ly)?|no|not|without|never)\b/', $clause);
    }

    private static function isDoubted(string $clause): bool
    {
        return 1 === preg_match('/\b(?:'.Vocabulary::DOUBT.')\b/', $clause)
            || 1 < preg_match_all('/\b(?:'.Vocabulary::NOT.')\b/', $clause);
    }

    /** @return list<string> */
    private static function places(string $text): array
    {
        $places = [];
        foreach (Vocabulary::PLACES as $place => $words) {
            if (1 === preg_match('/\b(?:'.implode('|', $words).')\b/', $text)) {
                $places[] = $place;
            }
        }

        return $places;
    }

    private static function side(string $text): ?Side
    {
        $sides = array_values(
            array_filter(
                Side::cases(),
                static fn (Side $side): bool => 1 ===
                    preg_match("/\\b(?:$side->value|{$side->value[0]})\\b/", $text),
            ),
        );

        return 1 === count($sides) ? $sides[0] : null;
    }

    /** Without capitals, accents, hyphens and marks that tell nothing. */
    public static function plain(string $text): string
    {
        $text = mb_strtolower($text);
        $text = strtr($text, [
            'á' => 'a',
            'à' => 'a',
            'â' => 'a',
            'ä' => 'a',
            'é' => 'e',
            'è' => 'e',
            'ê' => 'e',
            'ë' => 'e',
            'í' => 'i',
            'ï' => 'i',
            'î' => 'i',
            'ó' => 'o',
            'ô' => 'o',
            'ö' => 'o',
            'ú' => 'u',
            'ü' => 'u',
            'û' => 'u',
            'ç' => 'c',
            'ñ' => 'n',
            '’' => ' ',
            "'" => ' ',
            '-' => ' ',
            '–' => '. ',
            '—' => '. ',
            '_' => ' ',
            '/' => ' ',
            ':' => ' ',
            '(' => '. ',
            ')' => '. ',
            '"' => ' ',
            '“' => ' ',
            '”' => ' ',
        ]);

        return trim((string) preg_replace(['/[ \t]+/', '/ *\n */'], [' ', "\n"], $text));
    }
}
