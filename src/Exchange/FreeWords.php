<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Words\Meaning;
use LucidAscent\Core\Caution\Words\ReadWords;
use LucidAscent\Core\Caution\Words\Words;

/**
 * What a document says in free words, in notes and under keys that nobody reads. Nobody can be asked where and how:
 * what speaks of pain or of a condition holds everything deep and what it names, and is listed as unread.
 */
final class FreeWords
{
    private const NOTES = '/^(?:notes?|words|comments?|remarks?|message|text|said)$/i';
    /** Keys under which people write of what they have, and that are none of the document's own. */
    private const CONDITIONS =
        '/condition|injur|medic|health|diagnos|illness|disease|ailment|symptom|complaint|sore|ache'.
        '|aching|swell|surg|operation|pregnan|limitation|contraindication|disab/i';

    /** Said of what many have and what hurts nobody by itself. */
    public const ASKED = 'Many have that, and it holds nothing: ask whether it hurts.';

    /** @var list<ConditionTold> */
    private array $entries = [];
    /** @var list<array<string, mixed>> */
    private array $unread = [];

    private function __construct(private readonly \DateTimeImmutable $today)
    {
    }

    /**
     * @param list<string> $read the parts of a document that are read
     * @param array<string, mixed> $unreadable what could not be read in them, by path
     *
     * @return array{list<ConditionTold>, list<array<string, mixed>>} what is held, and what is listed as unread
     */
    public static function of(Fields $document, array $read, array $unreadable, \DateTimeImmutable $today): array
    {
        $words = new self($today);
        $words->notes($document->all(), '', null);
        foreach (array_diff($document->names(), $read) as $name) {
            if (self::isKey($name)) {
                $words->key($name, $document->raw($name));
            }
        }
        foreach ($unreadable as $path => $part) {
            $said = ReadWords::of(implode("\n", self::everyWord(self::without($part))));
            // Pain is told of by itself.
            if (Meaning::Condition === $said->meaning) {
                $words->hold($path, 'event', $said, null);
            }
        }

        return [$words->entries, $words->unread];
    }

    /** A part of a document without its notes: those are read as words, by themselves. */
    public static function without(mixed $part): mixed
    {
        if (!is_array($part)) {
            return $part;
        }
        $left = [];
        foreach ($part as $key => $value) {
            if (!is_string($value) || 1 !== preg_match(self::NOTES, (string) $key)) {
                $left[$key] = self::without($value);
            }
        }

        return $left;
    }

    /** Whether a key names what somebody has, and not what hurts: it is read as words. */
    public static function isKey(string $name): bool
    {
        return 1 === preg_match(self::CONDITIONS, $name);
    }

    /** @param array<mixed> $part */
    private function notes(array $part, string $path, ?Side $side): void
    {
        $side = is_string($part['side'] ?? null) ? Side::tryFrom($part['side']) : $side;
        foreach ($part as $key => $value) {
            $at = '' === $path ? (string) $key : (is_int($key) ? "{$path}[$key]" : "$path.$key");
            if (is_array($value)) {
                $this->notes($value, $at, $side);
            } elseif (is_string($value) && 1 === preg_match(self::NOTES, (string) $key)) {
                $words = ReadWords::of($value);
                // Pain that is said where it belongs answers what the words beside it ask.
                $isAnswered =
                    Meaning::Pain === $words->meaning && null !== PainFields::said($part['pain'] ?? null);
                if ($words->ask() && !$isAnswered) {
                    $this->hold($at, 'note', $words, $side);
                }
            }
        }
    }

    private function key(string $name, mixed $value): void
    {
        $texts = self::texts($value);
        $asking = array_values(
            array_filter($texts, static fn (string $text): bool => ReadWords::named($text)->ask()),
        );
        $isNothing = in_array($value, [null, false, 0, 0.0, [], '0'], true) || ([] !== $texts && [] === $asking);
        if ($isNothing) {
            return;
        }
        $said = ReadWords::named(implode("\n", $asking));
        // What its key is called names a part as well, unless all that it says holds nothing.
        $this->hold(
            $name,
            'key',
            [] === $asking || $said->hold() ? ReadWords::named(implode("\n", [...$asking, $name])) : $said,
            null,
        );
    }

    private function hold(string $path, string $kind, Words $words, ?Side $side): void
    {
        if ($words->hold()) {
            $this->entries[] = new ConditionTold(
                "words:$path",
                $this->today,
                $this->today,
                Condition::unknown("words:$path", $words->loads()),
                $words->of($side),
            );
        }
        $this->unread[] = [
            $kind => $path,
            'code' => 'key' === $kind ? 'unknown-key' : 'words',
            'because' => match (true) {
                !$words->hold() => self::ASKED,
                'key' === $kind => 'Nothing reads this key, and it may name a condition: nothing deep until it is said under conditions.',
                default => 'These words speak of pain or of a condition: nothing deep, and nothing of what they name, until it is'.
                    ' said where and how.',
            },
        ];
    }

    /** @return list<string> every text in a value, and every key */
    private static function everyWord(mixed $value): array
    {
        $words = is_string($value) ? [$value] : [];
        foreach (is_array($value) ? $value : [] as $key => $inner) {
            array_push($words, (string) $key, ...self::everyWord($inner));
        }

        return $words;
    }

    /** @return list<string> every text in a value, and its keys that are said to be so */
    private static function texts(mixed $value): array
    {
        if (is_string($value)) {
            return [$value];
        }
        $texts = [];
        foreach (is_array($value) ? $value : [] as $key => $inner) {
            array_push($texts, ...self::texts($inner), ...is_string($key) && true === $inner ? [$key] : []);
        }

        return $texts;
    }
}
