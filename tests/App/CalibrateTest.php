<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The command that holds verdicts against people whose truth is known. */
final class CalibrateTest extends TestCase
{
    public function testItPrintsWhatCameTrueAndWritesAPageAndAPicture(): void
    {
        $folder = sys_get_temp_dir().'/calibrate-'.bin2hex(random_bytes(6));
        mkdir($folder);
        try {
            [$status, $out, $err] = CommandLine::run('ascent:calibrate', '',
                ['--people=12', '--seed=7', "--into=$folder"]);
            self::assertSame([0, ''], [$status, $err]);
            $answer = json_decode($out, true, 512, JSON_THROW_ON_ERROR);
            self::assertSame(['people', 'seed', 'verdicts', 'open', 'short', 'near', 'unknown', 'chances', 'intervals',
                'asWanted', 'readings', 'aims'], array_keys($answer));
            self::assertSame([12, 7], [$answer['people'], $answer['seed']]);
            self::assertSame(24, $answer['asWanted']['verdicts'], 'One pose a person, both sides.');
            self::assertGreaterThan(1000, $answer['verdicts']);
            self::assertSame(2, $answer['readings']['people']);
            self::assertLessThan($answer['readings']['catalogue'], $answer['readings']['proposed']);
            self::assertSame(['wrongOpen', 'wrongShort', 'wrongOpenAsWanted', 'wrongShortAsWanted', 'chances',
                'intervals', 'readings'], array_keys($answer['aims']));
            self::assertSame(['value', 'met'], array_keys($answer['aims']['readings']));
            self::assertSame(['from', 'to', 'verdicts', 'stated', 'happened'],
                self::sorted(array_keys($answer['chances'][0]), ['from', 'to', 'verdicts', 'stated', 'happened']));
            $page = (string) file_get_contents("$folder/validation.md");
            self::assertStringContainsString('--people=12 --seed=7', $page);
            self::assertStringNotContainsString('{', $page, 'Every figure has its place.');
            self::assertStringContainsString(sprintf('| %.1f |', $answer['chances'][0]['happened']), $page);
            $picture = simplexml_load_string((string) file_get_contents("$folder/validation.svg"));
            self::assertNotFalse($picture);
            self::assertStringContainsString('rotation', $picture->asXML() ?: '');
            self::assertSame($out, CommandLine::run('ascent:calibrate', '', ['--people=12', '--seed=7'])[1],
                'The same seed makes the same people.');
        } finally {
            array_map(unlink(...), glob("$folder/*") ?: []);
            rmdir($folder);
        }
    }

    /** @param list<string> $options */
    #[DataProvider('wrong')]
    public function testWrongOptionsAreNamed(array $options, string $said): void
    {
        [$status, $out, $err] = CommandLine::run('ascent:calibrate', '', $options);
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringContainsString($said, $err);
    }

    public static function wrong(): iterable
    {
        yield 'nobody' => [['--people=0'], '--people must be a whole number'];
        yield 'no number' => [['--people=many'], '--people must be a whole number'];
        yield 'half a person' => [['--people=1.5'], '--people must be a whole number'];
        yield 'a seed below nothing' => [['--people=1', '--seed=-1'], '--seed must be a whole number'];
        yield 'nowhere' => [['--people=1', '--into=/nowhere/at/all'], '--into must be a folder'];
    }

    /**
     * @param list<string> $names
     * @param list<string> $order
     *
     * @return list<string>
     */
    private static function sorted(array $names, array $order): array
    {
        return array_values(array_intersect($order, $names));
    }
}
