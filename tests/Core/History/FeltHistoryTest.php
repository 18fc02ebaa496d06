<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\History;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\History\Entry\RungSeen;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Posture\FeltPlace;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Readiness\LadderPosition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Tests\Core\SampleBody;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

/** Where rungs were felt, among everything else that was written down of a person. */
final class FeltHistoryTest extends TestCase
{
    private const NOW = '2026-03-20 12:00';

    public function testAKneeHoldsItsSideAndAStretchElsewhereHoldsNothing(): void
    {
        self::assertSame([], self::held(self::felt('low-back', 2)));
        $held = self::held(self::felt('knee', 2));
        self::assertSame(['felt:knee 2 left'], array_map(static fn (Hold $hold): string => $hold->id(), $held));
        self::assertTrue($held[0]->holds(new Work(['knee-folded']), Side::Left));
        self::assertFalse($held[0]->holds(new Work(['turn-out']), Side::Right));
        self::assertCount(1, self::held(self::felt('low-back', 2, kind: PainKind::Sharp)));
    }

    /** Pain that was told beside it is one hold, and is lifted, or taken back, by its name. */
    public function testWhatWasToldAsPainBesideItIsToldOnce(): void
    {
        $told = static fn (?Side $side, string $rung = 'low', int $day = 2): PainTold => new PainTold('pain:p',
            self::day($day), self::day($day), new Pain(1, PainPlace::Knee, PainKind::Stretch), $side, null,
            '' === $rung ? '' : 'turner', $rung, 'Ilka');
        $ids = static fn (Entry ...$entries): array => array_map(static fn (Hold $hold): string => $hold->id(),
            self::held(self::felt('knee', 2), ...$entries));
        self::assertSame(['pain:p'], $ids($told(Side::Left)));
        self::assertSame(['pain:p'], $ids($told(null, '')));
        self::assertCount(2, $ids($told(Side::Right)));
        self::assertCount(2, $ids($told(Side::Left, 'high')));
        self::assertCount(2, $ids($told(Side::Left, day: 3)));
        $slip = new EnteredByMistake('mistake:m', self::day(2), 'pain:p', 'Ilka', 'Another person.');
        self::assertSame([], $ids($told(Side::Left), $slip));
        self::assertSame([], (new History([self::felt('knee', 2), $told(Side::Left), $slip], ToolErrors::usual()))
            ->felt());
        self::assertCount(1, (new History([self::felt('knee', 2), $told(Side::Left)], ToolErrors::usual()))->felt());
        // A slip takes back what it names: not what was felt in a shape, where it names a pain that was told of none.
        self::assertSame(['felt:knee 2 left'], $ids($told(null, ''), $slip));
        self::assertCount(1, (new History([self::felt('knee', 2), $told(null, ''), $slip], ToolErrors::usual()))
            ->felt());
    }

    public function testASlipOfTheirOwnIsFeltByNobody(): void
    {
        $slip = static fn (string $by, int $day = 2): EnteredByMistake => new EnteredByMistake('mistake:m',
            self::day($day), 'felt:knee 2 left', $by, 'Another side.');
        self::assertSame([], self::held(self::felt('knee', 2), $slip('Ilka')));
        self::assertCount(1, self::held(self::felt('knee', 2), $slip('Another')));
        self::assertCount(1, self::held(self::felt('knee', 2), $slip('Ilka', 4)));
        self::assertSame([], (new History([self::felt('knee', 2), $slip('Ilka')], ToolErrors::usual()))->felt());
        self::assertCount(1, (new History([self::felt('knee', 2), $slip('Another')], ToolErrors::usual()))->felt());
    }

    /** What hurt that day was not clean, in whatever it was said. */
    public function testACheckAndARungThatWasSeenAreNotCleanWhereWhatWasFeltHurt(): void
    {
        $clean = static function (Entry ...$felt): array {
            $history = new History([self::check(2), self::seen(2), ...$felt], ToolErrors::usual());

            return [$history->checks()[0]->check->isClean(), $history->seen()[0]->pain->isFelt()];
        };
        self::assertSame([true, false], $clean(self::felt('low-back', 2)));
        self::assertSame([false, true], $clean(self::felt('knee', 2)));
        self::assertSame([false, true], $clean(self::felt('knee', 2, null)));
        self::assertSame([true, false], $clean(self::felt('knee', 3)));
        self::assertSame([true, false], $clean(self::felt('knee', 2, Side::Right)));
    }

    /** Three clean sessions lead on, and so does having been seen clean; not while a wrong place is felt again. */
    public function testTheSameWrongPlaceTwiceKeepsASideOnItsRungAndSaysSo(): void
    {
        $practised = [self::check(2), self::check(6), self::check(12)];
        $stand = self::stand(...$practised);
        self::assertSame(['high', null], [$stand->rung?->rung->id, $stand->kept()]);

        foreach ([$practised, [self::seen(12)]] as $shown) {
            $kept = self::stand(...[...$shown, self::felt('low-back', 6), self::felt('low-back', 12)]);
            self::assertSame('low', $kept->rung?->rung->id);
            self::assertSame(['stay.felt', 'low-back'], [$kept->kept()?->code, $kept->kept()->numbers['felt']]);
            $closing = $kept->closing('high');
            self::assertSame(['bar.felt', 'low', 'low-back'], [$closing[0]->code, $closing[0]->numbers['rung'],
                $closing[0]->numbers['felt']]);
        }

        // Of nobody's side it is of both; of the other side alone it is not this one's.
        self::assertSame('low', self::stand(...[...$practised, self::felt('low-back', 6, null),
            self::felt('low-back', 12, null)])->rung?->rung->id);
        self::assertSame('high', self::stand(...[...$practised, self::felt('low-back', 6, Side::Right),
            self::felt('low-back', 12, Side::Right)])->rung?->rung->id);
        // Practised again, and felt where it should be, it leads on.
        $again = self::stand(...[...$practised, self::felt('low-back', 6), self::felt('low-back', 12), self::check(15),
            self::felt('outer-seat', 15)]);
        self::assertSame(['high', null], [$again->rung?->rung->id, $again->kept()]);
        // What is told of a later day is not known yet.
        self::assertSame('high', self::stand(...[...$practised, self::felt('low-back', 6),
            self::felt('low-back', 25)])->rung?->rung->id);
    }

    private static function stand(Entry ...$entries): LadderPosition
    {
        $rung = static fn (string $id, float $turn): RungDefinition => new RungDefinition($id, $id, null,
            ['rotation' => $turn], new Work([], true), felt: ['outer-seat']);
        $postures = ['turner' => new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation],
            [$rung('low', 10.0), $rung('high', 20.0), $rung('full', 30.0)], [])];
        $tests = ['shins-stacked' => Definition::shinsStacked()];
        $body = new BodyMeasured('body', self::day(1), self::day(1), '', SampleBody::proportions());
        $person = (new ReadHistory($postures, $tests))->snapshot(new History([$body, ...array_values($entries)],
            ToolErrors::usual()), new \DateTimeImmutable(self::NOW)) ?? self::fail();

        return (new ReadPoses($postures, $person, $tests))->of('turner', Side::Left)->onLadder();
    }

    /** @return list<Hold> */
    private static function held(Entry ...$entries): array
    {
        return (new ReadHistory([], []))->holds(new History(array_values($entries), ToolErrors::usual()),
            new \DateTimeImmutable(self::NOW))->active;
    }

    private static function felt(
        string $place,
        int $day,
        ?Side $side = Side::Left,
        PainKind $kind = PainKind::Stretch,
    ): FeltSaid {
        $pain = ['knee' => PainPlace::Knee, 'low-back' => PainPlace::LowBack][$place] ?? PainPlace::OuterHip;

        return new FeltSaid("felt:$place $day $side?->value", self::day($day), self::day($day), 'Ilka', 'turner', 'low',
            $side, new FeltPlace($place, $pain), $kind);
    }

    private static function check(int $day): CheckMade
    {
        $check = new ReadinessCheck('low', self::day($day), true, true, Pain::none(), at: self::day($day));

        return new CheckMade("check:$day", self::day($day), self::day($day), '', 'turner', Side::Left, $check, null, [],
            Side::Left);
    }

    private static function seen(int $day): RungSeen
    {
        return new RungSeen("seen:$day", self::day($day), self::day($day), '', 'turner', 'low', Side::Left, true,
            Pain::none(), [], false, self::day($day));
    }

    private static function day(int $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable(sprintf('2026-03-%02d 10:00', $day));
    }
}
