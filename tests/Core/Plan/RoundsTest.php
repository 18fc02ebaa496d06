<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Rounds;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use PHPUnit\Framework\TestCase;

/** Short gentle holds are done again where time is left. */
final class RoundsTest extends TestCase
{
    public function testEachIsDoneAgainInItsPlaceBeforeAnyIsDoneAThirdTime(): void
    {
        $items = [self::item('a', 50, Side::Left), self::item('a', 50, Side::Right), self::item('b', 60)];
        $said = static fn (int $seconds): string => implode(' ',
            array_map(static fn (PlannedItem $item): string => $item->rung->posture.($item->side->value[0] ?? ''),
                Rounds::of($items, $seconds)));
        self::assertSame('al ar b', $said(59));
        self::assertSame('al ar b b', $said(60));
        self::assertSame('al ar al ar b', $said(100));
        self::assertSame('al ar al ar b b', $said(160));
        self::assertSame('al ar al ar al ar b b', $said(260));
        self::assertSame('al ar al ar al ar b b b', $said(9000), 'Three times at most.');
    }

    public function testWhatIsLongOrDeepOrSetOrADrillIsDoneOnce(): void
    {
        foreach ([self::item('a', 131), self::item('a', 50, isGentle: false), self::item('a', 50, isDrill: true),
            self::item('a', 50, isSet: true)] as $item) {
            self::assertCount(2, Rounds::of([$item, self::item('u', 45, phase: Phase::Counter)], 9000));
        }
        self::assertCount(3, Rounds::of([self::item('a', 130)], 9000));
    }

    private static function item(
        string $posture,
        int $seconds,
        ?Side $side = null,
        bool $isGentle = true,
        bool $isDrill = false,
        bool $isSet = false,
        Phase $phase = Phase::Work,
    ): PlannedItem {
        $rung = new PracticeRung($posture, $posture, new RungDefinition('r', 'R', null, [], new Work([], $isGentle)),
            Stance::Lying, [], [], true);

        return new PlannedItem($rung, $phase, $side, $seconds, new Reason('plan.stage', Source::Own), $isDrill
            ? new PracticeDrill('d', 'D', $rung, new HoldRange(30.0, 60.0), 10.0, true, []) : null, $isSet);
    }
}
