<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\UnreadableTest;

/** The tests of one person out of JSON, and what they show by side; one that cannot be read spoils no other. */
final readonly class TestList
{
    /** Beside a trial's readings stands how the person sat. */
    private const SITTING = ['seat', 'pelvicTilt'];

    /**
     * @param array<string, list<Evidence>> $evidence by side
     * @param list<array{test: string, side?: string, code: string, because: string}> $unread
     * @param list<array{TestDefinition, TakenTest}> $taken those that could be read
     */
    private function __construct(public array $evidence, public array $unread, public array $taken)
    {
    }

    /**
     * @param array<mixed> $tests
     * @param array<string, TestDefinition> $definitions by id
     * @param \DateTimeImmutable|null $today readings from after this day are not read
     */
    public static function of(array $tests, Proportions $proportions, array $definitions, ?\DateTimeImmutable $today = null): self
    {
        $evidence = ['left' => [], 'right' => []];
        $unread = [];
        $read = [];
        foreach ($tests as $test) {
            $name = is_array($test) && is_string($test['test'] ?? null) ? $test['test'] : '';
            $side = is_array($test) && is_string($test['side'] ?? null) ? ['side' => $test['side']] : [];
            try {
                $fields = Fields::of($test, 'test');
                $definition = $definitions[$fields->text('test')] ?? throw UnreadableTest::unknown($name);
                foreach (self::taken($fields, $definition, $today) as $taken) {
                    $shown = ReadTest::evidence($definition, $taken, $proportions->body($taken->side), ToolErrors::usual());
                    array_push($evidence[$taken->side->value], ...$shown);
                    $read[] = [$definition, $taken];
                }
            } catch (UnreadableTest $e) {
                $unread[] = ['test' => $name] + $side + ['code' => $e->because, 'because' => $e->getMessage()];
            } catch (InvalidValue $e) {
                $unread[] = ['test' => $name] + $side + ['code' => 'bad-input', 'because' => $e->getMessage()];
            }
        }

        return new self($evidence, $unread, $read);
    }

    /**
     * @return list<TakenTest> one a side
     *
     * @throws InvalidValue
     * @throws UnreadableTest
     */
    private static function taken(Fields $test, TestDefinition $definition, ?\DateTimeImmutable $today): array
    {
        [$trials, $sitting] = self::trials($test);
        $on = self::day($test);
        if (null !== $on && null !== $today && $on > $today) {
            throw UnreadableTest::because(sprintf('It was taken on %s, which has not been yet.', $on->format('Y-m-d')));
        }
        $sides = self::sides($test, $definition);

        return array_map(static fn (Side $side): TakenTest => new TakenTest(
            $definition->id,
            $side,
            self::tool($test, $trials),
            $trials,
            $test->texts('compensations'),
            PainFields::of($test),
            $on,
            $sitting,
            $test->has('resting') ? $test->flag('resting') : null,
        ), $sides);
    }

    /** @return list<Side> */
    private static function sides(Fields $test, TestDefinition $definition): array
    {
        $side = $definition->bothSides ? $test->text('side') : $test->text('side', 'both');

        return match (true) {
            'both' === $side, !$definition->bothSides => Side::cases(),
            default => [Side::tryFrom($side) ?? throw InvalidValue::because('side', 'must be left, right or both.')],
        };
    }

    /** @return array{non-empty-list<array<string, float>>, Sitting} */
    private static function trials(Fields $test): array
    {
        $trials = [];
        $sittings = [];
        foreach ($test->objects('trials') as $trial) {
            $read = [];
            foreach (array_diff($trial->names(), self::SITTING) as $name) {
                $read[$name] = $trial->number($name);
            }
            $trials[] = $read;
            $sittings[] = new Sitting(
                $trial->number('seat', $test->number('seat', 0.0)),
                $trial->number('pelvicTilt', $test->number('pelvicTilt', 0.0)),
            );
        }
        if ([] === $trials) {
            throw UnreadableTest::noTrial();
        }
        foreach ($sittings as $sitting) {
            if ($sitting->props() !== $sittings[0]->props()) {
                throw UnreadableTest::seatsDiffer();
            }
        }

        return [$trials, $sittings[0]];
    }

    /** @param list<array<string, float>> $trials */
    private static function tool(Fields $test, array $trials): Tool
    {
        $tool = $test->text('tool', isset($trials[0]['angle']) ? Tool::Inclinometer->value : Tool::Tape->value);

        return Tool::tryFrom($tool) ?? throw InvalidValue::because('tool', sprintf('"%s" is not known.', $tool));
    }

    private static function day(Fields $test): ?\DateTimeImmutable
    {
        return $test->has('on') ? Day::of('on', $test->text('on')) : null;
    }
}
