<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

/** A table as it was handed in: a header row and lines, whatever they are called and however they are parted. */
final readonly class TableFile
{
    public const MOST_BYTES = 1 << 20;
    private const MOST_LINES = 5000;
    private const PARTS = [',', ';', "\t"];

    /**
     * @param list<string> $columns
     * @param array<int, list<string>> $lines by their number in the file
     */
    private function __construct(public array $columns, public array $lines)
    {
    }

    /** @throws InvalidRecord when it is no table */
    public static function of(string $text): self
    {
        $text = (string) preg_replace('/^\xEF\xBB\xBF/', '', $text);
        if ('' === trim($text) || !mb_check_encoding($text, 'UTF-8') || strlen($text) > self::MOST_BYTES) {
            throw InvalidRecord::noTable();
        }
        $first = strtok($text, "\r\n");
        $many = array_map(
            static fn (string $part): int => substr_count($first, $part),
            array_combine(self::PARTS, self::PARTS),
        );
        arsort($many);
        $stream = fopen('php://temp', 'w+');
        if (false === $stream) {
            throw InvalidRecord::noTable();
        }
        fwrite($stream, $text);
        rewind($stream);
        $lines = [];
        $number = 0;
        while (false !== ($line = fgetcsv($stream, null, array_key_first($many), '"', ''))) {
            ++$number;
            if ([null] !== $line) {
                $lines[$number] = array_map(static fn (?string $cell): string => self::cell((string) $cell), $line);
            }
            if ($number > self::MOST_LINES) {
                throw InvalidRecord::noTable();
            }
        }
        $columns = array_shift($lines);
        if (null === $columns || count($columns) < 2) {
            throw InvalidRecord::noTable();
        }

        // The numbers of lines stay those of the file, the header being the first.
        return new self(
            $columns,
            array_combine(array_map(static fn (int $i): int => $i + 2, array_keys($lines)), array_values($lines)),
        );
    }

    /** A text that was kept from being taken for a formula is that text again. */
    private static function cell(string $text): string
    {
        return trim(1 === preg_match('/^\'[=+\-@\t\r]/', $text) ? substr($text, 1) : $text);
    }
}
