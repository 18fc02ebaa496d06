<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\MeasuredCapacity;
use LucidAscent\Core\Testing\ReadTests;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\ToolErrors;

/** What a person's tests come to, in the JSON shape that the command line and the pages share. */
final class CapacityAnswer
{
    /**
     * @param array<string, TestDefinition> $definitions by id
     *
     * @return array<string, mixed>
     *
     * @throws InvalidValue when the document has no body or no list of tests
     */
    public static function of(Fields $document, array $definitions): array
    {
        $proportions = PersonBody::of($document->object('body'));
        $today = $document->has('on') ? Day::of('on', $document->text('on')) : null;
        $tests = TestList::of($document->list('tests'), $proportions, $definitions, $today);
        $answer = [];
        $evidence = ReadTests::series($definitions, $tests->taken, $proportions, ToolErrors::usual());
        foreach (Side::cases() as $side) {
            $answer[$side->value] = (object) self::side(
                Capacities::of($evidence[$side->value], $proportions->error($side), $today),
            );
        }

        return $answer + ['unread' => $tests->unread];
    }

    /** @return array<string, array<string, mixed>> by ability */
    public static function side(Capacities $capacities): array
    {
        return array_map(self::capacity(...), $capacities->known);
    }

    /** @return array<string, mixed> */
    private static function capacity(MeasuredCapacity $capacity): array
    {
        return [
            'value' => $capacity->value,
            'error' => is_finite($capacity->error) ? $capacity->error : null,
            'bound' => $capacity->bound->value,
            'from' => $capacity->tests(),
            'unit' => $capacity->ability->unit(),
            'readings' => array_map(
                static fn (Evidence $e): array => [
                    'test' => $e->test,
                    'value' => $e->value,
                    'bound' => $e->bound->value,
                    'tool' => $e->tool->value,
                    'readingError' => is_finite($e->uncertainty->readingError())
                        ? $e->uncertainty->readingError()
                        : null,
                    'on' => $e->on?->format('Y-m-d'),
                ],
                $capacity->from,
            ),
        ] +
            ([] === $capacity->against
                ? []
                : [
                    'against' => array_values(
                        array_unique(array_map(static fn (Evidence $e): string => $e->test, $capacity->against)),
                    ),
                ]);
    }
}
