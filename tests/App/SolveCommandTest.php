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
        [$status, $out, $err] = self::solve('{"version":1,"cases":['.$good.', {"posture":"x"}, NaN, 5, {"a":"]}\"["},'."\n".$good.']}');
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
        $case = static fn (string $rest, string $body = self::BODY): string => "{\"posture\":\"soles-together\",\"body\":$body,$rest}";
        yield 'negative height' => [$case('"kneeHeight":-1,"heelDistance":10'), 'bad-input'];
        yield 'a text for a number' => [$case('"kneeHeight":"12","heelDistance":10'), 'bad-input'];
        yield 'true for a number' => [$case('"kneeHeight":true,"heelDistance":10'), 'bad-input'];
        yield 'infinite' => [$case('"kneeHeight":1e999,"heelDistance":10'), 'bad-input'];
        yield 'missing' => [$case('"heelDistance":10'), 'bad-input'];
        yield 'no thigh' => [$case('"kneeHeight":12,"heelDistance":10', '{"thigh":0,"shin":41,"hipSpacing":17,"seatedHipHeight":9,"ankleAboveSole":6}'), 'bad-input'];
        yield 'unknown question' => [$case('"kneeHeight":12,"heelDistance":10,"ask":"why"'), 'bad-input'];
        yield 'knee too high' => [$case('"kneeHeight":70,"heelDistance":10'), 'out-of-reach'];
        yield 'heels too far' => [$case('"kneeHeight":12,"heelDistance":200'), 'out-of-reach'];
        yield 'no height within capacity' => [$case('"heelDistance":15,"ask":"lowest-knee","capacity":{"flexion":125,"abduction":55,"rotation":90,"kneeFlexion":160}'), 'out-of-reach'];
    }

    public function testAnglesGiveKneeAndAnkle(): void
    {
        $answer = SolveCase::answerText('{"posture":"angles","flexion":90,"abduction":0,"rotation":0,"kneeFlexion":90,"body":'.self::BODY.',"seat":1,"pelvicTilt":0}');
        self::assertEqualsWithDelta([41.2, 8.5, 10.0], $answer['knee'], 1e-9);
        self::assertEqualsWithDelta([41.2, 8.5, 10.0 - 41.3], $answer['ankle'], 1e-9);
    }

    public function testElementsAreCutAtAnyChunk(): void
    {
        $stream = fopen('php://memory', 'w+');
        self::assertIsResource($stream);
        $long = str_repeat('x', 70000);
        fwrite($stream, '{"cases":["'.$long.'\\"", 1 , [2,[3]] ]}');
        rewind($stream);
        self::assertSame(['"'.$long.'\\""', '1', '[2,[3]]'], iterator_to_array(CaseStream::elements($stream, 'cases'), false));
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
        $process = proc_open([PHP_BINARY, dirname(__DIR__, 2).'/bin/console', 'ascent:solve', '--env=prod'], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        fwrite($pipes[0], $document);
        fclose($pipes[0]);
        $out = (string) stream_get_contents($pipes[1]);
        $err = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $err];
    }
}
