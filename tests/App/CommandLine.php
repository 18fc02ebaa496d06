<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

/** A console command as a program of its own. */
final class CommandLine
{
    /**
     * @param list<string> $options
     *
     * @return array{int, string, string} status, stdout, stderr
     */
    public static function run(string $command, string $document, array $options = []): array
    {
        // By way of files: whoever writes much waits for nobody to read it.
        [$in, $out, $err] = [tmpfile(), tmpfile(), tmpfile()];
        if (false === $in || false === $out || false === $err) {
            throw new \RuntimeException('No file can be made.');
        }
        fwrite($in, $document);
        rewind($in);
        $process = proc_open([PHP_BINARY, dirname(__DIR__, 2).'/bin/console', $command, ...$options], [$in, $out, $err],
            $pipes);
        if (!is_resource($process)) {
            throw new \RuntimeException('The console does not start.');
        }
        $status = proc_close($process);
        rewind($out);
        rewind($err);

        return [$status, (string) stream_get_contents($out), (string) stream_get_contents($err)];
    }
}
