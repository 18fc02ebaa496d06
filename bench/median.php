<?php

declare(strict_types=1);

/** The middle of fifteen runs, in ms, after one that counts for nothing. */
return static function (callable $run): float {
    $run();
    $times = [];
    for ($i = 0; $i < 15; ++$i) {
        $start = hrtime(true);
        $run();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[7];
};
