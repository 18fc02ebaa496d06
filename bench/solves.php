<?php

declare(strict_types=1);

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Sitting;

require dirname(__DIR__).'/vendor/autoload.php';

$count = (int) ($argv[1] ?? 40000);
$body = new Body(41.2, 41.3, 17.0, 9.0, 6.6);
$objects = static function () use ($count, $body): float {
    $sum = 0.0;
    $sitting = new Sitting();
    for ($i = 0; $i < $count; ++$i) {
        $sum += (new KneeAtHeight(new SolesTogether(10.0 + ($i % 30), $sitting), 6.0 + ($i % 10)))->pose($body)->angles
            ->rotation;
    }

    return $sum;
};
$legs = [];
for ($i = 0; $i < $count; ++$i) {
    $legs[] = [0.0, 8.5, 9.0, 13.0 + ($i % 30), 6.6, 4.0, 41.2, 41.3, 6.0 + ($i % 10), 0.0];
}
$batch = static function () use ($legs): float {
    $sum = 0.0;
    foreach (KneeAtHeight::batch($legs) as $angles) {
        $sum += $angles[2] ?? NAN;
    }

    return $sum;
};
$answer = [];
foreach (['objects' => $objects, 'batch' => $batch] as $name => $run) {
    // Once before, as the library in Node has run before: a server is warm.
    $run();
    $start = hrtime(true);
    $sum = $run();
    $answer[$name] = [$count / ((hrtime(true) - $start) / 1e6), $sum];
}
echo json_encode($answer);
