<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Caution;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Ending;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;
use LucidAscent\Core\Caution\Exemption;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\PainRule;
use LucidAscent\Core\Caution\Work;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class HoldsTest extends TestCase
{
    private const NOW = '2026-03-20';

    /**
     * @param string $held the sides on which a loaded shape is held: "left", "both" or nothing
     * @param string $rest the sides on which lying rest with straight legs is
     */
    #[DataProvider('pains')]
    public function testWhatAPainHolds(Pain $pain, ?Side $side, string $held, string $rest, ?Work $during = null): void
    {
        $holds = Holds::of([new PainTold('p', self::day('2026-03-10'), self::day('2026-03-10'), $pain, $side, $during)],
            self::day(self::NOW));
        self::assertSame($held, self::sides($holds, new Work([Load::TurnOut->value])));
        self::assertSame($rest, self::sides($holds, new Work([Load::LyingRest->value, Load::OnTheBack->value], true)));
        self::assertSame($held, self::sides($holds, new Work([Load::LyingRest->value, Load::KneeFolded->value], true)),
            'child’s pose is no lying rest with straight legs');
    }

    public static function pains(): iterable
    {
        $fold = new Work([Load::LoadedFold->value]);
        foreach (['knee', 'inner-knee', 'outer-knee'] as $place) {
            foreach (PainKind::cases() as $kind) {
                yield "$place, $kind->value, level 1" => [new Pain(1, PainPlace::from($place), $kind), Side::Left,
                    'left', 'left'];
            }
        }
        yield 'knee, no side' => [new Pain(1, PainPlace::Knee), null, 'both', 'both'];
        foreach ([PainKind::Sharp, PainKind::Pinching, PainKind::Burning, PainKind::Clicking] as $kind) {
            yield "groin, $kind->value" => [new Pain(1, PainPlace::Groin, $kind), Side::Left, 'left', 'left'];
            yield "groin, $kind->value, no side" => [new Pain(1, PainPlace::Groin, $kind), null, 'both', ''];
            yield "low back, $kind->value" => [new Pain(1, PainPlace::LowBack, $kind), Side::Left, 'both', ''];
            yield "$kind->value at nothing" => [new Pain(0, PainPlace::Groin, $kind), Side::Left, '', ''];
        }
        yield 'numbness whatever its number' => [new Pain(0, PainPlace::Ankle, PainKind::LastingNumbness), Side::Left,
            'left', 'left'];
        yield 'neck, numb' => [new Pain(2, PainPlace::Neck, PainKind::LastingNumbness), Side::Right, 'both', ''];
        yield 'tailbone, sharp' => [new Pain(2, PainPlace::Tailbone, PainKind::Sharp), Side::Right, 'both', ''];
        yield 'a place on no list' => [new Pain(1, PainPlace::named('left ear'), PainKind::Ache), Side::Left, 'left',
            'left'];
        yield 'no place' => [new Pain(1, PainPlace::None, PainKind::Ache), Side::Left, 'left', 'left'];
        yield 'a kind on no list' => [new Pain(1, PainPlace::Groin, PainKind::named('weird')), Side::Left, 'left',
            'left'];
        yield 'numb by another word' => [new Pain(0, PainPlace::Groin, PainKind::named('Numbness')), Side::Left, 'left',
            'left'];
        foreach ([PainKind::Ache, PainKind::Stretch] as $kind) {
            yield "$kind->value of four" => [new Pain(4, PainPlace::OuterHip, $kind), Side::Left, '', ''];
            yield "$kind->value of five" => [new Pain(5, PainPlace::OuterHip, $kind), Side::Left, 'left', 'left'];
            yield "$kind->value of five, low back" => [new Pain(5, PainPlace::LowBack, $kind), Side::Left, 'both', ''];
        }
        yield 'nothing' => [Pain::none(), Side::Left, '', ''];
        yield 'low back in a fold holds folds' => [new Pain(1, PainPlace::LowBack), Side::Left, '', '', $fold];
    }

    public function testWhatHoldsIsNamedByWhatWasFelt(): void
    {
        foreach (['groin-clicking' => PainKind::Clicking, 'sharp-pain' => PainKind::Pinching,
            'strong-ache' => PainKind::Ache, 'lasting-numbness' => PainKind::LastingNumbness] as $id => $kind) {
            self::assertSame($id, PainRule::of(new Pain(5, PainPlace::Groin, $kind), Side::Left, null)?->holds->id);
        }
    }

    public function testTheLowBackInAFoldHoldsFoldsAndBackbendsAndTheNeckItsOwn(): void
    {
        $of = static fn (PainPlace $place, ?Work $during,
            Load $load): string => self::sides(Holds::of([new PainTold('p', self::day('2026-03-10'),
                self::day('2026-03-10'), new Pain(1, $place), Side::Left, $during)], self::day(self::NOW)),
                new Work([$load->value]));
        foreach ([new Work([Load::LoadedFold->value]), new Work([Load::Backbend->value]), null] as $during) {
            self::assertSame('both', $of(PainPlace::LowBack, $during, Load::LoadedFold));
            self::assertSame('both', $of(PainPlace::LowBack, $during, Load::Backbend));
            self::assertSame('', $of(PainPlace::LowBack, $during, Load::Twist));
        }
        self::assertSame('', $of(PainPlace::LowBack, new Work([Load::TurnOut->value]), Load::LoadedFold),
            'said of something that is no fold');
        self::assertSame('both', $of(PainPlace::Neck, null, Load::Neck));
        self::assertSame('', $of(PainPlace::Neck, null, Load::LoadedFold));
    }

    public function testAPullAtTheSittingBoneHoldsTheHamstringOfItsSideAndNothingElse(): void
    {
        $of = static fn (PainPlace $place, Load $load, ?Side $side = Side::Left, int $level = 2,
            PainKind $kind = PainKind::Stretch): string => self::sides(Holds::of([new PainTold('p',
                self::day('2026-03-10'), self::day('2026-03-10'), new Pain($level, $place, $kind), $side)],
                self::day(self::NOW)), new Work([$load->value]));
        self::assertSame('left', $of(PainPlace::SittingBone, Load::HamstringEnd));
        self::assertSame('both', $of(PainPlace::SittingBone, Load::HamstringEnd, null), 'Nobody said which.');
        self::assertSame('', $of(PainPlace::SittingBone, Load::TurnOut));
        self::assertSame('', $of(PainPlace::SittingBone, Load::LoadedFold));
        self::assertSame('', $of(PainPlace::Hamstring, Load::HamstringEnd), 'In the muscle a stretch is a stretch.');
        self::assertSame('left', $of(PainPlace::SittingBone, Load::TurnOut, level: 5),
            'An ache of five holds the side, as anywhere.');
        self::assertSame('left', $of(PainPlace::SittingBone, Load::TurnOut, kind: PainKind::Sharp));
        $hold = static fn (int $level): ?Hold => Holds::of([new PainTold('p', self::day('2026-03-10'),
            self::day('2026-03-10'), new Pain($level, PainPlace::SittingBone, PainKind::Ache), Side::Left)],
            self::day(self::NOW))->find('p');
        self::assertSame([ClearanceAuthority::Teacher, ClearanceAuthority::Teacher], [$hold(1)?->word, $hold(4)?->word],
            'For a while: after asking, and two days at least.');
    }

    public function testWhatAStopSparesAndWhenItsOwnTeacherMayLiftIt(): void
    {
        $stop = static fn (?Side $side, bool $isPainless): ?Hold => Holds::of([new StopDecided('s',
            self::day('2026-03-05'), self::day('2026-03-05'), $side, $isPainless, by: 'me')], self::day('2026-03-10'))
            ->find('s');
        self::assertSame([Exemption::LyingRest, Exemption::Nothing],
            [$stop(null, true)?->holds->spares, $stop(Side::Left, true)?->holds->spares]);
        self::assertSame([ClearanceAuthority::Teacher, '2026-03-07'],
            [$stop(null, true)?->word, $stop(null, true)->earliest?->format('Y-m-d')]);
        self::assertSame([ClearanceAuthority::Clinician, null],
            [$stop(null, false)?->word, $stop(null, false)->earliest]);
    }

    /** Within a month, the first day of it included, the same again is a clinician's. */
    public function testTheSameAgainWithinAMonth(): void
    {
        $word = static function (string $first): ?ClearanceAuthority {
            $told = static fn (string $id, string $on): PainTold => new PainTold($id, self::day($on), self::day($on),
                new Pain(1, PainPlace::Knee, PainKind::Ache), Side::Left);

            return Holds::of([$told('a', $first), $told('b', '2026-03-05')], self::day('2026-03-10'))->find('b')?->word;
        };
        self::assertSame(ClearanceAuthority::Clinician, $word('2026-02-05'));
        self::assertSame(ClearanceAuthority::Teacher, $word('2026-02-04'));
        self::assertSame(ClearanceAuthority::Teacher, $word('2026-03-05'), 'Twice on one day is once.');
    }

    public function testAShapeThatUsesBothLegsIsHeldWhenEitherIs(): void
    {
        $holds = Holds::of([self::knee()], self::day(self::NOW));
        self::assertSame('both', self::sides($holds, new Work([Load::TurnOut->value], usesBothLegs: true)));
        self::assertTrue($holds->isWholeSideHeld(Side::Left));
        self::assertFalse($holds->isWholeSideHeld(Side::Right));
    }

    /** @param list<PainTold|StopDecided> $entries */
    #[DataProvider('words')]
    public function testWhoMayLiftWhat(array $entries, ?string $teacherFrom): void
    {
        $id = $entries[0]->id();
        $lifts = static fn (ClearanceAuthority $word, string $on, bool $asked = true,
            string $teacher = 't'): bool => null === self::active(Holds::of([...$entries,
                new ClearanceGiven('c', self::day($on), self::day($on), [$id], $word, $asked, $teacher)],
                self::day('2026-06-01')), $id);
        self::assertTrue($lifts(ClearanceAuthority::Clinician, '2026-03-10', false),
            'a clinician’s word, the same day');
        self::assertFalse($lifts(ClearanceAuthority::Clinician, '2026-03-09'), 'before it');
        if (null === $teacherFrom) {
            self::assertFalse($lifts(ClearanceAuthority::Teacher, '2026-05-01'));

            return;
        }
        self::assertFalse($lifts(ClearanceAuthority::Teacher, self::day($teacherFrom)->modify('-1 day')
            ->format('Y-m-d')));
        self::assertTrue($lifts(ClearanceAuthority::Teacher, $teacherFrom));
        self::assertFalse($lifts(ClearanceAuthority::Teacher, $teacherFrom, false), 'not asked');
        self::assertSame(!$entries[0] instanceof StopDecided,
            $lifts(ClearanceAuthority::Teacher, $teacherFrom, true, 'another'), 'a decision is its own teacher’s');
    }

    public static function words(): iterable
    {
        $pain = static fn (int $level, PainPlace $place, PainKind $kind = PainKind::Ache, string $on = '2026-03-10',
            string $id = 'p'): PainTold => new PainTold($id, self::day($on), self::day($on),
                new Pain($level, $place, $kind), Side::Left);
        $stop = static fn (bool $painless, string $on = '2026-03-10',
            string $id = 'p'): StopDecided => new StopDecided($id, self::day($on), self::day($on), Side::Left,
                $painless, by: 't');
        yield 'knee, an ache of 1' => [[$pain(1, PainPlace::Knee)], '2026-03-12'];
        yield 'knee, a stretch of 2' => [[$pain(2, PainPlace::Knee, PainKind::Stretch)], '2026-03-12'];
        yield 'knee, an ache of 3' => [[$pain(3, PainPlace::Knee)], null];
        yield 'knee, sharp at 1' => [[$pain(1, PainPlace::Knee, PainKind::Sharp)], null];
        yield 'low back, an ache of 2' => [[$pain(2, PainPlace::LowBack)], '2026-03-12'];
        yield 'low back, an ache of 3' => [[$pain(3, PainPlace::LowBack)], null];
        yield 'low back, an ache of 5' => [[$pain(5, PainPlace::LowBack)], null];
        yield 'neck, an ache of 1' => [[$pain(1, PainPlace::Neck)], '2026-03-12'];
        yield 'hip, an ache of 7' => [[$pain(7, PainPlace::OuterHip)], '2026-03-12'];
        yield 'hip, sharp' => [[$pain(7, PainPlace::OuterHip, PainKind::Sharp)], null];
        yield 'hip, numb' => [[$pain(7, PainPlace::OuterHip, PainKind::LastingNumbness)], null];
        yield 'a place on no list' => [[$pain(1, PainPlace::Unknown)], null];
        yield 'the same twice within a month' => [[$pain(1, PainPlace::Knee),
            $pain(1, PainPlace::Knee, on: '2026-02-12', id: 'q')], null];
        yield 'another part of that knee' => [[$pain(1, PainPlace::Knee),
            $pain(1, PainPlace::InnerKnee, on: '2026-02-12', id: 'q')], null];
        yield 'a knee of which nobody said which' => [[$pain(1, PainPlace::Knee), new PainTold('q',
            self::day('2026-02-12'), self::day('2026-02-12'), new Pain(1, PainPlace::OuterKnee), null)], null];
        yield 'the other knee' => [[$pain(1, PainPlace::Knee), new PainTold('q', self::day('2026-02-12'),
            self::day('2026-02-12'), new Pain(1, PainPlace::Knee), Side::Right)], '2026-03-12'];
        yield 'the same longer ago' => [[$pain(1, PainPlace::Knee),
            $pain(1, PainPlace::Knee, on: '2026-02-08', id: 'q')], '2026-03-12'];
        yield 'the same on the same day is once' => [[$pain(1, PainPlace::Knee), $pain(1, PainPlace::Knee, id: 'q')],
            '2026-03-12'];
        yield 'another place' => [[$pain(1, PainPlace::Knee), $pain(1, PainPlace::Neck, on: '2026-03-01', id: 'q')],
            '2026-03-12'];
        yield 'a stop without pain' => [[$stop(true)], '2026-03-12'];
        yield 'a stop with pain' => [[$stop(false)], null];
        yield 'a stop without pain, twice within a month' => [[$stop(true), $stop(true, '2026-03-01', 'q')], null];
    }

    public function testAWordLiftsWhatItNamesAndNothingElse(): void
    {
        $other = new PainTold('q', self::day('2026-03-11'), self::day('2026-03-11'),
            new Pain(1, PainPlace::Groin, PainKind::Sharp), Side::Left);
        $word = new ClearanceGiven('c', self::day('2026-03-15'), self::day('2026-03-15'), ['p'],
            ClearanceAuthority::Clinician);
        $holds = Holds::of([self::knee(), $other, $word], self::day(self::NOW));
        self::assertSame(['q'], array_map(static fn (Hold $hold): string => $hold->id(), $holds->active));
        self::assertSame('c', $holds->find('p')?->cleared?->id);
        $again = new PainTold('r', self::day('2026-03-16'), self::day('2026-03-16'), new Pain(1, PainPlace::Knee),
            Side::Left);
        self::assertNotNull(self::active(Holds::of([self::knee(), $word, $again], self::day(self::NOW)), 'r'),
            'what hurts afterwards holds anew');
        self::assertNotNull(self::active(Holds::of([$word, new PainTold('p', self::day('2026-03-16'),
            self::day('2026-03-16'), new Pain(1, PainPlace::Knee), Side::Left)], self::day(self::NOW)), 'p'),
            'a word from before it lifts nothing');
        $loaded = new Work([Load::TurnOut->value]);
        $lifted = Holds::of([self::knee(), $word], self::day(self::NOW));
        self::assertSame([], $lifted->on($loaded, Side::Left));
        self::assertCount(1, $lifted->clearedOn($loaded, Side::Left), 'tests come first');
        self::assertSame([], $lifted->clearedOn($loaded, Side::Right));
        self::assertSame([], $lifted->clearedOn(new Work([Load::TurnOut->value], true), Side::Left),
            'but not before a gentle rung');
        $kneeling = new Work([Load::WeightOnKnee->value], true);
        self::assertCount(1, $lifted->clearedOn($kneeling, Side::Left), 'Weight on the knee that hurt is no rest.');
        self::assertCount(0, $lifted->clearedOn($kneeling, Side::Right));
        $hip = new PainTold('p', self::day('2026-03-09'), self::day('2026-03-09'),
            new Pain(1, PainPlace::Groin, PainKind::Sharp), Side::Left);
        self::assertCount(0, Holds::of([$hip, $word], self::day(self::NOW))->clearedOn($kneeling, Side::Left),
            'It was no knee.');
        foreach ([[[Load::WeightOnKnee->value], 1], [[Condition::ALL], 1], [[Load::TurnOut->value], 0]] as [$loads,
            $asked]) {
            $told = new ConditionTold('p', self::day('2026-03-09'), self::day('2026-03-09'),
                new Condition('c', 'C', $loads), Side::Left);
            self::assertCount($asked, Holds::of([$told, $word], self::day(self::NOW))->clearedOn($kneeling,
                Side::Left), implode(' ', $loads));
        }
    }

    public function testOfTwoWordsTheLaterOneIsWhatEvidenceHasToBeNewerThan(): void
    {
        $word = static fn (string $id, string $on): ClearanceGiven => new ClearanceGiven($id, self::day($on),
            self::day($on), ['p'], ClearanceAuthority::Clinician, true);
        foreach ([['2026-03-12', '2026-03-16'], ['2026-03-16', '2026-03-12']] as [$first, $second]) {
            $holds = Holds::of([self::knee(), $word('a', $first), $word('b', $second)], self::day(self::NOW));
            self::assertEquals(self::day('2026-03-16'), $holds->cutOff(new Work(['turn-out']), Side::Left)?->moment);
        }
        self::assertSame([false, false, true], [(new Condition('c', 'C', [], gentleOnly: true))->isForStrength(),
            (new Condition('c', 'C', [], besides: ['balance']))->isForStrength(),
            (new Condition('c', 'C', [], gentleOnly: true, besides: ['balance']))->isForStrength()]);
    }

    /** Telling it again adds; nothing but a word, or the calendar, ends it. */
    public function testAConditionToldAgainTakesNothingAway(): void
    {
        $told = static fn (string $on, ?string $until = null, Ending $ending = Ending::Birthday,
            ?int $months = null): ConditionTold => new ConditionTold('condition:c', self::day($on), self::day($on),
                new Condition('c', 'C', ['twist'], ending: $ending, months: $months), null,
                null === $until ? null : self::day($until), 't');
        $active = static fn (Entry ...$entries): bool => [] !== Holds::of($entries, self::day(self::NOW))->active;
        self::assertFalse($active($told('2026-03-01', '2026-03-15')));
        self::assertTrue($active($told('2026-03-01', '2027-03-01'), $told('2026-03-09', '2026-03-15')),
            'Another birthday.');
        self::assertTrue($active($told('2026-03-01', '2027-03-01'), $told('2026-03-09')), 'None at all.');
        self::assertTrue($active($told('2026-03-09', '2026-03-15'), $told('2026-03-01', '2027-03-01')),
            'In whatever order.');
        $slip = static fn (string $at): EnteredByMistake => new EnteredByMistake('m', self::day($at), 'condition:c',
            't', 'a slip');
        self::assertFalse($active($told('2026-03-09', null, Ending::Clinician), $slip('2026-03-09')));
        self::assertTrue($active($told('2026-03-01', null, Ending::Clinician), $told('2026-03-09', null,
            Ending::Clinician), $slip('2026-03-09')), 'The slip of today takes back what was told today.');
        $dated = Holds::of([$told('2026-03-01', null, Ending::Clinician, 6), $told('2025-12-01', null,
            Ending::Clinician, 6)], self::day(self::NOW))->active[0];
        self::assertSame('2026-09-01', $dated->earliest?->format('Y-m-d'), 'As long as the latest has it.');
        self::assertEquals([self::day('2025-12-01'), self::day('2025-12-01')], [$dated->since(), $dated->sinceDay()]);
        $word = new ClearanceGiven('w', self::day('2026-03-05'), self::day('2026-03-05'), ['condition:c'],
            ClearanceAuthority::Clinician, true);
        self::assertFalse($active($told('2026-03-01', null, Ending::Clinician), $word));
        self::assertTrue($active($told('2026-03-01', null, Ending::Clinician), $word, $told('2026-03-09', null,
            Ending::Clinician)), 'Told after the word.');
    }

    public function testADayAheadOfTheClockHoldsAtOnceAndLiftsNothing(): void
    {
        $ahead = new PainTold('p', self::day(self::NOW), self::day('2026-03-25'), new Pain(1, PainPlace::Knee),
            Side::Left);
        self::assertNotNull(self::active(Holds::of([$ahead], self::day(self::NOW)), 'p'));
        $word = new ClearanceGiven('c', self::day(self::NOW), self::day('2026-03-22'), ['p'],
            ClearanceAuthority::Clinician);
        self::assertNotNull(self::active(Holds::of([self::knee(), $word], self::day(self::NOW)), 'p'));
        self::assertNull(self::active(Holds::of([self::knee(), $word], self::day('2026-03-22')), 'p'));
        self::assertSame([], Holds::of([self::knee()], self::day('2026-03-09'))->active,
            'what was entered later was not known then');
    }

    public function testASlipIsTakenBackByWhoeverMadeItWithinADayWithAReason(): void
    {
        $at = static fn (string $time): \DateTimeImmutable => new \DateTimeImmutable($time);
        $slip = new PainTold('p', $at('2026-03-10 10:00'), $at('2026-03-10'), new Pain(1, PainPlace::Knee), Side::Left,
            by: 't');
        $back = static fn (string $time, string $by = 't', string $why = 'the wrong person',
            string $of = 'p'): bool => null === self::active(Holds::of([$slip,
                new EnteredByMistake('m', $at($time), $of, $by, $why)], self::day(self::NOW)), 'p');
        $unsigned = new PainTold('p', $at('2026-03-10 10:00'), $at('2026-03-10'), new Pain(1, PainPlace::Knee),
            Side::Left);
        self::assertNotNull(self::active(Holds::of([$unsigned, new EnteredByMistake('m', $at('2026-03-10 11:00'), 'p',
            '', 'the wrong person')], self::day(self::NOW)), 'p'), 'What nobody has signed is nobody’s slip.');
        self::assertTrue($back('2026-03-11 10:00'));
        self::assertFalse($back('2026-03-11 10:01'));
        self::assertFalse($back('2026-03-10 09:59'));
        self::assertFalse($back('2026-03-10 12:00', 'another'));
        self::assertFalse($back('2026-03-10 12:00', 't', ' '));
        self::assertFalse($back('2026-03-10 12:00', 't', 'x', 'another'));
        self::assertCount(1, Holds::of([$slip, new EnteredByMistake('m', $at('2026-03-10 12:00'), 'p', 't', 'x')],
            self::day(self::NOW))->mistakes, 'shown for ever');
    }

    #[DataProvider('endings')]
    public function testHowAConditionEnds(
        Condition $condition,
        string $now,
        bool $isHeld,
        ?ClearanceAuthority $word = null,
        string $on = '2026-03-15',
        ?string $until = null,
    ): void {
        $told = new ConditionTold('condition:c', self::day('2026-03-10'), self::day('2026-03-10'), $condition,
            until: null === $until ? null : self::day($until));
        $given = null === $word ? [] : [new ClearanceGiven('w', self::day($on), self::day($on), ['condition:c'], $word,
            true, 't')];
        self::assertSame($isHeld, null !== self::active(Holds::of([$told, ...$given], self::day($now)), 'condition:c'));
    }

    public static function endings(): iterable
    {
        $of = static fn (Ending $ending = Ending::Clinician, ?int $months = null): Condition => new Condition('c', 'C',
            ['twist'], ending: $ending, months: $months);
        yield 'it stays' => [$of(), '2028-03-10', true];
        yield 'a clinician ends it' => [$of(), self::NOW, false, ClearanceAuthority::Clinician];
        yield 'a teacher does not' => [$of(), self::NOW, true, ClearanceAuthority::Teacher];
        yield 'with its day' => [$of(Ending::Day), '2026-03-10', true];
        yield 'the day after' => [$of(Ending::Day), '2026-03-11', false];
        yield 'before the birthday' => [$of(Ending::Birthday), '2026-03-14', true, null, '2026-03-15', '2026-03-15'];
        yield 'on the birthday' => [$of(Ending::Birthday), '2026-03-15', false, null, '2026-03-15', '2026-03-15'];
        yield 'no birthday said' => [$of(Ending::Birthday), '2030-03-15', true, ClearanceAuthority::Clinician];
        yield 'never' => [$of(Ending::Never), self::NOW, true, ClearanceAuthority::Clinician];
        yield 'dated, the time not over' => [$of(Ending::Clinician, 6), '2026-12-01', true, ClearanceAuthority::Teacher,
            '2026-09-09'];
        yield 'dated, after that time' => [$of(Ending::Clinician, 6), '2026-12-01', false, ClearanceAuthority::Teacher,
            '2026-09-10'];
    }

    #[DataProvider('conditions')]
    public function testWhatAConditionHolds(
        Condition $condition,
        Work $work,
        bool $onItsSide,
        bool $onTheOther = false,
    ): void {
        $holds = Holds::of([new ConditionTold('c', self::day('2026-03-10'), self::day('2026-03-10'), $condition,
            Side::Left)], self::day(self::NOW));
        self::assertSame([$onItsSide, $onTheOther], [[] !== $holds->on($work, Side::Left), []
            !== $holds->on($work, Side::Right)]);
    }

    public static function conditions(): iterable
    {
        $turn = new Condition('c', 'C', ['knee-folded'], deepHolds: ['turn-out'], footedHolds: ['twist'],
            otherSide: ['hip-flexed-end']);
        yield 'what it names' => [$turn, new Work(['knee-folded'], true), true];
        yield 'what it does not' => [$turn, new Work(['balance']), false];
        yield 'beyond a gentle rung' => [$turn, new Work(['turn-out']), true];
        yield 'not on one' => [$turn, new Work(['turn-out'], true), false];
        yield 'with the foot held' => [$turn, new Work(['twist']), true];
        yield 'not with the foot free' => [$turn, new Work(['twist'], false, false, true), false];
        yield 'on the other side' => [$turn, new Work(['hip-flexed-end']), false, true];
        $all = static fn (Exemption $spares): Condition => Condition::everything('c', 'C', $spares);
        $folded = new Work(['lying-rest', 'knee-folded'], true);
        yield 'everything' => [$all(Exemption::Nothing), new Work(['lying-rest'], true), true];
        yield 'everything but lying rest' => [$all(Exemption::LyingRest), new Work(['lying-rest'], true), false];
        yield 'folded is no rest' => [$all(Exemption::LyingRest), $folded, true];
        yield 'turned out is no rest' => [$all(Exemption::LyingRest), new Work(['lying-rest', 'turn-out'], true), true];
        $gentle = new Condition('c', 'C', [], gentleOnly: true, besides: ['balance']);
        yield 'gentle only' => [$gentle, new Work(['twist']), true];
        yield 'a gentle rung' => [$gentle, new Work(['twist'], true), false];
        yield 'besides' => [$gentle, new Work(['balance', 'twist']), false];
        yield 'but not to the end of a range' => [$gentle, new Work(['balance', 'hamstring-end']), true];
        yield 'unknown' => [Condition::unknown('x'), new Work([]), true];
    }

    public function testChangesAreThoseOfTheSide(): void
    {
        $condition = new Condition('c', 'C', [], ['twist' => 'Small.']);
        $holds = Holds::of([new ConditionTold('c', self::day('2026-03-10'), self::day('2026-03-10'), $condition,
            Side::Left)], self::day(self::NOW));
        self::assertSame(['Small.'], $holds->changes(new Work(['twist', 'balance']), Side::Left));
        self::assertSame([], $holds->changes(new Work(['twist']), Side::Right));
    }

    public function testWhatKeepsToTheHoldWithWhichItBegins(): void
    {
        $told = static fn (Condition $condition): array => [new ConditionTold('c', self::day('2026-03-10'),
            self::day('2026-03-10'), $condition, Side::Left)];
        $short = static fn (array $entries, ?Side $side = Side::Left): bool => Holds::of($entries, self::day(self::NOW))
            ->keepsShort(new Work(['twist']), $side);
        self::assertTrue($short([self::knee()]));
        self::assertFalse($short([self::knee()], Side::Right));
        self::assertTrue($short([self::knee()], null), 'Both at once are that side as well.');
        self::assertFalse($short($told(new Condition('c', 'C', ['turn-in']))));
        self::assertTrue($short($told(new Condition('c', 'C', [], gentleOnly: true))));
        self::assertTrue($short($told(new Condition('c', 'C', [], ['twist' => 'Small.']))));
        self::assertFalse($short($told(new Condition('c', 'C', [], ['balance' => 'At a wall.']))));
    }

    public function testWhoBendsFarKeepsStretchesShortAndGrowsInStrength(): void
    {
        $bends = new ConditionTold('c', self::day('2026-03-10'), self::day('2026-03-10'),
            new Condition('c', 'C', [], gentleOnly: true, besides: ['balance']));
        $short = static fn (array $entries, Work $work): bool => Holds::of($entries, self::day(self::NOW))
            ->keepsShort($work, Side::Left);
        self::assertTrue($short([$bends], new Work(['twist'])));
        self::assertFalse($short([$bends], new Work(['balance'])));
        self::assertTrue($short([$bends], new Work(['balance', 'hamstring-end'])), 'No end of a range makes strong.');
        self::assertTrue($short([$bends, self::knee()], new Work(['balance'])), 'What else holds is asked, too.');
    }

    public function testAStopThatNobodyHadPainInIsOfNoKneeAndTheTeachersWordAsks(): void
    {
        $stop = new StopDecided('s', self::day('2026-03-10'), self::day('2026-03-10'), Side::Left, true,
            by: 't');
        $word = static fn (bool ...$asked): ClearanceGiven => new ClearanceGiven('c', self::day('2026-03-14'),
            self::day('2026-03-14'), ['s'], ClearanceAuthority::Teacher, ...$asked, teacher: 't');
        $of = static fn (ClearanceGiven $word): Holds => Holds::of([$stop, $word], self::day(self::NOW));
        self::assertNotNull(self::active($of($word()), 's'), 'Nobody was asked.');
        $lifted = $of($word(true));
        self::assertCount(1, $lifted->clearedOn(new Work(['weight-on-knee']), Side::Left));
        self::assertCount(0, $lifted->clearedOn(new Work(['weight-on-knee'], true), Side::Left), 'It was no knee.');
    }

    private static function knee(): PainTold
    {
        return new PainTold('p', self::day('2026-03-10'), self::day('2026-03-10'), new Pain(1, PainPlace::Knee),
            Side::Left);
    }

    private static function active(Holds $holds, string $id): ?Hold
    {
        foreach ($holds->active as $hold) {
            if ($hold->id() === $id) {
                return $hold;
            }
        }

        return null;
    }

    private static function sides(Holds $holds, Work $work): string
    {
        return match (array_map(static fn (Side $side): bool => [] !== $holds->on($work, $side), Side::cases())) {
            [true, true] => 'both',
            [true, false] => 'left',
            [false, true] => 'right',
            default => '',
        };
    }

    private static function day(string $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable($day);
    }

    public function testConditionsThatWereToldAreKnownByTheirIds(): void
    {
        $day = new \DateTimeImmutable('2026-03-01');
        $told = static fn (string $id, ?Side $side): ConditionTold => new ConditionTold("condition:$id $side?->value",
            $day, $day, new Condition($id, $id, ['twist']), $side);
        $holds = Holds::of([$told('hip', Side::Left), $told('hip', Side::Right), $told('back', null),
            new PainTold('pain:p', $day, $day, new Pain(3, PainPlace::Knee), Side::Left)], $day);
        self::assertSame(['back', 'hip'], $holds->toldIds(), 'Each once.');
        self::assertCount(3, $holds->told());
        self::assertSame('pain:p', $holds->find('pain:p')?->id());
        self::assertNull($holds->find('pain:q'));
        self::assertSame([], Holds::none()->toldIds());
    }
}
