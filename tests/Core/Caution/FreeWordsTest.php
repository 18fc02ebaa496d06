<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Caution;

use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Work;
use PHPUnit\Framework\TestCase;

/** A condition in free words: nothing deep until somebody has said which loads it touches. */
final class FreeWordsTest extends TestCase
{
    public function testUntilSomebodyHasSaidNothingDeep(): void
    {
        self::assertSame([true, false], self::holds(self::words()));
        self::assertEquals(self::words(), self::words()->touching([]), 'Nothing said is nothing changed.');
    }

    public function testOnceItWasSaidThoseLoadsAndNoOther(): void
    {
        $said = self::words()->touching([Load::Twist, Load::Prone]);
        self::assertSame(['twist', 'prone'], $said->holds);
        self::assertFalse($said->gentleOnly);
        self::assertTrue($said->holds(new Work(['twist'], true)), 'In a gentle shape, too.');
        self::assertFalse($said->holds(new Work(['backbend'])));
        self::assertTrue($said->isInFreeWords);
        self::assertSame(['twist', 'prone', 'neck'], $said->touching([Load::Prone, Load::Neck])->holds,
            'More may be said, none is taken back.');
    }

    public function testAnyOtherConditionIsWhatItIs(): void
    {
        $known = new Condition('c', 'C', ['twist'], gentleOnly: true);
        self::assertSame($known, $known->touching([Load::Prone]));
        self::assertSame($known, $known->after(self::words()->touching([Load::Neck])));
        $unknown = Condition::unknown('never-heard-of');
        self::assertTrue($unknown->touching([Load::Prone])->gentleOnly, 'One that nobody knows stays closed.');
    }

    public function testToldAgainItTouchesWhatItTouchedBefore(): void
    {
        $twist = self::words()->touching([Load::Twist]);
        $neck = self::words()->touching([Load::Neck]);
        self::assertSame([['neck', 'twist'], false], [$neck->after($twist)->holds, $neck->after($twist)->gentleOnly]);
        $new = self::words()->after($twist);
        self::assertSame([['twist'], true, true], [$new->holds, $new->gentleOnly, $new->isInFreeWords],
            'New words that nobody has put a load to.');
        self::assertSame(['prone', 'twist'], self::words()->touching([Load::Prone])->after($new)->holds);
        $day = new \DateTimeImmutable('2026-03-05');
        $later = new \DateTimeImmutable('2026-03-09');
        $again = (new ConditionTold('c', $later, $later, $neck, by: 'me'))
            ->after(new ConditionTold('c', $day, $day, $twist));
        self::assertEquals(['c', $later, 'me', ['neck', 'twist']],
            [$again->id(), $again->at(), $again->by(), $again->condition->holds]);
    }

    /** @return array{bool, bool} whether it holds a deep rung, and a gentle one */
    private static function holds(Condition $condition): array
    {
        return [$condition->holds(new Work(['turn-out'])), $condition->holds(new Work(['turn-out'], true))];
    }

    private static function words(): Condition
    {
        return new Condition('other', 'Anything else', [], gentleOnly: true, isInFreeWords: true);
    }
}
