<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

/** A console command as a program of its own. */
final class CommandLine
{
    /** @return array{int, string, string} status, stdout, stderr */
    public static function run(string $command, string $document): array
    {
        $process = proc_open(
            [PHP_BINARY, dirname(__DIR__, 2).'/bin/console', $command],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
        );
        if (!is_resource($process)) {
            throw new \RuntimeException('The console does not start.');
        }
        fwrite($pipes[0], $document);
        fclose($pipes[0]);
        $out = (string) stream_get_contents($pipes[1]);
        $err = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $err];
    }
}
