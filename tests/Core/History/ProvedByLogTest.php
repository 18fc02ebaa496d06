<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\History;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\History\LoggedItem;
use LucidAscent\Core\History\ProvedByLog;
use LucidAscent\Core\Posture\FeltPlace;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use PHPUnit\Framework\TestCase;

final class ProvedByLogTest extends TestCase
{
    public function testEachRungAndSideIsOneCheck(): void
    {
        $proved = self::of([self::item('low', Side::cases()), self::item('high', [Side::Left])]);
        self::assertSame(['low left', 'low right', 'high left'], array_map(self::named(...), $proved->checks));
        self::assertSame([], $proved->pains);
        $check = $proved->checks[0];
        self::assertSame(['log', 'me', true, ['kneeHeight' => 12.0], Side::Left],
            [$check->id, $check->by, $check->check->isClean(), $check->heights, $check->hurts]);
        self::assertSame($proved->checks, $proved->entries());
        self::assertFalse(self::of([self::item('low', [Side::Left])], isSore: true)->checks[0]->check->isClean());
    }

    public function testWhatIsRepeatedAFormAndWhatNobodyPlannedProveNothingAndTheirPainIsHeard(): void
    {
        $ache = new Pain(2, PainPlace::Knee);
        foreach ([self::item('low', [Side::Left], [$ache], isRepeated: true),
            self::item('beside', [Side::Left], [$ache]), self::item('gone', [Side::Left], [$ache])] as $item) {
            $proved = self::of([$item]);
            self::assertSame([], $proved->checks, $item->shape);
            self::assertSame([['log', Side::Left, 2, 'fold', $item->shape]],
                array_map(self::told(...), $proved->pains));
        }
        $planned = static fn (string $posture, string $rung, Side $side): bool => Side::Left === $side;
        $proved = self::of([self::item('low', Side::cases(), [$ache])], $planned);
        self::assertSame(['low left'], array_map(self::named(...), $proved->checks));
        self::assertSame([['log', Side::Right, 2, 'fold', 'low']], array_map(self::told(...), $proved->pains));
    }

    public function testOfTwiceTheWorseCountsAndBothAreHeard(): void
    {
        $mild = self::item('low', [Side::Left], [new Pain(1, PainPlace::OuterHip)]);
        $bad = self::item('low', [Side::Left], [new Pain(4, PainPlace::OuterHip)], holdReached: false);
        foreach ([[$mild, $bad], [$bad, $mild]] as $items) {
            $proved = self::of($items);
            self::assertSame([4], array_map(static fn (CheckMade $made): int => $made->check->pain->level,
                $proved->checks));
            self::assertSame([['log', Side::Left, 1, 'fold', 'low']], array_map(self::told(...), $proved->pains));
        }
        self::assertSame([], self::of([self::item('low', [Side::Left]), self::item('low', [Side::Left])])->pains,
            'Nothing hurt.');
    }

    public function testAllThatOneThingSaysOfPainIsHeard(): void
    {
        $proved = self::of([self::item('low', [Side::Left],
            [new Pain(1, PainPlace::OuterHip), new Pain(3, PainPlace::Neck)])]);
        self::assertSame(1, $proved->checks[0]->check->pain->level);
        self::assertSame([['log', Side::Left, 3, 'fold', 'low']], array_map(self::told(...), $proved->pains));
        self::assertSame([$proved->checks[0], $proved->pains[0]], $proved->entries());
    }

    public function testWhereItWasFeltIsKeptBySideWhateverElseItProves(): void
    {
        $item = static fn (string $shape, array $sides, bool $isSideSaid): LoggedItem => new LoggedItem('fold', $shape,
            $sides, false, true, true, isSideSaid: $isSideSaid, felt: new FeltPlace('low-back', PainPlace::LowBack),
            feltKind: PainKind::Ache);
        $felt = static fn (string $shape, array $sides, bool $isSideSaid = true): array => array_map(
            static fn (FeltSaid $one): array => [$one->id, $one->posture, $one->rung, $one->side, $one->place->id,
                $one->kind],
            array_values(array_filter(self::of([$item($shape, $sides, $isSideSaid)])->entries(),
                static fn (object $one): bool => $one instanceof FeltSaid)));
        self::assertSame([['log', 'fold', 'low', Side::Left, 'low-back', PainKind::Ache]], $felt('low', [Side::Left]));
        self::assertSame(Side::cases(), array_column($felt('beside', Side::cases()), 3), 'A form proves nothing.');
        self::assertSame([null, null], array_column($felt('low', Side::cases(), false), 3));
    }

    public function testWhatHurtWhereNobodySaidWhichSideIsOfNone(): void
    {
        $proved = self::of([self::item('low', Side::cases(),
            [new Pain(3, PainPlace::Knee), new Pain(1, PainPlace::Neck)], isSideSaid: false)]);
        self::assertSame([null, null], array_map(static fn (CheckMade $made): ?Side => $made->hurts, $proved->checks));
        self::assertSame([null, null], array_map(static fn (PainTold $told): ?Side => $told->side, $proved->pains));
        $said = self::of([self::item('low', Side::cases(), [new Pain(3, PainPlace::Knee)])]);
        self::assertSame(Side::cases(), array_map(static fn (CheckMade $made): ?Side => $made->hurts, $said->checks));
    }

    /**
     * @param list<LoggedItem> $items
     * @param (callable(string, string, Side): bool)|null $isPlanned
     */
    private static function of(array $items, ?callable $isPlanned = null, bool $isSore = false): ProvedByLog
    {
        $day = new \DateTimeImmutable('2026-03-09');
        $rung = static fn (string $id): RungDefinition => new RungDefinition($id, $id, null, ['rotation' => 20.0],
            new Work(['turn-out']));
        $posture = new PostureDefinition('fold', 'Fold', [], [$rung('low'), $rung('high')], [],
            forms: ['low' => [$rung('beside')]]);

        return ProvedByLog::of('log', $day, $day, 'me', $items, ['fold' => $posture], $isSore, null, $isPlanned);
    }

    /**
     * @param list<Side> $sides
     * @param list<Pain> $pains
     */
    private static function item(
        string $shape,
        array $sides,
        array $pains = [],
        bool $isRepeated = false,
        bool $holdReached = true,
        bool $isSideSaid = true,
    ): LoggedItem {
        return new LoggedItem('fold', $shape, $sides, $isRepeated, $holdReached, true, [], $pains,
            ['kneeHeight' => 12.0], ...($isSideSaid ? [] : [false]));
    }

    private static function named(CheckMade $made): string
    {
        return "{$made->check->rung} {$made->side->value}";
    }

    /** @return array{string, Side|null, int, string, string} */
    private static function told(PainTold $told): array
    {
        return [$told->id, $told->side, $told->pain->level, $told->posture, $told->rung];
    }
}
