<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\Core\Body\Side;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The command that draws: what it prints, of whom, and what it refuses. */
final class DrawCommandTest extends TestCase
{
    public function testItPrintsADrawingOrItsNumbers(): void
    {
        [$status, $svg] = self::draw('half-lotus', 'seated-half-lotus');
        self::assertSame(0, $status);
        self::assertTrue((new \DOMDocument())->loadXML($svg));
        self::assertStringContainsString('Half lotus, seated half lotus (left)', $svg);
        foreach (Side::cases() as $side) {
            [$status, $json] = self::draw('half-lotus', 'seated-half-lotus', '--format=json', "--side=$side->value");
            self::assertSame(0, $status);
            $document = json_decode($json, true);
            self::assertSame(['points', 'segments', 'contacts', 'carries', 'props'], array_keys($document));
            self::assertEqualsWithDelta(14.0, $document['points']["$side->value-knee"][2], 0.01);
            self::assertContains(["$side->value-foot", $side->opposite()->value.'-thigh'],
                array_map(static fn (array $contact): array => [$contact['what'], $contact['to']],
                    $document['contacts']), 'the foot lies on the other thigh');
            self::assertContains('seat', $document['carries']);
            self::assertSame('knee-blanket', $document['props'][0]['what']);
            self::assertEqualsWithDelta(9.0, $document['props'][0]['height'], 0.01,
                'its top is half a knee below the middle of the knee');
        }
    }

    public function testItDrawsSomebody(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'body');
        file_put_contents($file, json_encode(['body' => ['stature' => 181, 'thigh' => ['left' => 46, 'right' => 44]],
            'tests' => []]));
        [, $json] = self::draw('tree', 'thigh', '--format=json', "--body=$file");
        $points = json_decode($json, true)['points'];
        $length = static fn (string $a, string $b): float => sqrt(array_sum(array_map(static fn ($p,
            $q): float => ($p - $q) ** 2, $points[$a], $points[$b])));
        self::assertEqualsWithDelta(46.0, $length('left-hip', 'left-knee'), 0.05);
        self::assertEqualsWithDelta(44.0, $length('right-hip', 'right-knee'), 0.05);
        file_put_contents($file, '{"stature":155}');
        self::assertSame(0, self::draw('tree', 'thigh', "--body=$file")[0], 'a body by itself will do');
        unlink($file);
    }

    public function testItDrawsEverythingIntoAFolder(): void
    {
        $folder = sys_get_temp_dir().'/figures-'.bin2hex(random_bytes(4));
        self::assertSame(0, self::draw('--all', $folder)[0]);
        $files = glob("$folder/*.svg") ?: [];
        self::assertGreaterThanOrEqual(250, count($files));
        self::assertFileExists("$folder/pigeon.slanted.svg");
        array_map(unlink(...), $files);
        rmdir($folder);
    }

    /** @param list<string> $arguments */
    #[DataProvider('wrong')]
    public function testWhatItDoesNotUnderstandItSays(array $arguments, string $message): void
    {
        [$status, $out, $error] = self::draw(...$arguments);
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringContainsString($message, $error);
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function wrong(): iterable
    {
        yield 'no rung' => [['half-lotus'], 'which posture and which rung'];
        yield 'no such rung' => [['half-lotus', 'flying'], 'has no rung "flying"'];
        yield 'no such posture' => [['flying', 'full'], 'no posture "flying"'];
        yield 'a side' => [['tree', 'thigh', '--side=middle'], 'left or right'];
        yield 'a view' => [['tree', 'thigh', '--view=within'], 'The view is one of'];
        yield 'a size' => [['tree', 'thigh', '--size=huge'], 'mark, strip, card or large'];
        yield 'a format' => [['tree', 'thigh', '--format=png'], 'svg or json'];
        yield 'a body that is not there' => [['tree', 'thigh', '--body=/no/such/file'], 'cannot be read'];
        yield 'a folder that cannot be' => [['--all', '/dev/null/figures'], 'no folder'];
    }

    /** @return array{int, string, string} status, output, errors */
    private static function draw(string ...$arguments): array
    {
        return CommandLine::run('ascent:draw', '', $arguments);
    }
}
