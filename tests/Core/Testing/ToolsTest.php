<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\KneelingBackbend;
use LucidAscent\Core\Testing\Norms;
use LucidAscent\Core\Testing\SmallestChange;
use LucidAscent\Core\Testing\SteadyAngle;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

/** What the tools are worth, what is published beside them, and the small reckonings. */
final class ToolsTest extends TestCase
{
    /** From memory, as the table says of itself: AAOS 1965; Roaas & Andersson 1982; Soucie et al. 2011. */
    public function testPublishedRangesOfMotion(): void
    {
        $degrees = static fn (Ability $ability): array => array_map(static fn (array $norm): float => $norm['degrees'],
            Norms::of($ability));
        self::assertSame([120.0, 120.0, 134.0, 130.0], $degrees(Ability::Flexion));
        self::assertSame([30.0, 9.5, 18.0, 17.0], $degrees(Ability::Extension));
        self::assertSame([45.0, 38.5], $degrees(Ability::Abduction));
        self::assertSame([45.0, 38.5], $degrees(Ability::StraightAbduction));
        self::assertSame([30.0, 30.5], $degrees(Ability::Adduction));
        self::assertSame([45.0, 32.5], $degrees(Ability::InternalRotation));
        self::assertSame([135.0, 144.0, 142.0, 138.0], $degrees(Ability::KneeFlexion));
        self::assertSame([], $degrees(Ability::ExternalRotation), 'The turn with hip and knee folded has none.');
    }

    public function testEachToolIsOffByItsOwn(): void
    {
        $usual = ToolErrors::usual();
        $sd = static fn (Tool $tool, string $unit): float => $usual->sd($tool, $unit);
        self::assertSame([0.7, 0.7, 1.5, 3.0], [$sd(Tool::Tape, 'cm'), $sd(Tool::Inclinometer, 'cm'),
            $sd(Tool::Photo, 'cm'), $sd(Tool::Observation, 'cm')]);
        self::assertSame([2.5, 2.5, 3.0, 10.0], [$sd(Tool::Tape, 'degrees'), $sd(Tool::Inclinometer, 'degrees'),
            $sd(Tool::Photo, 'degrees'), $sd(Tool::Observation, 'degrees')]);
        self::assertSame(0.5, $sd(Tool::Stopwatch, 'seconds'));
        $own = ToolErrors::of(['tape' => 0.1, 'eyeAngle' => 30.0]);
        self::assertSame([0.1, 30.0, 2.5], [$own->sd(Tool::Tape, 'cm'), $own->sd(Tool::Observation, 'degrees'),
            $own->sd(Tool::Inclinometer, 'degrees')]);
        foreach ([0.09, 30.1, NAN] as $bad) {
            try {
                ToolErrors::of(['tape' => $bad]);
                self::fail("$bad was taken.");
            } catch (InvalidValue $e) {
                self::assertSame('tape', $e->field);
            }
        }
    }

    /** Weir 2005: 1.96 · √2 · SEM; a difference has its √2 already. */
    public function testTheNoiseOfAFigureAndOfADifference(): void
    {
        self::assertEqualsWithDelta(5.5437, SmallestChange::of(2.0), 1e-4);
        self::assertEqualsWithDelta(3.92, SmallestChange::between(2.0), 1e-12);
    }

    public function testWhatOneCarefulReadingIsOffBy(): void
    {
        $usual = [];
        foreach ([...Formula::PLAIN, 'soles-together', 'shins-stacked', 'cow-face', 'wide-legs', 'frog', 'leg-raise',
            'knee-hug', 'heel-to-seat'] as $name) {
            $usual[$name] = Formula::named($name)->usualError();
        }
        asort($usual);
        self::assertSame('shins-stacked', array_key_first($usual), 'The surest of all.');
        self::assertSame(10.0, end($usual), 'By eye.');
        self::assertSame([4.0, 4.0, 3.6, 2.0, 2.4], [Formula::named('soles-together')->usualError(),
            Formula::named('cow-face')->usualError(), Formula::named('knee-hug')->usualError(),
            Formula::named('heel-to-seat')->usualError(), Formula::named('frog')->usualError()]);
    }

    public function testHandsOnTheFloorBendMoreThanHandsOnABlock(): void
    {
        $back = KneelingBackbend::of(SampleBody::proportions());
        self::assertGreaterThan($back->degrees(20.0), $back->degrees(10.0));
        // Upright, the hands hang here: 0.195 of 168.
        self::assertEqualsWithDelta(0.0, $back->degrees(32.76), 1e-6);
        self::assertGreaterThan(5.0, $back->degrees(32.0));
        self::assertEqualsWithDelta(0.0, $back->degrees(200.0), 1e-6, 'Higher than one can reach upright: no bend.');
        self::assertEqualsWithDelta(180.0, $back->degrees(-200.0), 1e-6);
    }

    public function testABendIsAsSureAsTheHandsTheBlockAndTheTorsoAre(): void
    {
        $reading = Uncertainty::ofReading(0.7);
        $error = static function (float $block, array $measured = []) use ($reading): float {
            $own = Proportions::of(Length::cm(168), array_map(Length::cm(...), $measured));

            return KneelingBackbend::of($own)->read($block, $reading)[1]->error($own->error(Side::Left));
        };
        // At 10 cm a centimetre is 2.67 degrees: 0.7 cm of block, 4.56 cm or 0.7 cm of hanging hands, and 3.04 degrees
        // of a torso that is known to a twentieth.
        self::assertEqualsWithDelta(12.69, $error(10.0), 0.02);
        self::assertEqualsWithDelta(4.03, $error(10.0, ['kneelingHands' => 32.76]), 0.02);
        self::assertGreaterThan(4 * $error(10.0), $error(32.0), 'Nearly upright a centimetre is many degrees.');
    }

    public function testASecondIsWholeOnlyWithASampleFromBeforeIt(): void
    {
        $feed = static function (array $samples, float $noise = 0.3): ?float {
            $steady = new SteadyAngle($noise);
            $answer = null;
            foreach ($samples as [$ms, $angle]) {
                $answer = $steady->feed($ms, $angle);
            }

            return $answer;
        };
        $every = static fn (int $step, int $to, float $angle =
            40.0): array => array_map(static fn (int $ms): array => [$ms, $angle], range(0, $to, $step));
        self::assertNull($feed($every(200, 800)));
        self::assertEqualsWithDelta(40.0, $feed($every(200, 1000)), 1e-9);
        self::assertNull($feed($every(500, 1000)), 'Too few samples to believe.');
        self::assertNull($feed([...$every(200, 600), [1700, 40.0], [1900, 40.0], [2100, 40.0]]),
            'A break of more than a second begins anew.');
        self::assertEqualsWithDelta(40.0, $feed([[0, 40.0], [250, 40.0], [500, 40.0], [750, 40.0], [1750, 40.0],
            [2000, 40.0], [2250, 40.0], [2500, 40.0], [2750, 40.0]]), 1e-9);
        self::assertNull($feed([[0, 40.0], [200, 40.0], [200, 40.0], [400, 40.0], [600, 40.0], [800, 40.0],
            [1000, 40.0]]), 'The clock stood still: the second begins anew.');
        self::assertNotNull($feed([[0, 40.0], [200, 41.8], [400, 40.0], [600, 40.0], [800, 40.0], [1000, 40.0]]),
            'Within six times the noise.');
        self::assertNull($feed([[0, 40.0], [200, 41.9], [400, 40.0], [600, 40.0], [800, 40.0], [1000, 40.0]]));
        $lost = new SteadyAngle();
        foreach ($every(200, 800) as [$ms, $angle]) {
            $lost->feed($ms, $angle);
        }
        $lost->lost();
        self::assertNull($lost->feed(1000, 40.0));
    }

    public function testWhatATestShows(): void
    {
        $frog = Definition::frog();
        self::assertSame([Bound::Exact, null], [$frog->shows(Ability::Abduction),
            $frog->shows(Ability::ExternalRotation)]);
        self::assertTrue($frog->isMeasured());
        self::assertFalse(Definition::watched()->isMeasured());
        self::assertFalse((new TestDefinition('x', 'X', 1, Formula::named('observation'), ['rotation' => Bound::Exact],
            [], [], 1.0))->isMeasured());
        self::assertTrue($frog->bothSides);
        self::assertFalse($frog->goesBeyond);
        self::assertSame(['breath-and-talk', false], [Definition::watched()->id, Definition::watched()->bothSides]);
        self::assertFalse((new Evidence(Ability::ExternalRotation, 1.0, Bound::Exact,
            Uncertainty::none(), 't'))->isIsolating);
    }

    public function testTheBendIsThatOfAnEvenArc(): void
    {
        $own = Proportions::of(Length::cm(168), ['kneelingHands' => Length::cm(30)]);
        $torso = UpperBody::Torso->ofStature(168.0);
        foreach ([20.0, 60.0, 100.0, 140.0] as $degrees) {
            $bend = deg2rad($degrees);
            $block = 30.0 - $torso + ($torso * sin($bend)) / $bend;
            self::assertEqualsWithDelta($degrees, KneelingBackbend::of($own)->degrees($block), 1e-6);
        }
    }
}
