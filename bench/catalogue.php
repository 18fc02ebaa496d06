<?php

declare(strict_types=1);

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Kind;

require dirname(__DIR__).'/vendor/autoload.php';

// The compiled catalogue, loaded by a new object each time as by a new page, over reading and checking
// the files: how little of it is left for a page.
$root = dirname(__DIR__);
$cache = $root.'/var/cache/bench-catalogue.php';
@unlink($cache);
@mkdir(dirname($cache), 0o755, true);
$load = static fn (): Catalogue => new Catalogue($root.'/catalogue', $cache, false, 'en');
$load()->all(Kind::Posture);

$start = hrtime(true);
new CatalogueFolder($root.'/catalogue');
$read = hrtime(true) - $start;

$times = [];
for ($i = 0; $i < 50; ++$i) {
    $start = hrtime(true);
    $load()->all(Kind::Posture);
    $times[] = hrtime(true) - $start;
}
sort($times);
unlink($cache);
printf("compiled catalogue, over reading and checking its files: %.1e\n", $times[25] / $read);
