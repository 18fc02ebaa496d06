<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Json\Failure;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Output\StreamOutput;

/** Answers on their way out: a disk that is full or a reader that has gone is said, never passed over. */
final class Out
{
    /** @throws UnwrittenAnswer when not all of it arrives */
    public static function line(OutputInterface $output, string $line): void
    {
        $output instanceof StreamOutput
            ? self::write($output->getStream(), $line."\n")
            : $output->writeln($line, OutputInterface::OUTPUT_RAW);
    }

    /** @throws UnwrittenAnswer when not all of it arrives */
    public static function raw(OutputInterface $output, string $bytes): void
    {
        $output instanceof StreamOutput
            ? self::write($output->getStream(), $bytes)
            : $output->write($bytes, false, OutputInterface::OUTPUT_RAW);
    }

    /**
     * @param resource $stream
     *
     * @throws UnwrittenAnswer when not all of it arrives
     */
    public static function write(mixed $stream, string $text): void
    {
        for ($at = 0; $at < strlen($text); $at += $written) {
            $written = @fwrite($stream, substr($text, $at));
            if (false === $written || 0 === $written) {
                throw UnwrittenAnswer::here();
            }
        }
        @fflush($stream) || throw UnwrittenAnswer::here();
    }

    /**
     * An answer as JSON; one with a number in it that JSON has none of is a failure of its own.
     *
     * @param array<string, mixed> $answer
     */
    public static function json(array $answer): string
    {
        try {
            return json_encode($answer, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        } catch (\JsonException) {
            return (string) json_encode(Failure::of('no-number', 'These numbers lead to no finite answer.'));
        }
    }
}
