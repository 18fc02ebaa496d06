<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;

/** Tests as the rules see them, for tests of the rules. */
final class Definition
{
    public static function solesTogether(): TestDefinition
    {
        return new TestDefinition('soles-together', 'Soles together', 6, Formula::named('soles-together'), [
            'rotation' => Bound::AtLeast,
            'abduction' => Bound::AtLeast,
            'flexion' => Bound::AtLeast,
            'kneeFlexion' => Bound::AtLeast,
        ], ['kneeHeight' => 'cm', 'heelDistance' => 'cm'], ['leans-back'], 3.0,
            work: new Work(['turn-out', 'knee-folded'], true));
    }

    public static function shinsStacked(): TestDefinition
    {
        return new TestDefinition('shins-stacked', 'Shins stacked', 8, Formula::named('shins-stacked'),
            ['rotation' => Bound::Exact], ['kneeHeight' => 'cm', 'ankleHeight' => 'cm'], ['ankle-slid'], 3.0,
            work: new Work(['turn-out', 'knee-folded'], true));
    }

    public static function figureFour(): TestDefinition
    {
        return new TestDefinition('figure-four-lying', 'Lying figure four', 5, Formula::named('shin-inclination'),
            ['rotation' => Bound::Exact], ['angle' => 'degrees'], ['pelvis-turns'], 1.0,
            work: new Work(['lying-rest'], true));
    }

    /** As it is read through the chain. */
    public static function figureFourByHeights(string $formula = 'figure-four-lying'): TestDefinition
    {
        return new TestDefinition($formula, 'Figure four', 5, Formula::named($formula), ['rotation' => Bound::Exact],
            ['kneeHeight' => 'cm', 'ankleHeight' => 'cm', 'otherFlexion' => 'degrees'], ['pelvis-turns'], 1.0,
            work: new Work(['lying-rest'], true));
    }

    public static function frog(): TestDefinition
    {
        return new TestDefinition('frog', 'Frog', 4, Formula::named('frog'), ['abduction' => Bound::Exact],
            ['span' => 'cm'], ['back-arches'], 2.0, work: new Work(['legs-wide-end', 'weight-on-knee'], true));
    }

    public static function wideLegs(): TestDefinition
    {
        return new TestDefinition('wide-legs', 'Wide legs', 3, Formula::named('wide-legs'),
            ['abduction' => Bound::AtLeast, 'straight-abduction' => Bound::Exact], ['span' => 'cm'], [], 2.0,
            work: new Work(['legs-wide-end'], true));
    }

    public static function reach(): TestDefinition
    {
        return new TestDefinition('behind-back-reach', 'Reach', 17, Formula::named('strap-gap'),
            ['shoulder-reach' => Bound::Exact], ['gap' => 'cm'], [], 1.0);
    }

    public static function watched(): TestDefinition
    {
        return new TestDefinition('breath-and-talk', 'Breath', 21, Formula::named('observation'), [],
            ['even' => 'yes or no'], [], 1.0, false);
    }

    /**
     * @param non-empty-list<array<string, float>> $trials
     * @param list<string> $compensations
     */
    public static function taken(
        TestDefinition $of,
        array $trials,
        array $compensations = [],
        int $pain = 0,
        string $on = '2026-03-02',
        ?bool $resting = null,
        Tool $tool = Tool::Tape,
    ): TakenTest {
        return new TakenTest(
            $of->id,
            Side::Left,
            $tool,
            $trials,
            $compensations,
            new Pain($pain, 0 === $pain ? PainPlace::None : PainPlace::OuterHip),
            new \DateTimeImmutable($on),
            new Sitting(),
            $resting,
        );
    }
}
