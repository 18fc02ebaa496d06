<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Practice;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Posture\FeltPlace;
use LucidAscent\Core\Practice\Felt;
use LucidAscent\Core\Practice\FeltOnRung;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Progression\LadderPractice;
use LucidAscent\Tests\Core\Progression\DecideTest;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A rung that should be felt in the outer seat, practised in March. */
final class FeltTest extends TestCase
{
    private const RIGHT = ['outer-seat'];

    /** A knee is pulled at by nothing; elsewhere a stretch is no pain, and anything else is. */
    #[DataProvider('places')]
    public function testWhatItSaysOfPain(FeltPlace $place, PainKind $kind, ?PainPlace $at): void
    {
        $pain = Felt::pain($place, $kind);
        self::assertSame(null !== $at, $pain->isFelt());
        null === $at || self::assertTrue($pain->equals(new Pain(1, $at, PainPlace::Unknown === $at
            ? PainKind::Sharp
            : $kind)));
    }

    /** @return iterable<string, array{FeltPlace, PainKind, PainPlace|null}> */
    public static function places(): iterable
    {
        $of = static fn (string $id, PainPlace $pain): FeltPlace => new FeltPlace($id, $pain);
        yield 'a stretch in the seat' => [$of('outer-seat', PainPlace::OuterHip), PainKind::Stretch, null];
        yield 'a stretch in the low back' => [$of('low-back', PainPlace::LowBack), PainKind::Stretch, null];
        yield 'an ache in the low back' => [$of('low-back', PainPlace::LowBack), PainKind::Ache, PainPlace::LowBack];
        yield 'a pinch in the crease' => [$of('deep-crease', PainPlace::Groin), PainKind::Pinching, PainPlace::Groin];
        yield 'a stretch in the knee' => [$of('knee', PainPlace::Knee), PainKind::Stretch, PainPlace::Knee];
        yield 'numbness' => [$of('calf', PainPlace::Elsewhere), PainKind::LastingNumbness, PainPlace::Elsewhere];
        yield 'nothing' => [$of('nothing', PainPlace::None), PainKind::Stretch, null];
        yield 'nothing, whatever it was like' => [$of('nothing', PainPlace::None), PainKind::Sharp, null];
        yield 'no place of the list' => [FeltPlace::unlisted('elbow'), PainKind::Stretch, PainPlace::Unknown];
    }

    public function testAPlaceIsWrongWhereTheShapeIsMeantToBeFeltElsewhere(): void
    {
        $felt = static fn (string $place, array $right, bool $warns = false): bool => self::felt($place, 1, $warns)
            ->isWrong($right);
        self::assertFalse($felt('outer-seat', self::RIGHT));
        self::assertTrue($felt('calf', self::RIGHT));
        self::assertFalse($felt('nothing', self::RIGHT));
        // Where nobody has said where it should be felt, only the places to be careful of are wrong.
        self::assertFalse($felt('calf', []));
        self::assertTrue($felt('neck', [], true));
    }

    /** @param list<Felt> $felt */
    #[DataProvider('twice')]
    public function testTheSameWrongPlaceOnTwoDaysRunning(array $felt, ?string $place): void
    {
        self::assertSame($place, self::onRung($felt)->wrongTwice()?->id);
    }

    /** @return iterable<string, array{list<Felt>, string|null}> */
    public static function twice(): iterable
    {
        $of = static fn (string ...$places): array => array_map(
            static fn (string $place, int $i): Felt => self::felt($place, 2 * $i + 1),
            $places,
            array_keys($places),
        );
        yield 'once' => [$of('low-back'), null];
        yield 'twice' => [$of('low-back', 'low-back'), 'low-back'];
        yield 'twice, whatever came before' => [$of('outer-seat', 'low-back', 'low-back'), 'low-back'];
        yield 'and right since' => [$of('low-back', 'low-back', 'outer-seat'), null];
        yield 'and nothing since' => [$of('low-back', 'low-back', 'nothing'), null];
        yield 'two wrong places' => [$of('low-back', 'calf'), null];
        yield 'twice on one day is once' => [[self::felt('low-back', 1), self::felt('low-back', 1)], null];
        yield 'beside a right one' => [[self::felt('low-back', 1), self::felt('outer-seat', 3),
            self::felt('low-back', 3)], 'low-back'];
        yield 'in whatever order they were told' => [[self::felt('outer-seat', 1), self::felt('low-back', 5),
            self::felt('low-back', 3)], 'low-back'];
        yield 'right twice' => [$of('outer-seat', 'outer-seat'), null];
    }

    public function testWhatIsOfAnotherRungOrSideCountsElsewhere(): void
    {
        $other = new Felt('pigeon', 'other', Side::Left, self::place('low-back'), PainKind::Stretch, self::day(1));
        $right = new Felt('pigeon', 'low', Side::Right, self::place('low-back'), PainKind::Stretch, self::day(1));
        $lotus = new Felt('lotus', 'low', Side::Left, self::place('low-back'), PainKind::Stretch, self::day(1));
        self::assertNull(self::onRung([$other, $right, $lotus, self::felt('low-back', 3)])->wrongTwice());
    }

    /** Three clean sessions pass a rung, unless the last two were felt in the same wrong place by then. */
    public function testNobodyPassesARungThatIsFeltInTheSameWrongPlace(): void
    {
        $checks = [self::check(2), self::check(4), self::check(6)];
        $passed = static fn (Felt ...$felt): array => Passes::of(['low', 'high'], $checks, [], [], [],
            self::day(20), [], ['low' => self::onRung($felt)]);
        self::assertSame(['low'], $passed(self::felt('low-back', 4), self::felt('outer-seat', 6)));
        self::assertSame([], $passed(self::felt('low-back', 4), self::felt('low-back', 6)));
        self::assertSame([], $passed(self::felt('low-back', 2), self::felt('low-back', 4)), 'Not asked since.');
        self::assertSame(['low'], $passed(self::felt('low-back', 6), self::felt('low-back', 8)),
            'It was passed before.');
    }

    public function testTheStepWaitsAndSaysWhy(): void
    {
        $practice = static fn (bool $isOpen, Felt ...$felt): LadderPractice => new LadderPractice(DecideTest::ladder(),
            [self::check(2, 'b'), self::check(4, 'b'), self::check(6, 'b')], $isOpen,
            felt: FeltOnRung::of(array_map(static fn (Felt $one): Felt => new Felt('half-lotus', 'b', Side::Left,
                $one->place, $one->kind, $one->on), $felt), 'half-lotus', 'b', Side::Left, self::RIGHT));
        $codes = static fn (LadderPractice $of): array => [Decide::proposal($of)->step,
            ...array_map(static fn ($reason): string => $reason->code, Decide::proposal($of)->reasons)];
        $days = static fn (string $place): array => [self::felt($place, 2), self::felt($place, 4),
            self::felt($place, 6)];
        self::assertSame([Step::MoveOn, 'move-on.clean'], $codes($practice(true, ...$days('outer-seat'))));
        self::assertSame([Step::Stay, 'stay.felt'], $codes($practice(true, ...$days('low-back'))));
        self::assertSame('low-back',
            Decide::proposal($practice(true, ...$days('low-back')))->reasons[0]->numbers['felt']);
        self::assertSame([Step::MoveOn, 'move-on.clean', 'move-on.nothing-felt'],
            $codes($practice(true, ...$days('nothing'))));
        self::assertSame([Step::Stay, 'stay.gate', 'stay.nothing-felt'], $codes($practice(false, ...$days('nothing'))));
        self::assertSame([Step::MoveOn, 'move-on.clean'],
            $codes($practice(true, self::felt('nothing', 4), self::felt('nothing', 6))), 'Twice is no sign.');
        // The teacher has the last word: only a stop cannot be overruled.
        self::assertContains(Step::MoveOn, Decide::choices($practice(true, ...$days('low-back')),
            Decide::proposal($practice(true, ...$days('low-back')))));
    }

    public function testNothingFeltIsNoSignWhereNothingShouldBe(): void
    {
        $run = [self::check(2), self::check(4), self::check(6)];
        $felt = [self::felt('nothing', 2), self::felt('nothing', 4), self::felt('nothing', 6)];
        self::assertTrue(self::onRung($felt)->isNothingIn($run));
        self::assertTrue(self::onRung($felt)->isNothingIn([self::check(1), ...$run]), 'The last three.');
        self::assertFalse(self::onRung($felt)->isNothingIn(array_slice($run, 1)));
        self::assertFalse(self::onRung([...$felt, self::felt('outer-seat', 4)])->isNothingIn($run));
        self::assertFalse(FeltOnRung::of($felt, 'pigeon', 'low', Side::Left, ['nothing'])->isNothingIn($run));
    }

    public function testACheckTakesTheWorseOfTwoPains(): void
    {
        $mild = self::check(2)->withPain(new Pain(1, PainPlace::OuterHip, PainKind::Ache));
        self::assertSame(1, $mild->pain->level);
        self::assertSame($mild, $mild->withPain(Pain::none()));
        $knee = $mild->withPain(new Pain(1, PainPlace::Knee, PainKind::Stretch));
        self::assertFalse($knee->isClean());
        self::assertSame($knee, $knee->withPain(new Pain(2, PainPlace::OuterHip)));
    }

    /** @param list<Felt> $felt */
    private static function onRung(array $felt): FeltOnRung
    {
        return FeltOnRung::of($felt, 'pigeon', 'low', Side::Left, self::RIGHT);
    }

    private static function felt(string $place, int $day, bool $warns = false): Felt
    {
        return new Felt('pigeon', 'low', Side::Left, self::place($place, $warns), PainKind::Stretch, self::day($day));
    }

    private static function place(string $id, bool $warns = false): FeltPlace
    {
        return new FeltPlace($id, 'nothing' === $id ? PainPlace::None : PainPlace::Elsewhere, $warns);
    }

    private static function check(int $day, string $rung = 'low'): ReadinessCheck
    {
        return new ReadinessCheck($rung, self::day($day), true, true, Pain::none());
    }

    private static function day(int $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable(sprintf('2026-03-%02d', $day));
    }
}
