<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Sheets;

use LucidAscent\App\Catalogue\CatalogueDemand;
use LucidAscent\App\Catalogue\ContactList;
use LucidAscent\App\Catalogue\StandardBody;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calibration\People;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Progress\HeightProgress;
use LucidAscent\Core\Progress\SidesApart;
use LucidAscent\Core\Progress\Step;
use LucidAscent\Core\Progress\TimedReading;
use LucidAscent\Core\Progress\Trend;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Statistics\Normal;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Tests\Safety\Histories;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Histories of stops, series of months and legs in every contact, drawn by number: too many to be read, so a short sum
 * of each stands here, and whoever changes what is said of one of them sees which. SHEETS=write writes the sums anew,
 * SHEETS=whole all that they are of.
 */
final class ManyTest extends TestCase
{
    public function testManyStopsAndWhatLiftsThem(): void
    {
        $told = [];
        for ($i = 0; $i < 1200; ++$i) {
            $histories = new Histories($i);
            $entries = Histories::entries($histories->next());
            $lines = [];
            foreach ([$histories->day(), Histories::LAST] as $day) {
                $holds = Holds::of($entries, Histories::moment($day));
                array_push($lines, ...Sheet::of($holds->active, 4));
                foreach (['turn', 'fold', 'backbend', 'head-back', 'leg raise', 'child', 'rest'] as $shape) {
                    foreach (Side::cases() as $side) {
                        $may = May::load($holds, Histories::work($shape), $side);
                        array_push($lines, "$shape $side->value", ...Sheet::of($may, 4));
                    }
                }
            }
            $told["stops $i"] = $lines;
        }
        self::assertSums('stops', $told);
    }

    public function testManySeries(): void
    {
        $now = new \DateTimeImmutable('2026-06-01');
        $told = [];
        for ($i = 0; $i < 240; ++$i) {
            $random = self::random("series $i");
            $ability = Ability::cases()[$random->getInt(0, count(Ability::cases()) - 1)];
            $jump = self::between($random, -8.0, 8.0);
            $gain = self::between($random, -1.0, 1.0);
            $series = static function (int $many) use ($random, $now, $ability, $jump, $gain): array {
                $days = [];
                for ($k = 0; $k < $many; ++$k) {
                    $days[] = $random->getInt(0, 300);
                }
                rsort($days);
                $evidence = [];
                foreach ($days as $k => $ago) {
                    $evidence[] = new Evidence($ability, round(60.0 + $gain * $k + ($k > $many / 2 ? $jump : 0.0)
                        + self::between($random, -3.0, 3.0), 1), 0 === $random->getInt(0, 4) ? Bound::AtLeast
                        : Bound::Exact, Uncertainty::ofReading(self::between($random, 0.5, 4.0)),
                        ['shins-stacked', 'cow-face-knees', 'seen half-lotus full'][$random->getInt(0, 2)],
                        on: $now->sub(new \DateInterval("P{$ago}D")), isWarm: 0 === $random->getInt(0, 4));
                }

                return $evidence;
            };
            $one = $series($random->getInt(1, 40));
            $asked = 0 === $random->getInt(0, 3) ? null : self::between($random, 55.0, 75.0);
            $lines = Sheet::of([AbilityProgress::of($ability, $one, $now, $asked),
                SidesApart::of($ability, $one, $series($random->getInt(1, 12))),
                HeightProgress::of(array_map(static fn (Evidence $read): array => [$read->on ?? $now, $read->value],
                    $one), $now)], 5);
            $trend = Trend::of(array_map(static fn (int $k): TimedReading => new TimedReading(
                $k * self::between($random, 1.0, 9.0) + 9.0 * $k, 60.0 + $gain * $k + ($k > 6 ? $jump : 0.0)
                    + self::between($random, -2.0, 2.0), self::between($random, 1.0, 3.0)),
                range(0, $random->getInt(3, 60))));
            $told["series $i"] = [...$lines, ...null === $trend ? [] : Sheet::of([$trend->slope->mean(),
                $trend->slope->interval(), $trend->chanceReal(), $trend->typical, $trend->at(150.0)->interval(),
                Step::of($trend)], 4)];
        }
        self::assertSums('series', $told);
    }

    public function testManyLegsInEveryContact(): void
    {
        $told = [];
        foreach (ContactList::toSetUp() as $name => $about) {
            $random = self::random($name);
            $lines = [];
            for ($i = 0; $i < 60; ++$i) {
                $set = [];
                foreach ($about->controls as $control) {
                    $set[$control->name] = self::between($random, $control->least, $control->most);
                }
                $body = People::draw($random)->proportions->body(Side::Left);
                $can = new Capacity(self::between($random, 80.0, 150.0), self::between($random, 20.0, 70.0),
                    self::between($random, 20.0, 120.0), self::between($random, 120.0, 165.0));
                try {
                    $posture = CatalogueDemand::find($name, $set)?->posture($can, StandardBody::upper())
                        ?? self::fail($name);
                    $errors = Sensitivity::ofSetUp($posture, $body);
                    array_push($lines, ...Sheet::of([$posture->angles($body),
                        $posture instanceof ChainReading ? $posture->pose($body) : null,
                        array_map(static fn (Component $of): array => [$errors->readingError($of),
                            $errors->error($of, BodyError::measured())], Component::cases()),
                        Shortfall::of($posture->angles($body), $can),
                        $posture instanceof KneeAtHeight ? Shortfall::kneeLift($posture, $body, $can) : null], 4));
                } catch (\DomainException $e) {
                    $lines[] = $e->getMessage();
                }
            }
            $told[$name] = $lines;
        }
        self::assertSums('legs', $told);
    }

    private static function random(string $name): Randomizer
    {
        return new Randomizer(new Xoshiro256StarStar(crc32($name)));
    }

    private static function between(Randomizer $random, float $least, float $most): float
    {
        return $least + ($most - $least) * Normal::share($random);
    }

    /** @param array<string, list<string>> $told */
    private static function assertSums(string $name, array $told): void
    {
        $sums = '';
        foreach ($told as $of => $lines) {
            $text = implode("\n", $lines);
            $sums .= sprintf("%s: %s\n", $of, substr(hash('sha256', $text), 0, 12));
            if ('whole' === getenv('SHEETS')) {
                $folder = dirname(__DIR__, 3)."/var/sheets/$name";
                is_dir($folder) || mkdir($folder, 0o777, true);
                file_put_contents("$folder/".strtr($of, '/ ', '--').'.txt', $text);
            }
        }
        $file = __DIR__."/many-$name.txt";
        if ('write' === getenv('SHEETS')) {
            file_put_contents($file, $sums);
        }
        self::assertStringEqualsFile($file, $sums);
    }
}
