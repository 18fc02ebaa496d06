<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\Instead;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\TestCase;

/** While a class does what somebody may not: a gentle form that the posture names, or what one rests in. */
final class InsteadTest extends TestCase
{
    public function testWhatThePostureNamesComesFirstAndOneRestsElse(): void
    {
        self::assertSame('turn', self::instead([Side::Left]));
        self::assertSame('lie', self::instead([Side::Left], ['turn-out']), 'What it names is held, too.');
        self::assertSame('lie', self::instead([Side::Left], ['turn-out'], Side::Left));
        self::assertSame('turn', self::instead([Side::Left], ['turn-out'], Side::Right), 'The other side is.');
        self::assertSame('lie', self::instead(Side::cases(), ['turn-out'], Side::Right));
    }

    public function testWhatBothSidesDoIsHeldByEither(): void
    {
        self::assertSame('lie', self::instead([Side::Left], ['turn-out'], Side::Right, isSymmetric: true));
    }

    public function testItIsForAnybodyAndHasItsProps(): void
    {
        self::assertSame('lie', self::instead([Side::Left], isGentle: false));
        self::assertSame('lie', self::instead([Side::Left], props: ['chair' => 1]));
        self::assertSame('turn', self::instead([Side::Left], props: ['wall' => 1]));
    }

    public function testWhereNobodyCanSayOfAnyThatItMayBeDoneThereIsNone(): void
    {
        self::assertNull(self::instead([Side::Left], ['turn-out', 'lying-rest']));
    }

    /**
     * @param list<Side> $sides
     * @param list<string> $loads of a condition that somebody has
     * @param array<string, int> $props of what the posture names
     */
    private static function instead(
        array $sides,
        array $loads = [],
        ?Side $held = null,
        bool $isSymmetric = false,
        bool $isGentle = true,
        array $props = [],
    ): ?string {
        $day = new \DateTimeImmutable('2026-03-01');
        $told = [] === $loads ? [] : [new ConditionTold('condition:c', $day, $day, new Condition('c', 'C', $loads),
            $held)];
        $postures = $ladders = [];
        foreach (['deep' => [['loaded-fold'], false, null], 'turn' => [['turn-out'], $isGentle, null],
            'lie' => [['lying-rest'], true, 1]] as $id => [$of, $isLight, $rest]) {
            $rung = new RungDefinition('full', $id, null, [], new Work($of, $isLight));
            $postures[$id] = new PostureDefinition($id, $id, [Ability::Flexion], [$rung], []);
            $ladders[$id] = [new PracticeRung($id, $id, $rung, Stance::Lying, [], 'turn' === $id ? $props : [],
                'turn' === $id && $isSymmetric, rest: $rest, instead: 'deep' === $id ? ['turn/full'] : [])];
        }

        return Instead::inAClass('deep', $sides, new ReadPoses($postures, Person::of([], entries: $told)), $ladders,
            new Equipment(2, 2, true, ['chair']))?->posture;
    }
}
