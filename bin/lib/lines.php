<?php

declare(strict_types=1);

/*
 * No line is longer than 120 characters, but for a text in quotes that is one piece: breaking it would hide it from
 * whoever looks for it, or translates it.
 */
const MOST = 120;
const BESIDE = 60;

$files = array_filter(explode("\n", (string) shell_exec('git ls-files -co --exclude-standard')), static fn (string $file): bool => 1 === preg_match('/\.(php|twig|js|mjs|scss|sh)$/', $file) && !preg_match('#^(migrations|public/assets/vendor)/#', $file) && is_file($file));
$long = 0;
foreach ($files as $file) {
    foreach (file($file, \FILE_IGNORE_NEW_LINES) ?: [] as $i => $line) {
        if (mb_strlen($line) <= MOST) {
            continue;
        }
        preg_match_all('/\'(?:[^\'\\\\]|\\\\.)*\'|"(?:[^"\\\\]|\\\\.)*"/', $line, $texts);
        $longest = max([0, ...array_map(mb_strlen(...), $texts[0])]);
        if ($longest < MOST - BESIDE || mb_strlen(trim($line)) - $longest > BESIDE) {
            printf("%s:%d has %d characters.\n", $file, $i + 1, mb_strlen($line));
            ++$long;
        }
    }
}
exit($long > 0 ? 1 : 0);
