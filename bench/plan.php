<?php

declare(strict_types=1);

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Exchange\PersonBody;
use LucidAscent\App\Exchange\TestList;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\Planner;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\ToolErrors;

require dirname(__DIR__).'/vendor/autoload.php';

// A plan of twelve weeks for three wanted poses, over reading those poses alone.
$root = dirname(__DIR__);
$catalogue = new Catalogue($root.'/catalogue', $root.'/var/cache/bench-catalogue.php', false, 'en');
$proportions = PersonBody::of(Fields::of(['stature' => 170]));
$on = new DateTimeImmutable('2026-03-02');
$tests = TestList::of(
    [
        ['test' => 'soles-together', 'side' => 'both', 'trials' => [['kneeHeight' => 15, 'heelDistance' => 18]]],
        ['test' => 'shins-stacked', 'side' => 'both', 'trials' => [['kneeHeight' => 19, 'ankleHeight' => 10]]],
        ['test' => 'frog', 'side' => 'both', 'trials' => [['span' => 78]]],
    ],
    $proportions,
    $catalogue->tests(),
    $on,
);
$person =
    (new ReadHistory($catalogue->postures(), $catalogue->tests()))->snapshot(
        new History([new BodyMeasured('body', $on, $on, '', $proportions), ...$tests->entries], ToolErrors::usual()),
        $on,
    ) ?? throw new LogicException('Nobody was measured.');
$wanted = ['lotus', 'pigeon', 'cow-face'];
$median = require __DIR__.'/median.php';
$read = $median(static function () use ($catalogue, $person, $wanted): void {
    $poses = new ReadPoses($catalogue->postures(), $person);
    foreach ($wanted as $id) {
        foreach (Side::cases() as $side) {
            $poses->of($id, $side)->onLadder();
        }
    }
});
$plan = $median(
    static fn () => (new Planner(
        new ReadPoses($catalogue->postures(), $person, $catalogue->tests()),
        $catalogue->practiceRungs(),
        $catalogue->dose('counted-breath'),
        [],
        $catalogue->drills(),
    ))->plan($wanted, new PlanRequest($on, 12, [2, 4, 6], 60, new Equipment(2, 3, true))),
);
(require __DIR__.'/aim.php')(
    sprintf('plan of twelve weeks, over reading its poses alone: %.1f (%.1f ms)', $plan / $read, $plan),
    $plan,
    20.0,
);
array_map('unlink', glob($root.'/var/cache/bench-catalogue.php*') ?: []);
