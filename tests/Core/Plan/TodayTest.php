<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Plan\Today;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Practice\ElsewhereKind;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\TestCase;

/** A session out of a plan: lying rest, a turn, a bend, what undoes them, and a rest. */
final class TodayTest extends TestCase
{
    private const SESSION = ['warm-up lie both 300', 'work turn left 400', 'work turn right 400', 'counter lie both 45',
        'work bend both 200', 'counter lie both 45', 'rest lie both 60'];

    public function testWhatMayStillBeDoneStays(): void
    {
        $today = Today::of(self::session(self::SESSION), self::poses());
        self::assertEquals(self::session(self::SESSION), $today->session);
        self::assertSame([[], [0, 1, 2, 3, 4, 5, 6]], [$today->out, $today->places]);
    }

    public function testWhatIsHeldNowIsLeftOutAndSaysWhy(): void
    {
        $today = Today::of(self::session(self::SESSION), self::poses(['turn-out'], Side::Left));
        self::assertSame([0, 2, 3, 4, 5, 6], $today->places, 'The other side goes on, and is undone.');
        self::assertSame([1], array_keys($today->out));
        self::assertSame(['A condition'], $today->out[1]?->heldBy());
    }

    public function testWhatUndoesNothingGoesWithIt(): void
    {
        $today = Today::of(self::session(self::SESSION), self::poses(['turn-out']));
        self::assertSame([0, 4, 5, 6], $today->places);
        self::assertSame([1 => false, 2 => false, 3 => null],
            array_map(static fn (?May $may): ?bool => $may?->isYes(), $today->out));
    }

    public function testNobodyWarmsUpForNothing(): void
    {
        $today = Today::of(self::session(self::SESSION), self::poses(['turn-out', 'bend-deep']));
        self::assertSame([6], $today->places, 'One may still lie down.');
        self::assertSame([0, 1, 2, 3, 4, 5], array_keys($today->out));
        self::assertFalse($today->session->hasWork());
    }

    public function testADrillIsJudgedAsThePositionThatItUses(): void
    {
        $items = self::session(['warm-up lie both 300', 'work turn left 100', 'work bend left 100'])->items;
        $drill = static fn (PlannedItem $item): PlannedItem => new PlannedItem($item->rung, $item->phase, $item->side,
            $item->seconds, $item->because, new PracticeDrill('circle', 'Circle', $item->rung,
                new HoldRange(30.0, 60.0), 10.0, true, []));
        $today = Today::of(new PlannedSession(new \DateTimeImmutable('2026-03-02'),
            [$items[0], $drill($items[1]), $drill($items[2])]), self::poses(['turn-out']));
        self::assertSame([0, 2], $today->places);
    }

    /** Deep work so near to deep work elsewhere waits; what anybody may do, and the other day, goes on. */
    public function testDeepWorkWaitsAfterDeepWorkElsewhere(): void
    {
        $poses = static fn (string $on, int $minutes = 60): ReadPoses => new ReadPoses(self::postures(false),
            Person::of([], elsewhere: [new Elsewhere(ElsewhereKind::Lesson, $minutes, new \DateTimeImmutable($on))]));
        $places = static fn (ReadPoses $poses): array => Today::of(self::session(['warm-up lie both 300',
            'work turn left 100', 'work lie both 100'], false), $poses)->places;
        self::assertSame([0, 1, 2], $places($poses('2026-02-28')));
        self::assertSame([0, 1, 2], $places($poses('2026-03-03')), 'It is not yet.');
        self::assertSame([0, 1, 2], $places($poses('2026-03-01', 15)), 'A quarter of an hour is not deep.');
        foreach (['2026-03-02', '2026-03-01'] as $on) {
            self::assertSame([0, 2], $places($poses($on)), $on);
        }
        $out = Today::of(self::session(['work turn left 100'], false), $poses('2026-03-01'))->out[0]->bars ?? [];
        self::assertEquals([new Reason('bar.elsewhere', Source::Trade, ['elsewhere' => 'lesson', 'minutes' => 60,
            'ago' => 1, 'days' => 2])], $out);
    }

    public function testAFirstTryThatIsForATeacherFirstWaitsForALesson(): void
    {
        $at = static fn (PracticeLevel $level, bool $isHome, bool $isTried = false): array => Today::of(
            self::session(['work turn left 100', 'work turn right 100'], false, $level),
            new ReadPoses(self::postures(false), Person::of([],
                withTeacher: $isTried ? ['turn turn left' => true] : [])),
            $isHome)->places;
        foreach ([PracticeLevel::TeacherFirst, PracticeLevel::Practised, PracticeLevel::Years] as $level) {
            self::assertSame([], $at($level, true));
            self::assertSame([0, 1], $at($level, false), 'A teacher is there.');
            self::assertSame([0], $at($level, true, true), 'This side was tried, the other was not.');
        }
        self::assertSame([0, 1], $at(PracticeLevel::Anyone, true));
        $today = Today::of(self::session(['work turn left 100'], false, PracticeLevel::Years),
            new ReadPoses(self::postures(false), Person::of([])), true);
        self::assertEquals([new Reason('bar.teacher-first', Source::Trade)], $today->out[0]->bars ?? []);
    }

    public function testNothingOfABodyThatNobodyMeasured(): void
    {
        $today = Today::of(self::session(self::SESSION), null);
        self::assertSame([[], range(0, 6)], [$today->places, array_keys($today->out)]);
        self::assertSame(['bar.unmeasured'], array_map(static fn (Reason $reason): string => $reason->code,
            $today->out[0]->bars ?? []));
    }

    public function testWhatTheCatalogueHasNoMoreIsLeftOut(): void
    {
        $gone = new PlannedItem(PracticeRung::gone('headstand', 'wall'), Phase::Work, null, 60,
            new Reason('plan.stage', Source::Own));
        $today = Today::of(new PlannedSession(new \DateTimeImmutable('2026-03-02'),
            [...self::session(['work turn left 100'])->items, $gone]), self::poses());
        self::assertSame([0], $today->places);
        self::assertSame(['bar.gone', 'bar.gone'], array_map(static fn (Reason $reason): string => $reason->code,
            $today->out[1]->bars ?? []));
    }

    /**
     * Lax joints hold nothing, and keep every hold at its beginning; on a side alone, where only that side has them.
     */
    public function testWhatHasToKeepShortIsHeldAsLongAsAtTheBeginning(): void
    {
        $seconds = static fn (?Side $side, ?ReadPoses $poses =
            null): array => array_map(static fn (PlannedItem $item): int => $item->seconds,
                Today::of(self::session(self::SESSION), $poses ?? self::poses(['turn-out', 'bend-deep'], $side,
                    isShort: true))->session->items);
        self::assertSame([300, 400, 400, 45, 200, 45, 60], $seconds(null, self::poses()));
        self::assertSame([300, 100, 100, 45, 100, 45, 60], $seconds(null));
        self::assertSame([300, 100, 400, 45, 100, 45, 60], $seconds(Side::Left));
    }

    /** @param list<string> $items phase, posture, side and seconds */
    public static function session(
        array $items,
        bool $isGentle = true,
        PracticeLevel $level = PracticeLevel::Anyone,
    ): PlannedSession {
        return new PlannedSession(new \DateTimeImmutable('2026-03-02'),
            array_map(static function (string $said) use ($isGentle, $level): PlannedItem {
                [$phase, $posture, $side, $seconds] = explode(' ', $said);
                $rung = new PracticeRung($posture, $posture, self::postures($isGentle)[$posture]->full(), Stance::Lying,
                    [], [], 'both' === $side, holds: ['' => new HoldRange(90.0, 600.0)], level: $level);

                return new PlannedItem($rung, Phase::from($phase), Side::tryFrom($side), (int) $seconds,
                    new Reason('plan.stage', Source::Own));
            }, $items), dose: Doses::longAndStill(2));
    }

    /** @param list<string> $loads of a condition that somebody has */
    private static function poses(array $loads = [], ?Side $side = null, bool $isShort = false): ReadPoses
    {
        $day = new \DateTimeImmutable('2026-03-01');
        $told = [] === $loads ? [] : [new ConditionTold('condition:c', $day, $day,
            new Condition('c', 'A condition', $isShort ? [] : $loads, $isShort ? array_fill_keys($loads, 'short') : []),
            $side)];

        return new ReadPoses(self::postures(), Person::of([], entries: $told));
    }

    /** @return array<string, PostureDefinition> */
    private static function postures(bool $isGentle = true): array
    {
        $postures = [];
        foreach (['lie' => ['lying-rest'], 'turn' => ['turn-out'], 'bend' => ['bend-deep']] as $id => $loads) {
            $postures[$id] = new PostureDefinition($id, $id, [Ability::ExternalRotation],
                [new RungDefinition($id, $id, null, ['rotation' => 70.0], new Work($loads,
                    $isGentle || 'lie' === $id))], []);
        }

        return $postures;
    }
}
