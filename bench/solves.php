<?php

declare(strict_types=1);

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Sitting;

require dirname(__DIR__).'/vendor/autoload.php';

$count = (int) ($argv[1] ?? 40000);
$body = new Body(41.2, 41.3, 17.0, 9.0, 6.6);
$run = static function () use ($count, $body): float {
    $sum = 0.0;
    $sitting = new Sitting();
    for ($i = 0; $i < $count; ++$i) {
        $sum += (new KneeAtHeight(new SolesTogether(10.0 + $i % 30, $sitting), 6.0 + $i % 10))->pose($body)->angles->rotation;
    }

    return $sum;
};
$start = hrtime(true);
$sum = $run();
echo json_encode([$count / ((hrtime(true) - $start) / 1e6), $sum]);
