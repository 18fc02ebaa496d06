<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Exchange\DocumentStream;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/** One document or many, one a line, and the answers in kind. */
final class DocumentStreamTest extends KernelTestCase
{
    /** @return iterable<string, array{string, list<string>, bool}> */
    public static function streams(): iterable
    {
        yield 'nothing' => ['', [''], false];
        yield 'one line' => ['{"a":1}', ['{"a":1}'], false];
        yield 'one, over lines' => ["{\n \"a\":\n 1}\n", ["{\n \"a\":\n 1}"], false];
        yield 'one, with an object alone on a line' => ["{\"a\":[\n{\"b\":1}\n,\n{\"b\":2}]}",
            ["{\"a\":[\n{\"b\":1}\n,\n{\"b\":2}]}"], false];
        yield 'many, with blank lines and foreign line ends' => ["\r\n{\"a\":1}\r\n\r\n{\"a\":2}\r\n",
            ['{"a":1}', '{"a":2}'], true];
        yield 'many, the middle one broken' => ["{\"a\":1}\n{\"a\n{\"a\":3}", ['{"a":1}', '{"a', '{"a":3}'], true];
        yield 'many, the first one broken' => ["{\"a\n{\"a\":2}\n{\"a\":3}", ['{"a', '{"a":2}', '{"a":3}'], true];
        yield 'one that is broken' => ["{\"a\":\n 1", ["{\"a\":\n 1"], false];
    }

    /** @param list<string> $documents */
    #[DataProvider('streams')]
    public function testTheDocumentsOfAStream(string $text, array $documents, bool $isMany): void
    {
        $stream = fopen('php://memory', 'w+');
        self::assertIsResource($stream);
        fwrite($stream, $text);
        rewind($stream);
        $read = DocumentStream::read($stream);
        self::assertSame($documents, array_values(iterator_to_array($read)));
        self::assertSame($isMany, $read->isMany());
    }

    public function testManyDocumentsAreAnsweredLineByLineAndABadOneKeepsItsPlace(): void
    {
        $good = '{"on":"2026-03-02","body":{"stature":170},"tests":[],"wanted":["half-lotus"]}';
        [$status, $out, $err] = CommandLine::run('ascent:assess', "$good\n{\"on\":\n$good\n[1]\n");
        self::assertSame(2, $status);
        $answers = array_map(static fn (string $line): mixed => json_decode($line, true), explode("\n", trim($out)));
        self::assertCount(4, $answers);
        self::assertSame($answers[0], $answers[2]);
        self::assertArrayHasKey('half-lotus', $answers[0]['poses']);
        self::assertSame('unreadable', $answers[1]['error']['code']);
        self::assertSame('bad-input', $answers[3]['error']['code']);
        self::assertStringContainsString('Line 2: ', $err);
        self::assertStringContainsString('Line 4: ', $err);
        [$status, $one] = CommandLine::run('ascent:assess', $good);
        self::assertSame([0, $answers[0]], [$status, json_decode($one, true)],
            'The same document alone is answered the same.');
        [$status, $out, $err] = CommandLine::run('ascent:assess', '{"on":');
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringStartsWith('The document cannot be read as JSON', $err);
    }

    public function testWhatIsTooLongIsReadAndNotKept(): void
    {
        $long = '{"a":"'.str_repeat('x', DocumentStream::LONGEST_BYTES).'"}';
        $stream = static function (string $text): array {
            $stream = fopen('php://temp', 'w+');
            self::assertIsResource($stream);
            fwrite($stream, $text);
            rewind($stream);

            return array_map(strlen(...), array_values(iterator_to_array(DocumentStream::read($stream))));
        };
        $cut = DocumentStream::LONGEST_BYTES + 1;
        self::assertSame([$cut], $stream($long));
        self::assertSame([$cut, 7, 7], $stream("$long\n{\"b\":1}\n{\"b\":2}\n"));
        self::assertSame([7, $cut, 7], $stream("{\"b\":1}\n$long\n{\"b\":2}"));
        $broken = str_repeat('x', 2_000_000);
        self::assertSame([2_000_000, 7, 2_000_000, 2_000_000, 7],
            $stream("$broken\n{\"b\":1}\n$broken\n$broken\n{\"b\":2}\n"),
            'Too much for one document: many, one a line.');
    }

    public function testADocumentHasNoMorePartsThanMemoryHolds(): void
    {
        [$status, $out, $err] = CommandLine::run('ascent:assess',
            '{"on":"2026-03-02","body":{"stature":170},"tests":['.str_repeat('[1],', 60_000).'[1]]}');
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringContainsString('more than 60000 objects and lists', $err);
        [$status, $out, $err] = CommandLine::run('ascent:assess',
            '{"on":"'.str_repeat('x', DocumentStream::LONGEST_BYTES).'"}');
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringContainsString('longer than 4000000 bytes', $err);
    }

    #[DataProvider('commands')]
    public function testTheExampleOfTheHelpRuns(string $command): void
    {
        $help = self::command($command)->getHelp();
        self::assertSame(1, preg_match('/For example:\s*(\{.*?\})\s*\n\s*\n/s', $help, $example), $help);
        [$status, $out, $err] = CommandLine::run($command, $example[1]);
        self::assertSame([0, ''], [$status, $err]);
        $answer = json_decode($out, true);
        self::assertIsArray($answer);
        self::assertArrayNotHasKey('unread', array_filter($answer), 'Every part of the example is read.');
    }

    /** @return iterable<array{string}> */
    public static function commands(): iterable
    {
        yield ['ascent:assess'];
        yield ['ascent:decide'];
        yield ['ascent:progress'];
    }

    private static function command(string $name): \Symfony\Component\Console\Command\Command
    {
        return (new \Symfony\Bundle\FrameworkBundle\Console\Application(self::bootKernel()))->find($name);
    }
}
