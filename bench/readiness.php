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
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\ToolErrors;

require dirname(__DIR__).'/vendor/autoload.php';

// Readiness of one person over the whole catalogue, both sides: where each stands on every rung, and of the full forms
// alone how ready
// each is; over one ladder of the same person, and a hundred people over one.
$root = dirname(__DIR__);
$catalogue = new Catalogue($root.'/catalogue', $root.'/var/cache/bench-catalogue.php', false, 'en');
$person = static function (int $i) use ($catalogue): Snapshot {
    $stature = 155 + ($i % 40);
    $proportions = PersonBody::of(
        Fields::of(['stature' => $stature, 'thigh' => ['left' => 0.245 * $stature, 'right' => 0.245 * $stature + 0.6]]),
    );
    $on = new DateTimeImmutable('2026-03-02');
    $tests = TestList::of(
        [
            // Two sides that differ, in what they can do and in their bones: nothing that was reckoned for one serves
            // the other.
            [
                'test' => 'soles-together',
                'side' => 'left',
                'trials' => [['kneeHeight' => 10 + ($i % 14), 'heelDistance' => 14 + ($i % 12)]],
            ],
            [
                'test' => 'soles-together',
                'side' => 'right',
                'trials' => [['kneeHeight' => 12 + ($i % 14), 'heelDistance' => 14 + ($i % 12)]],
            ],
            [
                'test' => 'shins-stacked',
                'side' => 'left',
                'trials' => [['kneeHeight' => 13 + ($i % 17), 'ankleHeight' => 10]],
            ],
            [
                'test' => 'shins-stacked',
                'side' => 'right',
                'trials' => [['kneeHeight' => 15 + ($i % 17), 'ankleHeight' => 10]],
            ],
            ['test' => 'frog', 'side' => 'left', 'trials' => [['span' => 70 + ($i % 12)]]],
            ['test' => 'frog', 'side' => 'right', 'trials' => [['span' => 67 + ($i % 12)]]],
        ],
        $proportions,
        $catalogue->tests(),
        $on,
    );

    return (new ReadHistory($catalogue->postures(), $catalogue->tests()))->snapshot(
        new History([new BodyMeasured('body', $on, $on, '', $proportions), ...$tests->entries], ToolErrors::usual()),
        $on,
    ) ?? throw new LogicException('Nobody was measured.');
};
$read = static function (Snapshot $known, array $ids) use ($catalogue): float {
    $start = hrtime(true);
    $poses = new ReadPoses($catalogue->postures(), $known);
    foreach ($ids as $id) {
        foreach (Side::cases() as $side) {
            $poses->of($id, $side)->onLadder();
        }
    }

    return (hrtime(true) - $start) / 1e6;
};
$all = array_keys($catalogue->postures());
$read($person(0), $all);
$times = array_map(static fn (int $i): float => $read($person($i), $all), range(1, 41));
sort($times);
$one = $times[20];
$few = array_map(static fn (int $i): float => $read($person($i), ['shins-stacked']), range(1, 41));
sort($few);
$aim = require __DIR__.'/aim.php';
$aim(
    sprintf(
        'readiness over the whole catalogue, over that of one ladder: %.0f (%d postures, %.1f ms)',
        $one / $few[20],
        count($all),
        $one,
    ),
    $one,
    5.0,
);
$thousand = array_sum(array_map(static fn (int $i): float => $read($person($i), $all), range(1, 100)));
$states = array_map(static function (int $i) use ($catalogue, $person, $all): float {
    $known = $person($i);
    $start = hrtime(true);
    $poses = new ReadPoses($catalogue->postures(), $known);
    foreach ($all as $id) {
        $poses->state($id);
    }

    return (hrtime(true) - $start) / 1e6;
}, range(1, 41));
sort($states);
$aim(
    sprintf(
        'how ready for each posture of the catalogue, over all of their rungs: %.2f (%.1f ms)',
        $states[20] / $one,
        $states[20],
    ),
    $states[20],
    5.0,
);
$aim(
    sprintf(
        'readiness of a hundred people, over that of one: %.0f (100 would be in proportion, %.1f s)',
        $thousand / $one,
        $thousand / 1000,
    ),
    $thousand / 1000,
    0.5,
);
array_map('unlink', glob($root.'/var/cache/bench-catalogue.php*') ?: []);
