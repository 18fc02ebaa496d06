<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

/**
 * The JSON documents of a stream: one, however it is broken into lines, or many, one a line.
 *
 * Many are read line by line, so that a stream of any length takes the memory of its longest document. Blank
 * lines count for nothing. Where the first line is no whole document and the text is none either, each line
 * is taken for one of many if any line is: then a broken first line spoils itself alone.
 *
 * @implements \IteratorAggregate<int, string>
 */
final class DocumentStream implements \IteratorAggregate
{
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
        if (!json_validate($text)) {
            $rest = [];
            while ($next = $this->next($line)) {
                $rest[$line = $next[0]] = $next[1];
            }
            $lines = [$first[0] => $text] + $rest;
            $whole = implode("\n", $lines);
            $documents = array_filter($rest, static fn (string $one): bool => str_starts_with(ltrim($one), '{') && json_validate($one));
            if ([] === $documents || json_validate($whole)) {
                yield $first[0] => $whole;

                return;
            }
            $this->many = true;
            yield from $lines;

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
        while (false !== $text = fgets($this->stream)) {
            ++$line;
            if ('' !== trim($text)) {
                return [$line, rtrim($text, "\r\n")];
            }
        }

        return null;
    }
}
