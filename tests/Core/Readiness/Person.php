<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Readiness\KnownPerson;
use LucidAscent\Core\Testing\Capacities;
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
     * @param list<Condition> $conditions
     */
    public static function of(array $trials, array $conditions = [], ?Proportions $proportions = null, string $on = '2026-03-10'): KnownPerson
    {
        $proportions ??= SampleBody::proportions();
        $taken = [];
        $evidence = ['left' => [], 'right' => []];
        foreach ($trials as $name => $read) {
            foreach (Side::cases() as $side) {
                $test = new TakenTest($name, $side, Tool::Tape, $read, on: new \DateTimeImmutable('2026-03-02'));
                $taken[] = $test;
                array_push($evidence[$side->value], ...ReadTest::evidence(self::definition($name), $test, $proportions->body($side), ToolErrors::usual()));
            }
        }

        return new KnownPerson($proportions, [
            'left' => Capacities::of($evidence['left'], $proportions->error(Side::Left)),
            'right' => Capacities::of($evidence['right'], $proportions->error(Side::Right)),
        ], ['left' => $conditions, 'right' => $conditions], $taken, new \DateTimeImmutable($on));
    }

    private static function definition(string $name): TestDefinition
    {
        return match ($name) {
            'soles-together' => Definition::solesTogether(),
            'shins-stacked' => Definition::shinsStacked(),
            'figure-four-lying' => Definition::figureFour(),
            default => Definition::frog(),
        };
    }
}
