<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Practice;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Ending;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Practice\ClosedTime;
use LucidAscent\Core\Practice\Decided;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A left knee that hurt on the third of March, was lifted on the tenth, and read anew on the twelfth. */
final class ClosedTimeTest extends TestCase
{
    private const LADDER = ['ground' => ['lying-rest'], 'low' => ['turn-out'], 'high' => ['turn-out']];

    /** @param string|null $entered the day on which it was entered, at noon; null where only its own day is known */
    #[DataProvider('times')]
    public function testWhatWasPractisedWhileItWasClosedCountsNever(
        bool $counts,
        string $rung,
        string $on,
        ?string $entered,
    ): void {
        $at = null === $entered ? null : self::at($entered);
        $admits = array_map(static fn (ClosedTime $time): bool => $time->admits($rung, self::at($on), $at),
            self::closed());
        self::assertSame($counts, !in_array(false, $admits, true));
        $check = new ReadinessCheck($rung, self::at($on), true, true, Pain::none(), at: $at);
        self::assertCount($counts ? 1 : 0, Passes::admitted([$check], self::closed()));
        $bad = new ReadinessCheck($rung, self::at($on), false, true, Pain::none(), at: $at);
        self::assertCount(1, Passes::admitted([$bad], self::closed()), 'What was not clean is heard whenever it was.');
    }

    /** @return iterable<string, array{bool, string, string, string|null}> */
    public static function times(): iterable
    {
        yield 'before it, told in time' => [true, 'high', '02', '02'];
        yield 'before it, told at the same moment' => [true, 'high', '02', '03'];
        yield 'before it, of a day alone' => [true, 'high', '02', null];
        yield 'before it, told while it held' => [false, 'high', '02', '05'];
        yield 'before it, told after all of it' => [false, 'high', '02', '14'];
        yield 'on its day' => [false, 'high', '03', '03'];
        yield 'while it held' => [false, 'high', '05', '05'];
        yield 'while it held, told after the tests' => [false, 'high', '05', '14'];
        yield 'after the word and before the tests' => [false, 'high', '11', '11'];
        yield 'after the word and before the tests, told after them' => [false, 'high', '11', '14'];
        yield 'after the tests' => [true, 'high', '13', '13'];
        yield 'after the tests, of a day alone' => [true, 'high', '13', null];
        yield 'gentle: while it held' => [false, 'ground', '05', '05'];
        yield 'gentle: after the word, for no test is asked of it' => [true, 'ground', '11', '11'];
        yield 'a rung that was never held' => [true, 'elsewhere', '05', '05'];
    }

    public function testWhileSomethingHoldsOrNothingWasReadNothingCounts(): void
    {
        foreach ([self::closed(isLifted: false), self::closed(isRead: false)] as $closed) {
            self::assertFalse($closed[0]->admits('high', self::at('20'), self::at('20')));
            self::assertTrue($closed[0]->admits('high', self::at('01'), self::at('01')));
        }
    }

    public function testTheOtherSideWasNeverClosed(): void
    {
        self::assertSame([], ClosedTime::all(self::holds(true), Side::Right, self::works(),
            static fn (): null => null));
    }

    public function testWhatEndsByItselfIsClosedUntilThen(): void
    {
        $sore = new ConditionTold('s', self::at('03'), self::at('03'),
            new Condition('sore', 'Sore', [], gentleOnly: true, ending: Ending::Day));
        $minor = new ConditionTold('m', self::at('03'), self::at('03'),
            new Condition('minor', 'Under eighteen', [], gentleOnly: true, ending: Ending::Birthday), null,
            self::at('08'));
        $counts = static function (ConditionTold $told, string $on, string $rung = 'high', string $at = '20'): bool {
            [$time] = ClosedTime::all(Holds::of([$told], self::at('20')), Side::Left, self::works(),
                static fn (): null => null);

            return $time->admits($rung, self::at($on), self::at($at));
        };
        self::assertSame([false, true, true], [$counts($sore, '03'), $counts($sore, '04'),
            $counts($sore, '02', at: '02')]);
        self::assertSame([false, true], [$counts($minor, '07'), $counts($minor, '08')]);
        self::assertTrue($counts($minor, '07', 'ground'), 'It never held gentle work.');
    }

    public function testADecisionCountsIfItAndWhatItRestsOnDo(): void
    {
        $check = static fn (string $on, string $at): ReadinessCheck => new ReadinessCheck('low', self::at($on), true,
            true, Pain::none(), at: self::at($at));
        $passed = static fn (Decided $one): array => Passes::of(array_keys(self::LADDER), [], [$one], [],
            self::closed(), self::at('20'));
        $decided = static fn (string $at, ?ReadinessCheck $of = null): Decided => new Decided(Step::MoveOn, 'low',
            'high', self::at($at), $of, self::at($at));
        self::assertSame(['low'], $passed($decided('14')));
        self::assertSame(['low'], $passed($decided('14', $check('13', '13'))));
        self::assertSame([], $passed($decided('14', $check('05', '05'))), 'Practised while it held.');
        self::assertSame([], $passed($decided('14', $check('02', '02'))), 'Practised before the stop.');
        self::assertSame(['low'], $passed($decided('02', $check('01', '01'))), 'All of it before.');
        self::assertSame([], $passed($decided('14', $check('02', '06'))), 'Told only then.');
        self::assertSame([], $passed($decided('11', $check('13', '13'))), 'Decided before the tests.');
        self::assertSame(['low'], $passed($decided('02', $check('01', '01'))));
        $back = new Decided(Step::StepBack, 'high', 'low', self::at('05'));
        self::assertSame([], Passes::of(array_keys(self::LADDER), [], [$decided('02'), $back], [], self::closed(),
            self::at('20')), 'A step back is heard whenever it is.');
    }

    public function testNoRowOfSessionsGoesOnOverAWord(): void
    {
        [$time] = self::closed();
        self::assertSame([true, true, false, false], [$time->leavesBehind('low', self::at('02'), self::at('02')),
            $time->leavesBehind('low', self::at('05'), self::at('14')),
            $time->leavesBehind('low', self::at('11'), self::at('11')),
            $time->leavesBehind('elsewhere', self::at('02'), self::at('02'))]);
    }

    /** @return non-empty-list<ClosedTime> */
    private static function closed(bool $isLifted = true, bool $isRead = true): array
    {
        $closed = ClosedTime::all(self::holds($isLifted), Side::Left, self::works(),
            static fn (): ?EvidenceCutOff => $isRead ? new EvidenceCutOff(self::at('12'), self::at('12')) : null);

        return [] === $closed ? self::fail('Nothing was closed.') : $closed;
    }

    private static function holds(bool $isLifted): Holds
    {
        return Holds::of([
            new PainTold('p', self::at('03'), self::at('03'), new Pain(4, PainPlace::Knee), Side::Left),
            ...$isLifted ? [new ClearanceGiven('w', self::at('10'), self::at('10'), ['p'],
                ClearanceAuthority::Clinician, true)] : [],
        ], self::at('20'));
    }

    /** @return array<string, Work> */
    private static function works(): array
    {
        return array_map(static fn (array $loads): Work => new Work($loads, ['lying-rest'] === $loads), self::LADDER);
    }

    private static function at(string $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable("2026-03-$day 12:00");
    }
}
