<?php

declare(strict_types=1);

use LucidAscent\Core\Progress\Step;
use LucidAscent\Core\Progress\TimedReading;
use LucidAscent\Core\Progress\Trend;

require dirname(__DIR__).'/vendor/autoload.php';

// Five years of three readings a week: trend and step, over half a year of them.
$random = new Random\Randomizer(new Random\Engine\Mt19937(1));
$series = static fn (int $many): array => array_map(
    static fn (int $i): TimedReading => new TimedReading(
        (7.0 / 3.0) * $i,
        60.0 + 0.01 * $i + $random->getInt(-400, 400) / 200,
        2.0,
    ),
    range(0, $many - 1),
);
$median = require __DIR__.'/median.php';
$told = static fn (array $readings): callable => static function () use ($readings): void {
    $trend = Trend::of($readings);
    null === $trend ?: Step::of($trend);
};
$years = $median($told($series(780)));
(require __DIR__.'/aim.php')(
    sprintf(
        'progress of five years, over that of half a year: %.1f (%.1f ms)',
        $years / $median($told($series(78))),
        $years,
    ),
    $years,
    30.0,
);
