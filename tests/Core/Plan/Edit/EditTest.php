<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan\Edit;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Plan\Edit\Edits;
use LucidAscent\Core\Plan\Edit\ToAnotherDay;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Tests\Core\Plan\Doses;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Warming up, one side and the other of a lying rung and what undoes it, a drill, a seated rung and what undoes it, and
 * a rest: an item is said as "phase posture/rung side seconds".
 */
final class EditTest extends TestCase
{
    private const SESSION = [
        'warm-up w/first both 300',
        'work a/first left 100', 'work a/first right 150', 'counter u/first both 45',
        'work a/first left 90 drill', 'work a/first right 90 drill',
        'work b/second both 200', 'counter u/first both 45',
        'rest w/first both 60',
    ];

    /** @param array<int, string> $other what stands elsewhere than before, by place */
    #[DataProvider('edits')]
    public function testAChangeIsMadeToAllWorkOnOneThing(string $name, int $at, array $other): void
    {
        $edit = Edits::named($name, self::ladders(), self::poses()) ?? self::fail();
        // Wherever in it one begins.
        foreach (in_array($at, [1, 2, 3], true) ? [1, 2, 3] : [$at] as $one) {
            self::assertSame(array_replace(self::SESSION, $other),
                self::said($edit->apply(self::session(self::SESSION), $one)));
        }
    }

    public static function edits(): iterable
    {
        $s = self::SESSION;
        yield 'longer by a fifth, in fives' => ['longer', 1, [1 => 'work a/first left 120', 'work a/first right 180']];
        yield 'shorter by a fifth' => ['shorter', 2, [1 => 'work a/first left 80', 'work a/first right 120']];
        yield 'one shape of both sides' => ['longer', 6, [6 => 'work b/second both 240']];
        yield 'warming up has no length of its own' => ['longer', 0, []];
        yield 'later: behind the drill, with its counterpose' => ['later', 1, [1 => $s[4], $s[5], $s[1], $s[2], $s[3]]];
        yield 'earlier' => ['earlier', 4, [1 => $s[4], $s[5], $s[1], $s[2], $s[3]]];
        yield 'earlier than what comes first' => ['earlier', 0, []];
        yield 'later than what comes last' => ['later', 8, []];
        yield 'the seated one before the drill' => ['earlier', 7, [4 => $s[6], $s[7], $s[4], $s[5]]];
        yield 'the rung above, from its beginning' => ['harder', 1,
            [1 => 'work a/second left 100', 'work a/second right 100']];
        yield 'there is none above' => ['harder', 6, []];
        yield 'the rung below' => ['easier', 6, [6 => 'work b/first both 70']];
        yield 'there is none below' => ['easier', 2, []];
        yield 'what is repeated has no rungs' => ['harder', 4, []];
        yield 'to stay' => ['lock', 3, [1 => "$s[1] locked", "$s[2] locked", "$s[3] locked"]];
    }

    public function testNotThisTimeTakesWhatUndoesItAlong(): void
    {
        $left = static fn (int $at): array => self::said(Edits::named('skip', [],
            self::poses())?->apply(self::session(self::SESSION), $at) ?? self::fail());
        $without = static fn (int ...$places): array => array_values(array_diff_key(self::SESSION,
            array_flip($places)));
        self::assertSame($without(1, 2, 3), $left(2));
        self::assertSame($without(4, 5), $left(5));
        self::assertSame($without(6, 7), $left(7));
        self::assertSame($without(8), $left(8));
    }

    public function testWhatWasLockedIsFreeAgain(): void
    {
        $session = self::session(self::SESSION);
        $locked = Edits::named('lock', [], self::poses())?->apply($session, 1) ?? self::fail();
        self::assertSame([false, true], [$session->isLocked(), $locked->isLocked()]);
        self::assertEquals($session, Edits::named('unlock', [], self::poses())?->apply($locked, 2));
        self::assertNull(Edits::named('upside-down', [], self::poses()));
    }

    /** A hold that has become a moment stays one. */
    public function testNothingIsHeldForNoTimeAtAll(): void
    {
        $session = self::session(['work a/first left 5', 'work a/first right 5']);
        self::assertSame(['work a/first left 5', 'work a/first right 5'],
            self::said(Edits::named('shorter', [], self::poses())?->apply($session, 0) ?? self::fail()));
    }

    public function testOnAnotherDayItStandsBehindWhatComesBeforeIt(): void
    {
        $s = self::SESSION;
        $there = ['warm-up w/first both 300', 'work c/first both 60', 'counter u/first both 45', 'work b/first both 70',
            'counter u/first both 45', 'rest w/first both 60'];
        [$from, $to] = ToAnotherDay::move(self::session($s), 2, self::session($there));
        self::assertSame([$s[0], ...array_slice($s, 4)], self::said($from));
        // What is gentle: after what is gentle, and before what is deep.
        self::assertSame([...array_slice($there, 0, 5), $s[1], $s[2], $s[3], $there[5]], self::said($to));
        [, $to] = ToAnotherDay::move(self::session($s), 6, self::session($there));
        self::assertSame([...array_slice($there, 0, 5), $s[6], $s[7], $there[5]], self::said($to));
        [, $to] = ToAnotherDay::move(self::session($s), 1, self::session([$there[0], $there[5]]));
        self::assertSame([$there[0], $s[1], $s[2], $s[3], $there[5]], self::said($to));
    }

    /** @param list<string> $items */
    private static function session(array $items): PlannedSession
    {
        return new PlannedSession(new \DateTimeImmutable('2026-03-02'),
            array_map(static function (string $said): PlannedItem {
                [$phase, $name, $side, $seconds] = explode(' ', $said);
                $rung = PracticeRung::named($name, self::ladders()) ?? self::fail();
                $drill = str_ends_with($said, 'drill') ? new PracticeDrill('circle', 'Circle', $rung,
                    new HoldRange(30.0, 60.0), 10.0, true, []) : null;

                return new PlannedItem($rung, Phase::from($phase), Side::tryFrom($side), (int) $seconds,
                    new Reason('plan.stage', Source::Own), $drill);
            }, $items), dose: Doses::longAndStill(2));
    }

    /** @return list<string> */
    private static function said(PlannedSession $session): array
    {
        return array_map(static fn (PlannedItem $item): string => sprintf('%s %s/%s %s %d%s%s', $item->phase->value,
            $item->rung->posture, $item->rung->rung->id, $item->side->value ?? 'both', $item->seconds, null
            === $item->drill ? '' : ' drill', $item->isLocked ? ' locked' : ''), $session->items);
    }

    /** @return array<string, list<PracticeRung>> */
    private static function ladders(): array
    {
        $ladders = [];
        foreach (['w' => Stance::Lying, 'u' => Stance::Lying, 'a' => Stance::Lying, 'c' => Stance::Lying,
            'b' => Stance::Seated] as $posture => $stance) {
            foreach (['first', 'second'] as $rung) {
                // Deep ones begin with a minute.
                $ladders[$posture][] = new PracticeRung($posture, $posture,
                    new RungDefinition($rung, $rung, null, [], new Work([], false)), $stance, [], [], false,
                    holds: ['' => new HoldRange('a' === $posture ? 90.0 : 60.0, 300.0)]);
            }
        }

        return $ladders;
    }

    private static function poses(): ReadPoses
    {
        return new ReadPoses([], Person::of([]));
    }
}
