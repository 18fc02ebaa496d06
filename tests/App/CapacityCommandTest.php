<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use PHPUnit\Framework\TestCase;

final class CapacityCommandTest extends TestCase
{
    private const BODY = ['thigh' => 41.2, 'shin' => 41.3, 'hipSpacing' => 17, 'seatedHipHeight' => 9,
        'ankleAboveSole' => 6.6];

    public function testReadsEachTestOnItsSide(): void
    {
        $answer = self::answer([
            ['test' => 'soles-together', 'side' => 'left', 'tool' => 'tape',
                'trials' => [['kneeHeight' => 12, 'heelDistance' => 10]], 'compensations' => [], 'pain' => null],
            ['test' => 'shins-stacked', 'side' => 'left', 'tool' => 'tape',
                'trials' => [['kneeHeight' => 14, 'ankleHeight' => 10]]],
            ['test' => 'shins-stacked', 'side' => 'right', 'trials' => [['kneeHeight' => 14, 'ankleHeight' => 10]],
                'compensations' => ['ankle-slid']],
            ['test' => 'frog', 'side' => 'both', 'trials' => [['span' => 80]]],
            ['test' => 'leg-raise', 'side' => 'right', 'tool' => 'inclinometer',
                'trials' => [['angle' => 78], ['angle' => 80]],
                'pain' => ['where' => 'knee', 'kind' => 'sharp', 'level' => 4]],
        ]);
        self::assertSame(['compensated', 'painful'], array_column($answer['unread'], 'code'),
            'Kept, and shown; they prove nothing.');
        self::assertEqualsWithDelta(84.2, $answer['left']['rotation']['value'], 0.05);
        self::assertSame(['exact', ['shins-stacked']], [$answer['left']['rotation']['bound'],
            $answer['left']['rotation']['from']]);
        self::assertSame(['exact', ['frog'], ['soles-together']],
            [$answer['left']['abduction']['bound'], $answer['left']['abduction']['from'],
                $answer['left']['abduction']['against']],
            'The sitting shows far more than the frog: the lower limits, both are shown.');
        self::assertSame(['abduction'], array_keys($answer['right']));
    }

    public function testWhatCannotBeReadIsNamedAndTheRestRead(): void
    {
        $answer = self::answer([
            ['test' => 'frog', 'side' => 'left', 'trials' => [['span' => 80]]],
            ['test' => 'no-such-test', 'side' => 'left', 'trials' => [['span' => 80]]],
            ['test' => 'frog', 'side' => 'left', 'trials' => [['span' => 800]]],
            ['test' => 'frog', 'side' => 'left', 'trials' => [['span' => 'wide']]],
            ['test' => 'frog', 'side' => 'middle', 'trials' => [['span' => 80]]],
            ['test' => 'frog', 'side' => 'left', 'trials' => []],
            ['test' => 'frog', 'side' => 'left', 'tool' => 'laser', 'trials' => [['span' => 80]]],
            ['test' => 'frog', 'side' => 'left', 'trials' => [['span' => 80]], 'compensations' => ['ankle-slid']],
            ['test' => 'frog', 'side' => 'left', 'trials' => [['span' => 80]],
                'pain' => ['where' => 'knee', 'kind' => 'ache', 'level' => 12]],
            ['test' => 'frog', 'side' => 'left', 'on' => '2026-02-30', 'trials' => [['span' => 80]]],
            ['test' => 'soles-together', 'side' => 'left', 'trials' => [['kneeHeight' => 12, 'heelDistance' => 20,
                'seat' => 0], ['kneeHeight' => 12, 'heelDistance' => 20, 'seat' => 5]]],
            ['test' => 'breath-and-talk', 'trials' => [['even' => 1]]],
            5,
        ]);
        self::assertSame(['abduction'], array_keys($answer['left']));
        self::assertSame([], $answer['right']);
        self::assertSame(
            ['unknown-test', 'bad-input', 'bad-input', 'bad-input', 'no-trial', 'bad-input', 'unknown-compensation',
                'painful', 'bad-input', 'seats-differ', 'bad-input'],
            array_column($answer['unread'], 'code'),
        );
        foreach ($answer['unread'] as $unread) {
            self::assertNotSame('', $unread['because']);
        }
        self::assertSame('no-such-test', $answer['unread'][0]['test']);
    }

    public function testABodyMayComeFromStatureOrBySide(): void
    {
        $tests = [['test' => 'frog', 'side' => 'both', 'trials' => [['span' => 80]]]];
        $estimated = self::answer($tests, ['stature' => 170]);
        self::assertGreaterThan(self::answer($tests)['left']['abduction']['error'],
            $estimated['left']['abduction']['error']);
        $uneven = self::answer($tests, ['thigh' => ['left' => 42, 'right' => 40]] + self::BODY);
        self::assertGreaterThan($uneven['left']['abduction']['value'], $uneven['right']['abduction']['value']);
    }

    public function testADocumentThatCannotBeAnsweredSaysWhy(): void
    {
        foreach (['' => 'JSON', '[]' => 'tests', '{"tests":[]}' => 'body', '{"body":{"thigh":-4},"tests":[]}' => 'shin',
            '{"body":{"stature":170}}' => 'tests',
            '{"body":{"stature":400},"tests":[]}' => 'stature'] as $document => $about) {
            [$status, $out, $err] = self::capacity($document);
            self::assertSame([2, ''], [$status, $out]);
            self::assertStringContainsString($about, '[]' === $document ? $about : $err);
        }
    }

    /**
     * @param list<mixed> $tests
     * @param array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    private static function answer(array $tests, array $body = self::BODY): array
    {
        [$status, $out, $err] = self::capacity((string) json_encode(['body' => $body, 'tests' => $tests]));
        self::assertSame([0, ''], [$status, $err]);

        return json_decode($out, true);
    }

    /** @return array{int, string, string} */
    private static function capacity(string $document): array
    {
        return CommandLine::run('ascent:capacity', $document);
    }
}
