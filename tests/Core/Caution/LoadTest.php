<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Caution;

use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What angles load: this product's own limits, at and beyond each of them. */
final class LoadTest extends TestCase
{
    #[DataProvider('angles')]
    public function testAnglesOfALeg(array $angles, array $loads): void
    {
        self::assertSame(array_column($loads, 'value'), Load::ofLeg($angles));
    }

    public static function angles(): iterable
    {
        yield 'standing' => [['flexion' => 0.0, 'abduction' => 0.0, 'rotation' => 0.0, 'kneeFlexion' => 0.0], []];
        foreach ([
            ['kneeFlexion', 90.0, 90.1, Load::KneeFolded],
            ['rotation', 45.0, 45.1, Load::TurnOut],
            ['rotation', -15.0, -15.1, Load::TurnIn],
            ['abduction', -10.0, -10.1, Load::Crossing],
            ['flexion', 100.0, 100.1, Load::HipFlexedEnd],
            ['flexion', -10.0, -10.1, Load::HipExtendedEnd],
            ['abduction', 40.0, 40.1, Load::LegsWideEnd],
        ] as [$name, $at, $beyond, $load]) {
            yield "$name at $at" => [[$name => $at], []];
            yield "$name beyond $at" => [[$name => $beyond], [$load]];
        }
        yield 'a straight leg raised' => [['flexion' => 80.1, 'kneeFlexion' => 14.9], [Load::HamstringEnd]];
        yield 'not so far' => [['flexion' => 80.0, 'kneeFlexion' => 0.0], []];
        yield 'the knee bent' => [['flexion' => 85.0, 'kneeFlexion' => 15.0], []];
        yield 'the knee not said' => [['flexion' => 85.0], []];
    }

    /** @param array<string, float> $least */
    #[DataProvider('thresholds')]
    public function testWhatAskingForAnAbilityLoads(array $least, array $loads): void
    {
        self::assertSame(array_column($loads, 'value'), Load::ofThresholds($least));
    }

    public static function thresholds(): iterable
    {
        yield [['rotation' => 60.0, 'flexion' => 120.0], [Load::TurnOut, Load::HipFlexedEnd]];
        yield [['quadriceps' => 90.0, 'internal-rotation' => 15.0, 'adduction' => 10.0, 'extension' => 10.0,
            'straight-abduction' => 40.0, 'hamstrings' => 80.0, 'balance' => 0.0], []];
        yield [['quadriceps' => 91.0, 'internal-rotation' => 16.0, 'adduction' => 11.0, 'extension' => 11.0,
            'straight-abduction' => 41.0, 'hamstrings' => 81.0, 'balance' => 1.0],
            [Load::KneeFolded, Load::TurnIn, Load::Crossing, Load::HipExtendedEnd, Load::LegsWideEnd,
                Load::HamstringEnd, Load::Balance]];
    }

    public function testWorkKnowsWhatItLoads(): void
    {
        $work = (new Work(['twist'], true, true, true))->loading(['twist', 'neck']);
        self::assertSame([['twist', 'neck'], true, true, true],
            [$work->loads, $work->isGentle, $work->usesBothLegs, $work->isFootFree]);
        self::assertTrue($work->has(Load::Neck));
        self::assertSame([false, true, false, false], array_map(static fn (Work $one): bool => $one->isLyingRest(),
            [$work, new Work(['lying-rest', 'on-the-back']), new Work(['lying-rest', 'knee-folded']),
                new Work(['lying-rest'], otherLegLoads: ['crossing'])]));
        $apart = static fn (float $own, float $other): bool => (new Work(['lying-rest'],
            angles: ['abduction' => $own], otherLegAngles: ['abduction' => $other]))->isLyingRest();
        self::assertSame([true, false, false], [$apart(25, 25), $apart(25.1, 0), $apart(0, 25.1)]);
        self::assertSame([true, true, false, false, false], array_map(Work::mayBeGentle(...), [[], ['turn-out',
            'hip-flexed-end'], ['weight-on-knee'], ['weight-on-hands'], ['hip-flexed-end', 'legs-wide-end']]));
        self::assertSame(['hip-flexed-end', 'hip-extended-end', 'legs-wide-end', 'hamstring-end'], Load::endRanges());
    }

    public function testWordsForPlacesAndKinds(): void
    {
        self::assertSame([PainPlace::LowBack, PainPlace::InnerKnee, PainPlace::Unknown],
            [PainPlace::named('Low back'), PainPlace::named(' inner_knee '), PainPlace::named('spleen')]);
        self::assertNotContains(PainPlace::Unknown, PainPlace::choices());
        self::assertCount(count(PainPlace::cases()) - 1, PainPlace::choices());
        self::assertSame([PainKind::Stretch, PainKind::LastingNumbness, PainKind::Clicking, PainKind::Pinching,
            PainKind::Sharp], array_map(PainKind::named(...), ['stretch', 'tingling', 'Locking', 'pinch', 'odd']));
    }

    public function testWhatAnswersLateTakesDays(): void
    {
        self::assertTrue((new Work(['knee-folded']))->takesDays());
        self::assertTrue((new Work(['turn-out']))->takesDays());
        self::assertFalse((new Work(['turn-out', 'knee-folded'], true))->takesDays(), 'Nothing is loaded there.');
        self::assertTrue((new Work(['neck'], true))->takesDays());
        self::assertFalse((new Work(['hamstring-end', 'balance']))->takesDays());
    }

    public function testALegThatLiesThereLongIsUsedByNothing(): void
    {
        $work = static fn (array $angles, array $loads = ['lying-rest'], array $other = []): Work => new Work($loads,
            true, true, angles: $angles, otherLegAngles: $other);
        $long = ['flexion' => 5.0, 'kneeFlexion' => 10.0];
        self::assertFalse($work($long)->usesBothLegs);
        foreach ([[[], ['lying-rest']], [$long, []], [['flexion' => 20.0], ['lying-rest']],
            [['flexion' => -25.0], ['lying-rest']], [['kneeFlexion' => 20.0], ['lying-rest']],
            [['abduction' => 26.0] + $long, ['lying-rest']],
            [$long, ['lying-rest', 'twist']], [$long, ['lying-rest'], ['flexion' => 30.0]]] as $other) {
            self::assertTrue($work(...$other)->usesBothLegs, json_encode($other) ?: '');
        }
    }
}
