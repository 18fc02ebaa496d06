<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Practice\Decided;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\FrontShin;
use LucidAscent\Core\Readiness\Observed;
use LucidAscent\Core\Readiness\PlantedHip;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Tests\Core\SampleBody;
use LucidAscent\Tests\Core\Testing\Definition;

/** A person of the sample body, out of tests that were taken on both sides alike. */
final class Person
{
    /**
     * @param array<string, non-empty-list<array<string, float>>> $trials by test
     * @param list<Condition> $conditions of both sides
     * @param list<Seen> $seen
     * @param array<string, list<ReadinessCheck>> $checks
     * @param array<string, list<Decided>> $decided
     * @param list<Observed> $observed
     * @param list<Entry> $entries
     * @param (\Closure(\DateTimeImmutable): ?Snapshot)|null $before
     * @param list<Elsewhere> $elsewhere
     * @param array<string, true> $withTeacher
     */
    public static function of(
        array $trials,
        array $conditions = [],
        ?Proportions $proportions = null,
        string $on = '2026-03-10',
        array $seen = [],
        array $checks = [],
        array $decided = [],
        array $observed = [],
        array $entries = [],
        ?\Closure $before = null,
        array $elsewhere = [],
        array $withTeacher = [],
    ): Snapshot {
        $proportions ??= SampleBody::proportions();
        $taken = [];
        $evidence = ['left' => [], 'right' => []];
        foreach ($trials as $name => $read) {
            foreach (Side::cases() as $side) {
                $test = new TakenTest($name, $side, Tool::Tape, $read, on: new \DateTimeImmutable('2026-03-02'));
                $taken[] = $test;
                $definition = self::definition($name);
                array_push($evidence[$side->value], ...$definition->isMeasured() ? ReadTest::evidence($definition,
                    $test, $proportions->body($side), ToolErrors::usual()) : []);
            }
        }

        $day = new \DateTimeImmutable('2026-03-02');
        $told = array_map(
            static fn (Condition $condition): ConditionTold => new ConditionTold(
                "condition:$condition->id",
                $day,
                $day,
                $condition,
            ),
            $conditions,
        );
        $on = new \DateTimeImmutable($on);

        return new Snapshot($proportions, $evidence, Holds::of([...$told, ...$entries], $on), $taken, $on, $seen,
            $checks, $decided, $observed, before: $before, elsewhere: $elsewhere, withTeacher: $withTeacher);
    }

    private static function definition(string $name): TestDefinition
    {
        return match ($name) {
            'soles-together' => Definition::solesTogether(),
            'shins-stacked' => Definition::shinsStacked(),
            'figure-four-lying' => Definition::figureFour(),
            'behind-back-reach' => Definition::reach(),
            PlantedHip::TEST => self::planted(),
            FrontShin::TEST => new TestDefinition(FrontShin::TEST, 'Front shin', 24, Formula::named('observation'), [],
                ['slant' => 'cm', 'hipGap' => 'cm'], [], 1.0, beside: ['hipGap']),
            default => Definition::frog(),
        };
    }

    public static function planted(): TestDefinition
    {
        return new TestDefinition(PlantedHip::TEST, 'Planted', 10, Formula::named('planted-foot'),
            ['flexion' => Bound::Exact], ['boneHeight' => 'cm', 'heelDistance' => 'cm', 'tuck' => 'degrees'], [], 2.0);
    }
}
