<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\PainInSession;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\TestCase;

final class PainInSessionTest extends TestCase
{
    private const SHAPES = [
        'straight-rest' => [[Load::LyingRest], true, false],
        'folded-rest' => [[Load::LyingRest, Load::KneeFolded], true, false],
        'gentle' => [[Load::TurnOut], true, false],
        'deep' => [[Load::TurnOut, Load::KneeFolded], false, false],
        'fold' => [[Load::LoadedFold, Load::HamstringEnd], false, false],
        'neck' => [[Load::Neck], false, false],
        'both-legs' => [[Load::TurnOut], false, true],
    ];

    /**
     * For every place, kind, level and side: what ends in the session is what the judge of holds would hold from then
     * on, and no more.
     */
    public function testWhatEndsIsWhatTheJudgeWouldHold(): void
    {
        $pains = new PainInSession();
        $before = self::poses([]);
        $ending = [];
        foreach (array_keys(self::SHAPES) as $shape) {
            foreach ([Side::Left, Side::Right, null] as $of) {
                $ending[$shape.' '.($of->value ?? 'both')] = $pains->ending(self::rung($shape), $of, $before);
            }
        }
        $day = new \DateTimeImmutable('2026-03-10');
        $held = $answers = 0;
        foreach (PainPlace::choices() as $place) {
            foreach (PainKind::cases() as $kind) {
                for ($level = 0; $level <= 10; ++$level) {
                    foreach (['left' => Side::Left, 'right' => Side::Right, 'none' => null] as $name => $side) {
                        $pain = new Pain($level, $place, $kind);
                        $answer = $pains->answers[$place->value][$kind->value][$level][$name];
                        ++$answers;
                        self::assertSame($pain->isFelt(), PainInSession::NOTHING !== $answer);
                        $after = self::poses([new PainTold('said', $day, $day, $pain, $side)]);
                        self::assertSame([] !== $after->person->holds->active, $answer > 0);
                        foreach (array_keys(self::SHAPES) as $shape) {
                            foreach ([Side::Left, Side::Right, null] as $of) {
                                $isHeld = !May::practise($after, $shape, $shape, $of)->isYes();
                                self::assertSame($isHeld, in_array($answer, $ending[$shape.' '.($of->value ?? 'both')],
                                    true), "$place->value $kind->value $level $name: $shape ".($of->value ?? 'both'));
                                $held += $isHeld ? 1 : 0;
                            }
                        }
                    }
                }
            }
        }
        self::assertSame(16 * 7 * 11 * 3, $answers);
        self::assertGreaterThan(1000, $held);
    }

    /** A body that nobody measured: what the catalogue says that a shape loads decides. */
    public function testWithoutABodyTheShapeItselfDecides(): void
    {
        $pains = new PainInSession();
        $knee = $pains->answers['knee']['ache'][1]['left'];
        self::assertContains($knee, $pains->ending(self::rung('gentle'), Side::Left, null));
        self::assertNotContains($knee, $pains->ending(self::rung('gentle'), Side::Right, null));
        self::assertContains($knee, $pains->ending(self::rung('gentle'), null, null));
    }

    private static function rung(string $shape): PracticeRung
    {
        return new PracticeRung($shape, $shape, self::poses([])->postures[$shape]->full(), Stance::Lying, [], [],
            false);
    }

    /** @param list<PainTold> $entries */
    private static function poses(array $entries): ReadPoses
    {
        $postures = [];
        foreach (self::SHAPES as $id => [$loads, $isGentle, $usesBothLegs]) {
            $work = new Work(array_map(static fn (Load $load): string => $load->value, $loads), $isGentle,
                $usesBothLegs);
            $postures[$id] = new PostureDefinition($id, $id, [Ability::ExternalRotation],
                [new RungDefinition($id, $id, null, ['rotation' => 10.0], $work)], []);
        }

        return new ReadPoses($postures, Person::of(['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]],
            entries: $entries));
    }
}
