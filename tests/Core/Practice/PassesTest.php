<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Practice;

use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Practice\Decided;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Restart;
use LucidAscent\Core\Practice\Step;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A ladder of four rungs, practised in March; the day of reading is the 20th. */
final class PassesTest extends TestCase
{
    private const LADDER = ['ground', 'low', 'high', 'full'];

    /**
     * @param list<ReadinessCheck> $checks
     * @param list<Decided> $decided
     * @param list<Restart> $restarts
     * @param list<string> $passed
     */
    #[DataProvider('histories')]
    public function testWhatIsPassedByPractice(
        array $checks,
        array $decided,
        array $restarts,
        array $passed,
        string $now = '2026-03-20',
    ): void {
        self::assertSame($passed, Passes::of(self::LADDER, $checks, $decided, $restarts, [],
            new \DateTimeImmutable($now)));
    }

    /** @return iterable<string, array<mixed>> */
    public static function histories(): iterable
    {
        $clean = static fn (string $rung,
            int ...$days): array => array_map(static fn (int $day): ReadinessCheck => self::check($rung, $day), $days);
        yield 'nothing' => [[], [], [], []];
        yield 'two clean sessions are not enough' => [$clean('low', 2, 4), [], [], []];
        yield 'three are' => [$clean('low', 2, 4, 6), [], [], ['low']];
        yield 'three on one day are one' => [$clean('low', 2, 2, 2), [], [], []];
        yield 'in whatever order they come' => [$clean('low', 6, 2, 4), [], [], ['low']];
        yield 'one that is not clean begins the count anew' => [[...$clean('low', 2, 4),
            self::check('low', 5, isClean: false), ...$clean('low', 6)], [], [], []];
        yield 'the same day, the worse counts' => [[...$clean('low', 2, 4, 6), self::check('low', 6, isClean: false)],
            [], [], []];
        yield 'three after one that is not clean' => [[self::check('low', 1, isClean: false),
            ...$clean('low', 2, 4, 6)], [], [], ['low']];
        yield 'another rung begins its own count' => [[...$clean('low', 2, 4), ...$clean('high', 5),
            ...$clean('low', 6)], [], [], []];
        yield 'another rung, three times' => [[...$clean('low', 2, 4), ...$clean('high', 5, 6, 7)], [], [], ['high']];
        yield 'both, one after the other' => [[...$clean('low', 2, 4, 6), ...$clean('high', 8, 9, 10)], [], [],
            ['low', 'high']];
        yield 'a failure above takes nothing from below' => [[...$clean('low', 2, 4, 6),
            self::check('high', 8, isClean: false)], [], [], ['low']];
        yield 'a decision to move on passes the rung' => [$clean('low', 2),
            [self::decided(Step::MoveOn, 'low', 'high', 2)], [], ['low']];
        yield 'a later decision to stay takes it back' => [$clean('low', 2, 4, 6),
            [self::decided(Step::Stay, 'low', 'low', 7)], [], []];
        yield 'an earlier one does not' => [$clean('low', 2, 4, 6), [self::decided(Step::Stay, 'low', 'low', 4)], [],
            ['low']];
        foreach ([Step::StepBack, Step::ReTest, Step::Stop] as $step) {
            yield "$step->value: back to the rung after it" => [[...$clean('ground', 1, 2, 3),
                ...$clean('low', 4, 5, 6), ...$clean('high', 7, 8, 9)], [self::decided($step, 'high', 'low', 10)], [],
                ['ground']];
            yield "$step->value: the count begins anew" => [$clean('low', 2, 4, 6),
                [self::decided($step, 'low', 'low', 5)], [], []];
        }
        yield 'a stop that was lifted: one rung below it' => [[...$clean('ground', 1, 2, 3), ...$clean('low', 4, 5, 6),
            ...$clean('high', 7, 8, 9)], [], [new Restart('high', self::day(11))], ['ground']];
        yield 'what comes after the word counts' => [$clean('low', 12, 13, 14), [],
            [new Restart('low', self::day(11))], ['low']];
        yield 'a count is not carried over the word' => [$clean('low', 9, 10, 12), [],
            [new Restart('low', self::day(11))], []];
        yield '42 days off are no lapse' => [$clean('low', 2, 4, 6), [], [], ['low'], '2026-04-17'];
        yield '43 are' => [$clean('low', 2, 4, 6), [], [], [], '2026-04-18'];
        yield 'a break in between lapses what was before' => [[...$clean('low', 2, 4, 6),
            new ReadinessCheck('high', new \DateTimeImmutable('2026-04-19'), true, true, Pain::none())], [], [], [],
            '2026-04-20'];
        yield 'and the count with it' => [[...$clean('low', 4, 6),
            new ReadinessCheck('low', new \DateTimeImmutable('2026-04-19'), true, true, Pain::none())], [], [], [],
            '2026-04-20'];
        yield 'no break of 42 days in between' => [[...$clean('low', 2, 4, 6),
            new ReadinessCheck('high', new \DateTimeImmutable('2026-04-17'), true, true, Pain::none())], [], [],
            ['low'], '2026-04-20'];
        yield 'a rung that is not on the ladder' => [$clean('elsewhere', 2, 4, 6), [], [], []];
    }

    public function testTheTimeOfEntryOrdersADay(): void
    {
        $check = new ReadinessCheck('low', self::day(6), true, true, Pain::none(),
            at: new \DateTimeImmutable('2026-03-06 18:00'));
        $checks = [self::check('low', 2), self::check('low', 4), $check];
        $decided = static fn (string $at): array => [new Decided(Step::Stay, 'low', 'low',
            new \DateTimeImmutable("2026-03-06 $at"))];
        self::assertSame(['low'], Passes::of(self::LADDER, $checks, $decided('17:59'), [], [], self::day(20)));
        self::assertSame([], Passes::of(self::LADDER, $checks, $decided('18:00'), [], [], self::day(20)),
            'At the same moment the decision rests on the check.');
    }

    private static function check(string $rung, int $day, bool $isClean = true): ReadinessCheck
    {
        return new ReadinessCheck($rung, self::day($day), $isClean, true, Pain::none());
    }

    private static function decided(Step $step, string $rung, string $after, int $day): Decided
    {
        return new Decided($step, $rung, $after, self::day($day));
    }

    private static function day(int $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable(sprintf('2026-03-%02d', $day));
    }
}
