<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Exchange\CaseStream;
use LucidAscent\App\Exchange\SolveCase;
use LucidAscent\App\Exchange\UnreadableDocument;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SolveCommandTest extends TestCase
{
    private const BODY = '{"thigh":41.2,"shin":41.3,"hipSpacing":17,"seatedHipHeight":9,"ankleAboveSole":6.6}';

    public function testAnswersInOrderThroughTheCommand(): void
    {
        $good = '{"posture":"soles-together","body":'.self::BODY.',"seat":0,"pelvicTilt":0,"kneeHeight":12,"heelDistance":10,"errors":true}';
        [$status, $out, $err] = self::solve(
            '{"version":1,"cases":['.$good.', {"posture":"x"}, NaN, 5, {"a":"]}\"["},'."\n".$good.']}',
        );
        self::assertSame([0, ''], [$status, $err]);
        $results = json_decode($out, true)['results'];
        self::assertCount(6, $results);
        self::assertEqualsWithDelta(56.77, $results[0]['rotation'], 0.01);
        self::assertEqualsWithDelta(3.94, $results[0]['sd']['all']['rotation'], 0.01);
        self::assertEqualsWithDelta(2.69, $results[0]['sd']['reading']['rotation'], 0.01);
        foreach ([1, 2, 3, 4] as $i) {
            self::assertSame('bad-input', $results[$i]['error']['code']);
        }
        self::assertSame($results[0], $results[5]);
    }

    public function testAnEmptyListHasNoResults(): void
    {
        self::assertSame([0, '{"results":[]}'."\n", ''], self::solve(' { "cases" : [ ] } '));
    }

    #[DataProvider('unreadable')]
    public function testAnUnreadableDocumentAnswersNothing(string $document): void
    {
        [$status, $out, $err] = self::solve($document);
        self::assertSame(2, $status);
        self::assertSame('', $out);
        self::assertStringContainsString('cannot be read', $err);
    }

    public static function unreadable(): iterable
    {
        yield 'nothing' => [''];
        yield 'not an object' => ['[1,2]'];
        yield 'no cases' => ['{"case":[]}'];
        yield 'cases is no list' => ['{"cases":{}}'];
        yield 'cut off' => ['{"cases":[{"posture":"angles"}'];
        yield 'more after the end' => ['{"cases":[]} {}'];
    }

    #[DataProvider('faults')]
    public function testSaysWhatIsWrongWithACase(string $case, string $code): void
    {
        self::assertSame($code, SolveCase::answerText($case)['error']['code'] ?? null);
    }

    public static function faults(): iterable
    {
        $case = static fn (string $rest,
            string $body = self::BODY): string => "{\"posture\":\"soles-together\",\"body\":$body,$rest}";
        yield 'negative height' => [$case('"kneeHeight":-1,"heelDistance":10'), 'bad-input'];
        yield 'a text for a number' => [$case('"kneeHeight":"12","heelDistance":10'), 'bad-input'];
        yield 'true for a number' => [$case('"kneeHeight":true,"heelDistance":10'), 'bad-input'];
        yield 'infinite' => [$case('"kneeHeight":1e999,"heelDistance":10'), 'bad-input'];
        yield 'missing' => [$case('"heelDistance":10'), 'bad-input'];
        yield 'no thigh' => [$case('"kneeHeight":12,"heelDistance":10',
            '{"thigh":0,"shin":41,"hipSpacing":17,"seatedHipHeight":9,"ankleAboveSole":6}'), 'bad-input'];
        yield 'unknown question' => [$case('"kneeHeight":12,"heelDistance":10,"ask":"why"'), 'bad-input'];
        yield 'knee too high' => [$case('"kneeHeight":70,"heelDistance":10'), 'out-of-reach'];
        yield 'heels too far' => [$case('"kneeHeight":12,"heelDistance":200'), 'out-of-reach'];
        yield 'no height within capacity' => [
            $case(
                '"heelDistance":15,"ask":"lowest-knee","capacity":{"flexion":125,"abduction":55,"rotation":90,"kneeFlexion":160}',
            ),
            'out-of-reach',
        ];
    }

    public function testAnglesGiveKneeAndAnkle(): void
    {
        $answer = SolveCase::answerText(
            '{"posture":"angles","flexion":90,"abduction":0,"rotation":0,"kneeFlexion":90,"body":'.self::BODY.',"seat":1,"pelvicTilt":0}',
        );
        self::assertEqualsWithDelta([41.2, 8.5, 10.0], $answer['knee'], 1e-9);
        self::assertEqualsWithDelta([41.2, 8.5, 10.0 - 41.3], $answer['ankle'], 1e-9);
    }

    #[DataProvider('postures')]
    public function testEveryPostureIsAnswered(string $case, array $expected): void
    {
        $answer = SolveCase::answerText(substr($case, 0, -1).',"body":'.self::BODY.'}');
        foreach ($expected as $name => $value) {
            self::assertEqualsWithDelta($value, $answer[$name] ?? null, 0.06, $name.' in '.json_encode($answer));
        }
    }

    public static function postures(): iterable
    {
        yield ['{"posture":"shins-stacked","kneeHeight":14,"ankleHeight":10}',
            ['flexion' => 97.3, 'abduction' => 17.0, 'rotation' => 84.2, 'kneeFlexion' => 107.6]];
        yield ['{"posture":"pigeon-front","hipHeight":16,"shinAngle":45}',
            ['flexion' => 74.2, 'abduction' => 11.2, 'rotation' => 71.1, 'kneeFlexion' => 143.6]];
        yield ['{"posture":"heel-to-seat","gap":20}',
            ['kneeFlexion' => 180 - rad2deg(acos((41.2 ** 2 + 41.3 ** 2 - 400) / (2 * 41.2 * 41.3)))]];
        yield ['{"posture":"leg-raise","heelHeight":60}', ['flexion' => rad2deg(asin(60 / 82.5))]];
        yield ['{"posture":"wide-legs","span":120}', ['abduction' => rad2deg(asin(51.5 / 82.5))]];
        yield ['{"posture":"frog","span":80}', ['abduction' => rad2deg(asin(31.5 / 41.2))]];
        yield ['{"posture":"half-lotus","contact":{"forward":22,"across":-5,"above":8},"ask":"lowest-knee","capacity":{"flexion":125,"abduction":50,"rotation":85,"kneeFlexion":160}}', ['kneeHeight' => 22.4]];
    }

    public function testQuestionsBesideTheAnglesAreAnswered(): void
    {
        $half = '{"posture":"half-lotus","body":'.self::BODY.',"contact":{"forward":12,"across":-2,"above":8},"capacity":{"flexion":125,"abduction":50,"rotation":85,"kneeFlexion":160}';
        $none = SolveCase::answerText($half.',"ask":"lowest-knee"}')['error'];
        self::assertSame('out-of-reach', $none['code']);
        self::assertEqualsWithDelta(5.0, $none['tuck'], 0.1);
        self::assertNull($none['seat']);
        $short = SolveCase::answerText($half.',"ask":"shortfall","kneeHeight":10}');
        self::assertEqualsWithDelta(31.0, $short['shortfall']['rotation'], 0.1);
        self::assertEqualsWithDelta(0.0, $short['shortfall']['flexion'], 1e-9);
        $rows = SolveCase::answerText($half.',"ask":"props","kneeHeight":10}')['props'];
        self::assertContains('seat', array_column($rows, 'prop'));
        $head = SolveCase::answerText(
            '{"posture":"leg-behind-head","body":'.self::BODY.',"torso":50,"rounding":60,"kneeOutside":18,"capacity":{"flexion":130,"abduction":50,"rotation":100,"kneeFlexion":150}}',
        );
        self::assertEqualsWithDelta(100 - $head['rotation'], $head['margin'], 0.01);
        self::assertGreaterThanOrEqual(18.0, $head['knee'][1]);
        self::assertSame('bad-input',
            SolveCase::answerText(
                '{"posture":"frog","body":'.self::BODY.',"span":80,"ask":"lowest-knee","capacity":{}}',
            )['error']['code']);
    }

    public function testAHundredThousandCasesTakeNoMoreMemoryThanAFew(): void
    {
        $element = '{"posture":"frog","span":80,"body":'.self::BODY.'}';
        $peak = [];
        foreach ([1000, 100000] as $count) {
            $stream = fopen('php://temp/maxmemory:0', 'w+');
            self::assertIsResource($stream);
            fwrite($stream, '{"cases":[');
            for ($i = 1; $i < $count; ++$i) {
                fwrite($stream, $element.',');
            }
            fwrite($stream, $element.']}');
            rewind($stream);
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $answered = 0;
            foreach (CaseStream::elements($stream, 'cases') as $case) {
                $answered += isset(SolveCase::answerText($case)['abduction']) ? 1 : 0;
            }
            self::assertSame($count, $answered);
            $peak[$count] = memory_get_peak_usage() - $before;
        }
        self::assertLessThan(1 << 20, $peak[100000] - $peak[1000]);
    }

    public function testElementsAreCutAtAnyChunk(): void
    {
        $stream = fopen('php://memory', 'w+');
        self::assertIsResource($stream);
        $long = str_repeat('x', 70000);
        fwrite($stream, '{"cases":["'.$long.'\\"", 1 , [2,[3]] ]}');
        rewind($stream);
        self::assertSame(['"'.$long.'\\""', '1', '[2,[3]]'],
            iterator_to_array(CaseStream::elements($stream, 'cases'), false));
    }

    public function testACaseThatIsTooLongSpoilsItselfAlone(): void
    {
        $case = '{"posture":"frog","body":{"thigh":40,"shin":40},"span":90}';
        foreach (['{"posture":"'.str_repeat('x', CaseStream::LONGEST_BYTES).'\\""}',
            '['.str_repeat('[],', CaseStream::LONGEST_BYTES).'[]]'] as $long) {
            [$status, $out] = self::solve("{\"cases\":[$case,$long,$case]}");
            $results = json_decode($out, true)['results'];
            self::assertSame(0, $status);
            self::assertCount(3, $results);
            self::assertSame($results[0], $results[2]);
            self::assertSame('The case is longer than 1000000 bytes.', $results[1]['error']['message']);
        }
    }

    public function testAnUnbalancedElementIsUnreadable(): void
    {
        $stream = fopen('php://memory', 'w+');
        self::assertIsResource($stream);
        fwrite($stream, '{"cases":[}]}');
        rewind($stream);
        $this->expectException(UnreadableDocument::class);
        iterator_to_array(CaseStream::elements($stream, 'cases'), false);
    }

    /** @return array{int, string, string} */
    private static function solve(string $document): array
    {
        return CommandLine::run('ascent:solve', $document);
    }
}
