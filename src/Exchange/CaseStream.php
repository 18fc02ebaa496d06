<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

/**
 * The elements of the array under one key of a JSON document, one at a time, so that a document
 * of any length takes little memory. Elements are cut out by their brackets
 * and quotes alone and handed over as text: one that is not JSON spoils itself and no other.
 */
final class CaseStream
{
    /** No case is as long; of one that is longer the beginning is handed over, with one byte more than this. */
    public const LONGEST_BYTES = 1_000_000;

    private const CHUNK = 65536;
    private const SPACE = " \t\r\n";

    private string $buffer = '';
    private int $at = 0;

    /** @param resource $stream */
    private function __construct(private readonly mixed $stream)
    {
    }

    /**
     * @param resource $stream
     *
     * @return iterable<int, string> the text of each element
     *
     * @throws UnreadableDocument
     */
    public static function elements(mixed $stream, string $key): iterable
    {
        yield from (new self($stream))->read($key);
    }

    /** @return iterable<int, string> */
    private function read(string $key): iterable
    {
        $found = false;
        $this->expect('{', 'a JSON object');
        while (true) {
            if ('"' !== $this->peek()) {
                throw UnreadableDocument::expected(sprintf('an object with the key "%s"', $key));
            }
            $name = json_decode($this->value(':'));
            $this->expect(':', 'a colon');
            if ($name === $key) {
                $found = true;
                $this->expect('[', sprintf('a list under "%s"', $key));
                if (']' !== $this->peek()) {
                    do {
                        yield $this->value(',]');
                    } while (',' === $this->take());
                } else {
                    $this->take();
                }
            } else {
                $this->value(',}');
            }
            $next = $this->take();
            if ('}' === $next) {
                break;
            }
            if (',' !== $next) {
                throw UnreadableDocument::expected('a comma or the end of the object');
            }
        }
        if (!$found) {
            throw UnreadableDocument::expected(sprintf('an object with the key "%s"', $key));
        }
        if ('' !== $this->peek()) {
            throw UnreadableDocument::expected('nothing after the closing bracket');
        }
    }

    /** The text up to one of the ending characters that stands outside quotes and brackets. */
    private function value(string $endings): string
    {
        $this->peek();
        $text = '';
        $depth = 0;
        $quoted = false;
        while (true) {
            $length = strcspn($this->buffer, $quoted ? '"\\' : '"[]{}'.$endings, $this->at);
            $text .= substr($this->buffer, $this->at, min($length, self::room($text)));
            $this->at += $length;
            if ($this->at >= strlen($this->buffer)) {
                $this->fill() || throw UnreadableDocument::endedEarly();
                continue;
            }
            $char = $this->buffer[$this->at];
            if ($quoted && '\\' === $char) {
                if ($this->at + 1 >= strlen($this->buffer) && !$this->fill()) {
                    throw UnreadableDocument::endedEarly();
                }
                $text .= substr($this->buffer, $this->at, min(2, self::room($text)));
                $this->at += 2;
                continue;
            }
            if ('"' === $char) {
                $quoted = !$quoted;
            } elseif (!$quoted) {
                if (0 === $depth && str_contains($endings, $char)) {
                    return rtrim($text, self::SPACE);
                }
                $depth += match ($char) {
                    '[', '{' => 1,
                    ']', '}' => -1,
                    default => 0,
                };
                if ($depth < 0) {
                    throw UnreadableDocument::expected('a balanced bracket');
                }
            }
            $text .= self::room($text) > 0 ? $char : '';
            ++$this->at;
        }
    }

    private static function room(string $text): int
    {
        return self::LONGEST_BYTES + 1 - strlen($text);
    }

    private function expect(string $char, string $what): void
    {
        if ($this->take() !== $char) {
            throw UnreadableDocument::expected($what);
        }
    }

    private function take(): string
    {
        $char = $this->peek();
        ++$this->at;

        return $char;
    }

    /** The next character that is not space, or an empty text at the end. */
    private function peek(): string
    {
        do {
            $this->at += strspn($this->buffer, self::SPACE, $this->at);
            if ($this->at < strlen($this->buffer)) {
                return $this->buffer[$this->at];
            }
        } while ($this->fill());

        return '';
    }

    /** Reads on, keeping what has not been taken yet. */
    private function fill(): bool
    {
        $more = fread($this->stream, self::CHUNK);
        if (false === $more || '' === $more) {
            return false;
        }
        $this->buffer = substr($this->buffer, $this->at).$more;
        $this->at = 0;

        return true;
    }
}
