<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Progression;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Ending;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\Rung;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Progression\LadderPractice;
use LucidAscent\Core\Progression\Proposal;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DecideTest extends TestCase
{
    #[DataProvider('sessions')]
    public function testTheRulesDecide(array $checks, bool $nextOpen, Step $step, string $code): void
    {
        $proposal = $this->propose($checks, $nextOpen);
        self::assertSame($step, $proposal->step);
        self::assertContains($code, array_map(static fn ($reason): string => $reason->code, $proposal->reasons));
        self::assertNotSame([], $proposal->restsOn);
    }

    public static function sessions(): iterable
    {
        $clean = static fn (string $day): ReadinessCheck => self::check($day);
        yield 'three clean in a row' => [[$clean('01'), $clean('03'), $clean('05')], true, Step::MoveOn,
            'move-on.clean'];
        yield 'two clean' => [[$clean('03'), $clean('05')], true, Step::Stay, 'stay.count'];
        yield 'three on one day are one session' => [[$clean('05'), $clean('05'), $clean('05')], true, Step::Stay,
            'stay.count'];
        yield 'three clean, the gate shut' => [[$clean('01'), $clean('03'), $clean('05')], false, Step::Stay,
            'stay.gate'];
        yield 'clean on another rung does not count' => [[self::check('01', rung: 'a'), $clean('03'), $clean('05')],
            true, Step::Stay, 'stay.count'];
        yield 'a session that was not clean breaks the run' => [[$clean('01'), self::check('02', hold: false),
            $clean('03'), $clean('05')], true, Step::Stay, 'stay.count'];
        yield 'hold not reached' => [[self::check('05', hold: false)], true, Step::Stay, 'stay.hold'];
        yield 'breath not even' => [[self::check('05', breath: false)], true, Step::Stay, 'stay.breath'];
        yield 'pain of two elsewhere is clean' => [[$clean('01'), $clean('03'),
            self::check('05', pain: new Pain(2, PainPlace::OuterHip))], true, Step::MoveOn, 'move-on.clean'];
        yield 'one compensation stays' => [[$clean('03'), self::check('05', compensations: ['x'])], true, Step::Stay,
            'stay.compensation'];
        yield 'compensations twice running' => [[self::check('03', compensations: ['y']),
            self::check('05', compensations: ['x'])], true, Step::StepBack, 'step-back.compensations'];
        yield 'pain of three' => [[self::check('05', pain: new Pain(3, PainPlace::OuterHip))], true, Step::StepBack,
            'step-back.pain'];
        yield 'sore in the night' => [[self::check('05', sore: true)], true, Step::StepBack, 'step-back.sore'];
        yield 'a break of fourteen days' => [[$clean('01'), $clean('15')], true, Step::Stay, 'stay.count'];
        yield 'a break of fifteen days' => [[$clean('01'), $clean('16')], true, Step::StepBack, 'step-back.break'];
        yield 'a break of over six weeks' => [[self::check('01', month: '01'), $clean('01')], true, Step::ReTest,
            'step-back.retest'];
        yield 'pain of five' => [[self::check('05', pain: new Pain(5, PainPlace::OuterHip))], true, Step::Stop,
            'stop.level'];
        yield 'knee pain after any number of clean sessions' => [[$clean('01'), $clean('02'), $clean('03'),
            self::check('05', pain: new Pain(1, PainPlace::Knee))], true, Step::Stop, 'stop.knee'];
        yield 'knee pain, and three clean since' => [[self::check('01', pain: new Pain(9, PainPlace::Knee)),
            $clean('02'), $clean('03'), $clean('05')], true, Step::Stop, 'stop.knee'];
        yield 'sharp pain' => [[self::check('05', pain: new Pain(1, PainPlace::Groin, PainKind::Sharp))], true,
            Step::Stop, 'stop.kind'];
        yield 'numbness that stays' => [[self::check('05', pain: new Pain(1, PainPlace::Ankle,
            PainKind::LastingNumbness))], true, Step::Stop, 'stop.kind'];
    }

    public function testMovingOnToWhatHasNotBeenShownSaysSo(): void
    {
        $checks = array_map(static fn (string $day): ReadinessCheck => self::check($day), ['01', '03', '05']);
        $codes = static fn (bool $unproven): array => array_map(
            static fn ($reason): string => $reason->code,
            Decide::proposal(new LadderPractice(self::ladder(), $checks, true, $unproven))->reasons,
        );
        self::assertSame(['move-on.clean'], $codes(false));
        self::assertSame(['move-on.clean', 'move-on.unproven'], $codes(true));
    }

    public function testTheTopRungHasNoNext(): void
    {
        $checks = array_map(static fn (string $day): ReadinessCheck => self::check($day, rung: 'c'),
            ['01', '03', '05']);
        $proposal = $this->propose($checks, false);
        self::assertSame(Step::Stay, $proposal->step);
        self::assertSame('stay.top', $proposal->reasons[0]->code);
    }

    public function testAStopCannotBeOverruled(): void
    {
        $history = $this->history([self::check('05', pain: new Pain(2, PainPlace::Knee))], true);
        self::assertSame([Step::Stop], Decide::choices($history, Decide::proposal($history)));
    }

    public function testNobodyIsMovedPastTheGate(): void
    {
        $history = $this->history([self::check('05')], false);
        self::assertNotContains(Step::MoveOn, Decide::choices($history, Decide::proposal($history)));
    }

    public function testWhatIsProposedCanBeChosenFirst(): void
    {
        self::assertFalse($this->history([self::check('05')], true)->nextUnproven,
            'Shown, unless somebody says otherwise.');
        $history = $this->history([self::check('05')], false);
        self::assertSame([Step::SwitchDrill, Step::Stay, Step::StepBack, Step::Stop],
            Decide::choices($history, new Proposal(Step::SwitchDrill, [], [])));
        self::assertSame([Step::Stay, Step::StepBack, Step::Stop],
            Decide::choices($history, new Proposal(Step::Stay, [], [])), 'Once.');
        $open = $this->history([self::check('05')], true);
        self::assertSame([Step::MoveOn, Step::Stay, Step::StepBack, Step::Stop],
            Decide::choices($open, new Proposal(Step::Stay, [], [])));
    }

    public function testAStepMovesByOneRungAndNoFurther(): void
    {
        $history = $this->history([self::check('05')], true);
        self::assertSame('c', Decide::rungAfter($history, Step::MoveOn)->id);
        self::assertSame('b', Decide::rungAfter($history, Step::Stay)->id);
        self::assertSame('a', Decide::rungAfter($history, Step::StepBack)->id);
        $first = $this->history([self::check('05', rung: 'a')], true);
        self::assertSame('a', Decide::rungAfter($first, Step::StepBack)->id);
    }

    public static function ladder(): Ladder
    {
        return new Ladder('half-lotus', 'Half lotus', array_map(static fn (string $id): Rung => new Rung($id, $id,
            PropRule::None), ['a', 'b', 'c']));
    }

    private static function check(
        string $day,
        string $rung = 'b',
        bool $hold = true,
        bool $breath = true,
        ?Pain $pain = null,
        array $compensations = [],
        bool $sore = false,
        string $month = '06',
    ): ReadinessCheck {
        return new ReadinessCheck($rung, new \DateTimeImmutable("2026-$month-$day"), $hold, $breath, $pain
            ?? Pain::none(), $compensations, $sore);
    }

    private function propose(array $checks, bool $nextOpen): Proposal
    {
        return Decide::proposal($this->history($checks, $nextOpen));
    }

    /** A loaded knee answers late: three clean sessions within five days are three too soon. */
    public function testWhatTakesDaysIsLeftAfterSoManyOfThem(): void
    {
        $after = fn (string $last): Proposal => Decide::proposal($this->history([self::check('01'), self::check('03'),
            self::check($last)], true, true));
        self::assertSame(Step::Stay, $after('05')->step);
        self::assertEquals([new Reason('stay.days', Source::Trade, ['days' => 4, 'needed' => Passes::SPAN_DAYS])],
            $after('05')->reasons);
        self::assertSame(Step::MoveOn, $after(sprintf('%02d', 1 + Passes::SPAN_DAYS))->step);
        self::assertSame(Step::Stay, $after(sprintf('%02d', Passes::SPAN_DAYS))->step);
    }

    private function history(array $checks, bool $nextOpen, bool $takesDays = false): LadderPractice
    {
        $pains = array_map(static fn (ReadinessCheck $check): PainTold => new PainTold($check->day(), $check->on,
            $check->on, $check->pain, Side::Left), $checks);

        return new LadderPractice(self::ladder(), $checks, $nextOpen, takesDays: $takesDays,
            heldBy: Holds::of($pains, $checks[count($checks) - 1]->on)->on(new Work([]), Side::Left));
    }

    public function testEachStopSaysWhatItIs(): void
    {
        $reason = fn (ReadinessCheck $check): Reason => $this->propose([$check], true)
            ->reasons[0];
        foreach ([['stop.knee', new Pain(1, PainPlace::Knee)], ['stop.level', new Pain(6, PainPlace::OuterHip)],
            ['stop.kind', new Pain(2, PainPlace::Groin, PainKind::Sharp)]] as [$code, $pain]) {
            $of = $reason(self::check('05', pain: $pain));
            self::assertSame([$code, $pain->level, $pain->place->value, $pain->kind->value],
                [$of->code, $of->numbers['level'], $of->numbers['place'], $of->numbers['kind']]);
        }
    }

    /** What is over with the day asks for less today; it is no stop, and needs no word. */
    public function testSorenessOfTheDayStopsNothing(): void
    {
        $day = new \DateTimeImmutable('2026-06-05');
        $sore = new ConditionTold('sore', $day, $day, new Condition('sore-today', 'Sore', [], gentleOnly: true,
            ending: Ending::Day));
        $lasting = new ConditionTold('other', $day, $day, new Condition('other', 'Other', [], gentleOnly: true));
        $step = static fn (ConditionTold ...$told): Step => Decide::proposal(new LadderPractice(self::ladder(),
            [self::check('05', sore: true)], true, heldBy: Holds::of($told, $day)->on(new Work([]), Side::Left)))->step;
        self::assertSame(Step::StepBack, $step($sore));
        self::assertSame(Step::Stop, $step($sore, $lasting));
    }

    /** A break after which nobody knows where a side stands begins the count anew. */
    public function testThreeCleanSessionsAreCountedSinceTheLastLongBreak(): void
    {
        $checks = [self::check('01', month: '03'), self::check('03', month: '03'), self::check('01'),
            self::check('03')];
        self::assertSame(Step::Stay, $this->propose($checks, true)->step);
        self::assertSame(Step::MoveOn, $this->propose([...$checks, self::check('05')], true)->step);
    }

    /** Eight sessions or four weeks on one rung, then as many again, then as many again. */
    public function testAPlateauIsMetOneWayAfterAnother(): void
    {
        $days = static fn (int ...$at): array => array_map(
            static fn (int $day): ReadinessCheck => new ReadinessCheck(
                'low',
                (new \DateTimeImmutable('2026-01-01'))->modify("+$day days"),
                true,
                true,
                Pain::none(),
                0 === $day % 2 ? ['foot-sickles'] : [],
            ),
            $at,
        );
        $step = fn (array $checks): Step => $this->propose($checks, false)->step;
        self::assertNotSame(Step::SwitchDrill, $step($days(...range(0, 6))), 'Seven sessions.');
        self::assertSame(Step::SwitchDrill, $step($days(...range(0, 7))), 'Eight.');
        self::assertNotSame(Step::SwitchDrill, $step($days(1, 27)), '26 days.');
        self::assertSame(Step::SwitchDrill, $step($days(1, 15, 29)), '28 days.');
        self::assertSame(Step::SwitchDrill, $step($days(...range(0, 14))), 'Fifteen sessions.');
        self::assertSame(Step::SwitchSchool, $step($days(...range(0, 15))), 'Sixteen.');
        self::assertSame(Step::ReTest, $step($days(...range(0, 23))), 'Twenty-four.');
        $elsewhere = new ReadinessCheck('high', new \DateTimeImmutable('2026-01-05 12:00'), true, true, Pain::none());
        self::assertNotSame(Step::SwitchDrill, $step([...$days(0, 1, 2, 3, 4), $elsewhere, ...$days(5, 6, 7)]),
            'A run that was broken by another rung begins anew.');
    }
}
