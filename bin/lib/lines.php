<?php

declare(strict_types=1);

/*
 * No line is longer than 120 characters, but for a text in quotes that is one piece: breaking it would hide it from
 * whoever looks for it, or translates it. Migrations are written once; what a tool makes is the tool's.
 */
const MOST = 120;
const BESIDE = 60;
const FOLDERS = ['core', 'src', 'templates', 'assets', 'public/assets/js', 'tests', 'bench', 'bin'];
const READ = '/\.(php|twig|js|mjs|scss)$/';

$read = $long = 0;
foreach (FOLDERS as $folder) {
    $root = dirname(__DIR__, 2).'/'.$folder;
    $files = new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS);
    foreach (new RecursiveIteratorIterator($files) as $file) {
        if (1 !== preg_match(READ, (string) $file)) {
            continue;
        }
        ++$read;
        foreach (file((string) $file, \FILE_IGNORE_NEW_LINES) ?: [] as $i => $line) {
            if (mb_strlen($line) <= MOST) {
                continue;
            }
            preg_match_all('/\'(?:[^\'\\\\]|\\\\.)*\'|"(?:[^"\\\\]|\\\\.)*"/', $line, $texts);
            $longest = max([0, ...array_map(mb_strlen(...), $texts[0])]);
            if ($longest < MOST - BESIDE || mb_strlen(trim($line)) - $longest > BESIDE) {
                $name = substr((string) $file, strlen($root) - strlen($folder));
                printf("%s:%d has %d characters.\n", $name, $i + 1, mb_strlen($line));
                ++$long;
            }
        }
    }
}
exit($read > 500 && 0 === $long ? 0 : 1);
