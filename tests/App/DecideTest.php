<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Exchange\DecideAnswer;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

final class DecideTest extends KernelTestCase
{
    private const CLEAN = ['holdReached' => true, 'evenBreath' => true, 'pain' => null, 'compensations' => []];

    /**
     * @param list<array<string, mixed>> $sessions
     * @param list<string> $reasons
     */
    #[DataProvider('cases')]
    public function testEachRuleDecides(string $decision, array $reasons, array $sessions, string $next = 'near'): void
    {
        $answer = self::answer(['sessions' => $sessions, 'next' => $next]);
        self::assertSame($decision, $answer['decision']);
        self::assertSame($reasons, array_column($answer['reasons'], 'code'));
        foreach ($answer['reasons'] as $reason) {
            self::assertNotSame($reason['code'], $reason['text'], 'said in words');
        }
        self::assertContains($decision, $answer['choices']);
    }

    public static function cases(): iterable
    {
        $on = static fn (string $day, array $with = []): array => ['on' => "2026-03-$day"] + $with + self::CLEAN;
        yield 'three clean sessions' => ['move-on', ['move-on.clean'], [$on('02'), $on('04'), $on('06')]];
        yield 'the next rung is short' => ['stay', ['stay.gate'], [$on('02'), $on('04'), $on('06')], 'short'];
        yield 'two of three' => ['stay', ['stay.count'], [$on('02'), $on('04')]];
        yield 'the same log twice' => ['stay', ['stay.count'], [$on('02'), $on('04'), $on('04')]];
        yield 'pain of three' => ['step-back', ['step-back.pain'],
            [$on('02', ['pain' => ['where' => 'outer-hip', 'kind' => 'ache', 'level' => 3]])]];
        yield 'sore at night' => ['step-back', ['step-back.sore'], [$on('02', ['soreAtNight' => true])]];
        yield 'compensations twice running' => ['step-back', ['step-back.compensations'],
            [$on('02', ['compensations' => ['knee-opens']]), $on('04', ['compensations' => ['knee-opens']])]];
        yield 'a break of two weeks' => ['step-back', ['step-back.break'], [$on('02'), $on('20')]];
        yield 'a break of six weeks' => ['re-test', ['step-back.retest'],
            [$on('02'), ['on' => '2026-05-01'] + self::CLEAN]];
        yield 'knee pain at any level' => ['stop', ['stop.knee'],
            [$on('02', ['pain' => ['where' => 'knee', 'kind' => 'ache', 'level' => 1]])]];
        yield 'a kind of pain that nobody knows' => ['stop', ['stop.kind'],
            [$on('02', ['pain' => ['where' => 'shoulder', 'kind' => 'electric', 'level' => 1]])]];
        $stuck = static fn (int $sessions): array => array_map(
            static fn (int $i): array => [
                'on' => (new \DateTimeImmutable('2026-03-02'))->modify('+'.(2 * $i).' days')->format('Y-m-d'),
                'holdReached' => false,
            ] + self::CLEAN,
            range(0, $sessions - 1),
        );
        yield 'eight sessions without a way on' => ['switch-drill', ['plateau.drill'], $stuck(8)];
        yield 'sixteen' => ['switch-school', ['plateau.school'], $stuck(16)];
        yield 'twenty-four' => ['re-test', ['plateau.retest'], $stuck(24)];
        yield 'seven' => ['stay', ['stay.hold'], $stuck(7)];
    }

    public function testAStopCannotBeChosenAway(): void
    {
        $answer = self::answer(['sessions' => [['on' => '2026-03-02',
            'pain' => ['where' => 'knee', 'kind' => 'sharp', 'level' => 2]] + self::CLEAN]]);
        self::assertSame(['stop'], $answer['choices']);
        self::assertSame(['2026-03-02'], $answer['restsOn']);
    }

    public function testOrderOfTheLogsDoesNotMatter(): void
    {
        $sessions = [['on' => '2026-03-06'] + self::CLEAN, ['on' => '2026-03-02'] + self::CLEAN,
            ['on' => '2026-03-04'] + self::CLEAN];
        self::assertSame('move-on', self::answer(['sessions' => $sessions, 'next' => 'open'])['decision']);
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('refused')]
    public function testWhatCannotBeDecidedIsRefused(array $with): void
    {
        $this->expectException(InvalidValue::class);
        self::answer($with);
    }

    public static function refused(): iterable
    {
        yield 'no sessions' => [['sessions' => []]];
        yield 'no such rung' => [['rung' => 'no-such-rung', 'sessions' => [['on' => '2026-03-02'] + self::CLEAN]]];
        yield 'no such posture' => [['posture' => 'no-such-posture',
            'sessions' => [['on' => '2026-03-02'] + self::CLEAN]]];
        yield 'no such day' => [['sessions' => [['on' => '2026-02-30'] + self::CLEAN]]];
        yield 'no such state' => [['next' => 'maybe', 'sessions' => [['on' => '2026-03-02'] + self::CLEAN]]];
    }

    public function testTheCommandPrintsIt(): void
    {
        [$status, $out, $err] = CommandLine::run('ascent:decide',
            (string) json_encode(['posture' => 'lotus', 'rung' => 'circle',
                'sessions' => [['on' => '2026-03-02'] + self::CLEAN]]));
        self::assertSame([0, ''], [$status, $err]);
        self::assertSame('stay', json_decode($out, true)['decision']);
    }

    /**
     * @param array<string, mixed> $with
     *
     * @return array<string, mixed>
     */
    private static function answer(array $with): array
    {
        return self::getContainer()->get(DecideAnswer::class)
            ->of(Fields::of($with + ['posture' => 'half-lotus', 'rung' => 'hip-circle']));
    }
}
