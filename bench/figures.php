<?php

declare(strict_types=1);

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\App\Figure\RungFigures;
use LucidAscent\App\Figure\Size;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\FigureFaults;
use LucidAscent\Core\Figure\Physique;

require dirname(__DIR__).'/vendor/autoload.php';

// Drawing a figure whose pose is known, over working the pose out and over checking it: what a page pays for a picture.
$shapes = [];
foreach ((new CatalogueFolder(dirname(__DIR__).'/catalogue'))->entries['posture'] as $id => $posture) {
    foreach (Shapes::of($posture) as $shape) {
        $shapes["$id/{$shape['id']}"] = $shape;
    }
}
$body = Physique::of(Proportions::of(Length::cm(170.0)));
$find = static fn (string $posture, string $rung): array => $shapes["$posture/$rung"];
$of = static fn (array $shape) => RungFigures::ofRung($shape, $body, Side::Left, null, $find);
$median = static function (array $times): float {
    sort($times);

    return $times[intdiv(count($times), 2)] / 1e6;
};
$posed = $drawn = $checked = [];
foreach ([1, 2, 3] as $round) {
    foreach ($shapes as $shape) {
        $start = hrtime(true);
        $figure = $of($shape);
        $posed[] = hrtime(true) - $start;
        $start = hrtime(true);
        $figure->svg(Size::Card);
        $drawn[] = hrtime(true) - $start;
        $start = hrtime(true);
        FigureFaults::of($figure->figure);
        $checked[] = hrtime(true) - $start;
    }
}
printf(
    "a figure of a card's size drawn, over working its pose out: %.2f (%.2f ms)\n",
    $median($drawn) / $median($posed),
    $median($drawn),
);
printf("a pose checked for faults, over working it out: %.2f\n", $median($checked) / $median($posed));
