<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calibration\People;
use LucidAscent\Core\Calibration\Visit;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Readiness\Observed;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\ToolErrors;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * People drawn by their number, of whom some tests were taken and some gates asked; one in five has told of a knee that
 * hurts.
 */
final class MadeUpPeople
{
    public const ON = '2026-03-02';

    /**
     * @return iterable<string, array{ReadPoses, Visit}> what is known of each, and the afternoon on which it was read
     */
    public static function of(Catalogue $catalogue, int $many): iterable
    {
        $on = new \DateTimeImmutable(self::ON);
        for ($seed = 0; $seed < $many; ++$seed) {
            $random = new Randomizer(new Xoshiro256StarStar($seed));
            $visit = new Visit(People::draw($random), $catalogue->tests(), ToolErrors::usual(), $on, $random);
            $share = $random->getInt(0, 10);
            $taken = $observed = $told = [];
            foreach ($catalogue->tests() as $id => $test) {
                foreach (Side::cases() as $side) {
                    if ($random->getInt(0, 9) >= $share) {
                        continue;
                    }
                    if ($test->isMeasured()) {
                        array_unshift($taken, ...$visit->take($test, $side));
                    } else {
                        $observed[] = new Observed((string) $id, $side, 0 === $random->getInt(0, 1), $on);
                    }
                }
            }
            if (0 === $random->getInt(0, 4)) {
                $told[] = new PainTold('pain', $on, $on, new Pain(1, PainPlace::Knee), Side::Left);
            }
            $read = $visit->read($taken, $catalogue->postures());
            $person = $read->person;
            $known = new Snapshot($person->proportions, $person->evidence, Holds::of($told, $on), $taken, $on,
                observed: $observed, tools: $person->tools);
            yield "seed $seed" => [new ReadPoses($catalogue->postures(), $known, $catalogue->tests()), $visit];
        }
    }
}
