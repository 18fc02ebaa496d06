<?php

declare(strict_types=1);

// Poses as JSON on stdin, by angles alone; the points of their figures on stdout, to be compared from outside.
require dirname(__DIR__, 2).'/vendor/autoload.php';

use LucidAscent\App\Catalogue\PoseText;
use LucidAscent\App\Figure\DrawnFigure;
use LucidAscent\App\Figure\FigureDocument;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Physique;

$figures = [];
foreach (json_decode((string) stream_get_contents(\STDIN), true, 16, \JSON_THROW_ON_ERROR) as $pose) {
    $text = ['base' => 'standing', 'hips' => 90, 'legs' => $pose['leg'],
        'arms' => $pose['arm']] + array_intersect_key($pose, ['tilt' => 0, 'lean' => 0, 'turn' => 0]);
    $figure = Figure::of(PoseText::pose($text), Physique::of(Proportions::of(Length::cm($pose['stature']))),
        Side::Left);
    $figures[] = FigureDocument::of(new DrawnFigure($figure, [], false, 'front'));
}
echo json_encode($figures, \JSON_THROW_ON_ERROR);
