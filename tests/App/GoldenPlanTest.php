<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Exchange\PlanAnswer;
use LucidAscent\App\Json\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/**
 * Sessions of made-up people, as a teacher would read them: six at length, and ten in four ways of practising each.
 * Whoever changes what is planned reads the sheets again before they are written anew (WRITE_SHEETS=1).
 */
final class GoldenPlanTest extends KernelTestCase
{
    private const SHEETS = __DIR__.'/sheets';
    private const ALL = ['block', 'block', 'blanket', 'blanket', 'blanket', 'strap', 'bolster', 'cushion', 'wall',
        'chair', 'bed-edge'];

    /** @param array<string, mixed> $with */
    #[DataProvider('people')]
    public function testAPlanThatATeacherWouldSign(string $name, array $with): void
    {
        self::assertIsTheSheet("plan-$name", self::prose($with, [[0, 0], [0, 1], [1, 1], [3, 0]]));
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('tenPeople')]
    public function testPlansOfOnePersonInFourWays(string $name, array $with): void
    {
        $sheet = '';
        $ways = [['long-still', 30], ['working-muscle', 45], ['counted-breath', 60], ['counted-breath', 20]];
        foreach ($ways as $i => [$school, $minutes]) {
            $sheet .= "$school, $minutes minutes\n\n".self::prose(['school' => $school, 'minutes' => $minutes] + $with,
                $i < 3 ? [[0, 0], [2, 1]] : [[0, 1]])."\n";
        }
        self::assertIsTheSheet("plans-$name", $sheet);
    }

    private static function assertIsTheSheet(string $name, string $sheet): void
    {
        $file = self::SHEETS."/$name.txt";
        if ('1' === getenv('WRITE_SHEETS')) {
            file_put_contents($file, $sheet);
        }
        self::assertStringEqualsFile($file, $sheet);
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function people(): iterable
    {
        $tests = static fn (float $shins, float $soles, float $frog, ?float $left = null): array => [
            ['test' => 'shins-stacked', 'side' => 'left', 'trials' => [['kneeHeight' => $left ?? $shins,
                'ankleHeight' => 10], ['kneeHeight' => ($left ?? $shins) + 0.4, 'ankleHeight' => 10]]],
            ['test' => 'shins-stacked', 'side' => 'right', 'trials' => [['kneeHeight' => $shins, 'ankleHeight' => 10],
                ['kneeHeight' => $shins + 0.4, 'ankleHeight' => 10]]],
            ['test' => 'soles-together', 'side' => 'both', 'trials' => [['kneeHeight' => $soles, 'heelDistance' => 22],
                ['kneeHeight' => $soles + 0.5, 'heelDistance' => 22]]],
            ['test' => 'frog', 'side' => 'both', 'trials' => [['span' => $frog], ['span' => $frog + 1]]],
        ];
        $seen = static fn (string $posture, string $rung): array => ['posture' => $posture, 'rung' => $rung,
            'side' => 'both', 'clean' => true];
        foreach ([
            'stiff-beginner' => ['minutes' => 30, 'school' => 'long-still', 'wanted' => ['half-lotus'],
                'tests' => $tests(27, 24, 70), 'equipment' => ['blanket', 'wall']],
            'one-sore-knee' => ['minutes' => 45, 'school' => 'counted-breath', 'wanted' => ['pigeon', 'half-lotus'],
                'tests' => $tests(17, 14, 84), 'equipment' => self::ALL,
                'events' => [['event' => 'pain', 'side' => 'left',
                    'pain' => ['level' => 2, 'place' => 'knee', 'kind' => 'ache']]]],
            'loose-joints' => ['minutes' => 60, 'school' => 'working-muscle', 'wanted' => ['leg-behind-head'],
                'tests' => $tests(9, 4, 97), 'equipment' => self::ALL, 'conditions' => ['hypermobility']],
            'one-side-tighter' => ['minutes' => 60, 'school' => 'long-still', 'wanted' => ['shins-stacked', 'pigeon'],
                'tests' => $tests(13, 12, 92, 21), 'equipment' => self::ALL,
                'seen' => [$seen('figure-four', 'lying'), $seen('pigeon', 'slanted')],
                'sessions' => array_map(static fn (string $day): array => ['on' => $day,
                    'items' => [['posture' => 'pigeon', 'rung' => 'slanted', 'side' => 'both', 'clean' => true]]],
                    ['2026-02-20', '2026-02-23', '2026-02-26'])],
            'years-of-practice' => ['minutes' => 90, 'school' => 'counted-breath',
                'wanted' => ['lotus', 'leg-behind-head', 'compass'], 'tests' => $tests(10, 4, 97),
                'equipment' => self::ALL, 'seen' => [$seen('half-lotus', 'seated-half-lotus'),
                    $seen('pigeon', 'fold'),
                    $seen('shins-stacked', 'level'), $seen('leg-cradle', 'hands'), $seen('low-lunge', 'upright'),
                    $seen('figure-four', 'seated')], 'sportDays' => ['sat']],
            'sixteen' => ['minutes' => 40, 'school' => 'counted-breath', 'wanted' => ['lotus'],
                'tests' => $tests(15, 12, 96), 'equipment' => self::ALL,
                'conditions' => ['minor', 'guardian-consent']],
        ] as $name => $with) {
            yield $name => [$name, $with];
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function tenPeople(): iterable
    {
        $side = static fn (string $test, string $side, array $trial): array => ['test' => $test, 'side' => $side,
            'trials' => [$trial, $trial]];
        $tests = static fn (float $shins, float $soles, float $frog, float $raise, float $hug): array => [
            $side('shins-stacked', 'both', ['kneeHeight' => $shins, 'ankleHeight' => 10]),
            $side('soles-together', 'both', ['kneeHeight' => $soles, 'heelDistance' => 20]),
            $side('frog', 'both', ['span' => $frog]),
            ['tool' => 'inclinometer'] + $side('leg-raise-strap', 'both', ['angle' => $raise]),
            ['tool' => 'inclinometer'] + $side('knee-hug', 'both', ['angle' => $hug])];
        $seen = static fn (string $posture, string $rung): array => ['posture' => $posture, 'rung' => $rung,
            'side' => 'both', 'clean' => true];
        $pain = static fn (string $place, ?string $side, int $level, string $kind): array => [['event' => 'pain',
            'side' => $side, 'pain' => ['level' => $level, 'place' => $place, 'kind' => $kind]]];
        foreach ([
            'desk' => ['wanted' => ['soles-together', 'pigeon'], 'tests' => $tests(24, 22, 74, 58, 108),
                'equipment' => ['blanket', 'chair', 'wall']],
            'runner' => ['wanted' => ['hand-to-big-toe', 'half-lotus'], 'tests' => $tests(18, 16, 84, 48, 116),
                'equipment' => self::ALL, 'sportDays' => ['sat']],
            'climber' => ['wanted' => ['leg-behind-head', 'compass'], 'tests' => $tests(11, 6, 96, 84, 134),
                'equipment' => self::ALL, 'seen' => [$seen('leg-cradle', 'hands'), $seen('figure-four', 'seated')]],
            'dancer' => ['wanted' => ['standing-bind', 'splits'], 'tests' => $tests(9, 4, 98, 108, 138),
                'equipment' => self::ALL, 'conditions' => ['hypermobility']],
            'expecting' => ['wanted' => ['soles-together'], 'tests' => $tests(15, 11, 90, 78, 118),
                'equipment' => self::ALL, 'conditions' => ['pregnancy']],
            'worn-knee' => ['wanted' => ['shins-stacked'], 'tests' => $tests(20, 17, 80, 68, 112),
                'equipment' => self::ALL, 'conditions' => [['id' => 'knee-arthrosis', 'side' => 'right']]],
            'new-hip' => ['wanted' => ['cow-face'], 'tests' => $tests(22, 20, 76, 66, 104),
                'equipment' => self::ALL, 'conditions' => [['id' => 'hip-replacement', 'side' => 'left']]],
            'sore-knee' => ['wanted' => ['lotus'], 'tests' => $tests(14, 10, 92, 80, 124),
                'equipment' => self::ALL, 'events' => $pain('inner-knee', 'right', 3, 'ache')],
            'low-back' => ['wanted' => ['pigeon'], 'tests' => $tests(16, 13, 88, 70, 118),
                'equipment' => self::ALL, 'events' => $pain('low-back', null, 2, 'ache')],
            'teacher' => ['wanted' => ['lotus', 'deep-pigeon'], 'tests' => $tests(8, 3, 98, 96, 136),
                'equipment' => self::ALL, 'seen' => [$seen('half-lotus', 'seated-half-lotus'),
                    $seen('pigeon', 'fold'), $seen('camel', 'hands-hips'), $seen('shins-stacked', 'level')]],
        ] as $name => $with) {
            yield $name => [$name, $with];
        }
    }

    /**
     * @param array<string, mixed> $with
     * @param list<array{int, int}> $which sessions, by week and place
     */
    private static function prose(array $with, array $which): string
    {
        $catalogue = self::getContainer()->get(Catalogue::class);
        $plan = json_decode((string) json_encode(self::getContainer()->get(PlanAnswer::class)
            ->of(Fields::of($with + ['on' => '2026-03-02', 'body' => ['stature' => 170], 'conditions' => [],
                'weeks' => 4, 'days' => ['tue', 'sat']]))), true);
        self::assertSame([], $plan['unread']);
        $names = array_map(static fn (array $entry): string => $entry['name'], $catalogue->all(Kind::Posture));
        $lines = [];
        foreach ($which as [$week, $at]) {
            $session = $plan['weeks'][$week]['sessions'][$at];
            $lines[] = sprintf('Week %d, %s, %d minutes%s.%s', $week + 1, ucfirst($session['day']), $session['minutes'],
                null === $session['theme'] ? '' : ', for '.mb_strtolower($names[$session['theme']]), null
                === $session['note'] ? '' : ' '.$session['note']);
            if (null !== $session['before']) {
                $lines[] = sprintf('  Before and after, %s: %s, %s.', $session['before']['side'],
                    $session['before']['name'], $session['before']['number']);
            }
            foreach ($session['items'] as $item) {
                $shape = $catalogue->entry(Kind::Drill, $item['drill'] ?? '')['name']
                    ?? $names[$item['posture']].', '.lcfirst($catalogue->named($item['posture'].'/'.($item['form']
                    ?? $item['rung']))['name'] ?? '');
                $lines[] = sprintf('  %-8s %-5s %5s  %s%s', $item['phase'], $item['side'], null !== $item['breaths']
                    ? "$item[breaths]×" : sprintf('%d:%02d', intdiv($item['seconds'], 60), $item['seconds'] % 60),
                    $shape, null === $item['repetitions'] ? '' : ", $item[repetitions] times");
            }
            if (null !== $session['unused']) {
                $lines[] = sprintf('  %d minutes stay free. %s', $session['unused']['minutes'],
                    $session['unused']['because']);
            }
            $lines[] = '';
        }
        foreach ($plan['leftOut'] as $left) {
            $lines[] = $names[$left['posture']].': '.lcfirst($left['because']);
        }
        foreach ($plan['expected'] as $step) {
            $rung = static fn (string $id): string => lcfirst($catalogue->named("$step[posture]/$id")['name'] ?? $id);
            $lines[] = sprintf('%s, %s: from %s to %s on %s at the earliest.', $names[$step['posture']], $step['side'],
                $rung($step['rung']), $rung($step['next']), $step['day']);
        }
        $lines[] = (string) $plan['dailyNote'];

        return implode("\n", $lines)."\n";
    }
}
