<?php

declare(strict_types=1);

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Exchange\CapacityAnswer;
use LucidAscent\App\Json\Fields;

require dirname(__DIR__).'/vendor/autoload.php';

// What a person can do out of 500 readings, over the same out of 5: how it grows with what is on record.
$root = dirname(__DIR__);
$tests = (new Catalogue($root.'/catalogue', $root.'/var/cache/bench-catalogue.php', false, 'en'))->tests();
$readings = static fn (int $count): Fields => Fields::of([
    'body' => ['stature' => 170],
    'tests' => array_map(
        static fn (int $i): array => [
            'test' => ['soles-together', 'shins-stacked', 'frog', 'leg-raise', 'figure-four-lying'][$i % 5],
            'side' => 0 === intdiv($i, 5) % 2 ? 'left' : 'right',
            'on' => sprintf('2026-%02d-%02d', 1 + (intdiv($i, 50) % 12), 1 + ($i % 28)),
            'trials' => [
                [
                    ['kneeHeight' => 16 + ($i % 7), 'heelDistance' => 20],
                    ['kneeHeight' => 16 + ($i % 7), 'ankleHeight' => 10],
                    ['span' => 80 + ($i % 9)],
                    ['heelHeight' => 60 + ($i % 9)],
                    ['kneeHeight' => 30 + ($i % 7), 'ankleHeight' => 39],
                ][$i % 5],
            ],
        ],
        range(0, $count - 1),
    ),
]);
$time = static function (int $count) use ($readings, $tests): float {
    $document = $readings($count);
    $times = [];
    for ($i = 0; $i < 15; ++$i) {
        $start = hrtime(true);
        CapacityAnswer::of($document, $tests);
        $times[] = hrtime(true) - $start;
    }
    sort($times);

    return $times[7];
};
$time(50);
$few = $time(5);
printf("capacity out of 500 readings, over out of 5: %.0f (100 would be in proportion)\n", $time(500) / $few);
array_map('unlink', glob($root.'/var/cache/bench-catalogue.php*') ?: []);
