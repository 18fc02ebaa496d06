<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

/**
 * The JSON documents of a stream: one, however it is broken into lines, or many, one a line.
 *
 * Many are read line by line, so that a stream of any length takes the memory of its longest document. Blank
 * lines count for nothing. Where the first line is no whole document and the text is none either, each line
 * is taken for one of many if any line is (any of the first few million bytes): then a broken first line spoils itself
 * alone.
 *
 * @implements \IteratorAggregate<int, string>
 */
final class DocumentStream implements \IteratorAggregate
{
    /**
     * Ten years of tests and sessions take a tenth of it. Of a line, or a document, that is longer its beginning is
     * handed over, with one byte more than this.
     */
    public const LONGEST_BYTES = 4_000_000;

    /**
     * Objects and lists of one document, which take a hundred times their brackets in memory: four years of daily
     * practice have as many.
     */
    public const MOST_PARTS = 60_000;

    private const CHUNK = 65536;

    private bool $many = false;

    /** @param resource $stream */
    private function __construct(private readonly mixed $stream)
    {
    }

    /** @param resource $stream */
    public static function read(mixed $stream): self
    {
        return new self($stream);
    }

    public static function isTooMuch(string $text): bool
    {
        return strlen($text) > self::LONGEST_BYTES
            || substr_count($text, '[') + substr_count($text, '{') > self::MOST_PARTS;
    }

    private static function isJson(string $text): bool
    {
        return !self::isTooMuch($text) && json_validate($text);
    }

    /** Whether more than one has come; true from the first of them on. */
    public function isMany(): bool
    {
        return $this->many;
    }

    /** @return \Generator<int, string> the text of each document, by the number of its first line */
    public function getIterator(): \Generator
    {
        $first = $this->next();
        if (null === $first) {
            yield 1 => '';

            return;
        }
        [$line, $text] = $first;
        if (strlen($text) <= self::LONGEST_BYTES && !self::isJson($text)) {
            $lines = [$line => $text];
            $bytes = strlen($text);
            while ($bytes <= self::LONGEST_BYTES && null !== ($next = $this->next($line))) {
                $lines[$line = $next[0]] = $next[1];
                $bytes += strlen($next[1]) + 1;
            }
            $whole = implode("\n", $lines);
            $documents = array_filter(
                array_slice($lines, 1),
                static fn (string $one): bool => str_starts_with(ltrim($one), '{') && self::isJson($one),
            );
            if ([] === $documents || ($bytes <= self::LONGEST_BYTES && self::isJson($whole))) {
                yield $first[0] => $whole;

                return;
            }
            $this->many = true;
            yield from $lines;
            while ($next = $this->next($line)) {
                [$line, $text] = $next;
                yield $line => $text;
            }

            return;
        }
        while ($next = $this->next($line)) {
            $this->many = true;
            yield $line => $text;
            [$line, $text] = $next;
        }
        yield $line => $text;
    }

    /** @return array{int, string}|null the next line that is not blank, and its number */
    private function next(int $line = 0): ?array
    {
        while (false !== ($text = fgets($this->stream, self::LONGEST_BYTES + 2))) {
            ++$line;
            // The rest of a line that is too long is read, and not kept.
            for ($more = $text; is_string($more) && !str_ends_with($more, "\n");) {
                $more = fgets($this->stream, self::CHUNK);
            }
            if ('' !== trim($text)) {
                return [$line, rtrim($text, "\r\n")];
            }
        }

        return null;
    }
}
