<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\UnreadableTest;

/** The tests of one person out of JSON, as entries of a history; one that cannot be read spoils no other. */
final class TestList
{
    /** Beside a trial's readings stands how the person sat. */
    private const SITTING = ['seat', 'pelvicTilt'];

    /** @var list<array<string, string>> */
    public array $unread = [];
    /** @var list<TakenTest> those that could be read */
    public array $taken = [];
    /** @var list<TestTaken|PainTold> those, and what was said of pain, in those that could not be read as well */
    public array $entries = [];

    /**
     * @param array<string, TestDefinition> $definitions by id
     * @param \DateTimeImmutable $today a test without a day is of this one
     * @param bool $hasDay whether readings from after this day are to be refused
     */
    private function __construct(
        private readonly Proportions $proportions,
        private readonly array $definitions,
        private readonly \DateTimeImmutable $today,
        private readonly bool $hasDay,
    ) {
    }

    /**
     * @param array<mixed> $tests
     * @param array<string, TestDefinition> $definitions by id
     * @param \DateTimeImmutable|null $today readings from after this day are not read
     */
    public static function of(
        array $tests,
        Proportions $proportions,
        array $definitions,
        ?\DateTimeImmutable $today = null,
    ): self {
        $list = new self($proportions, $definitions, $today ?? new \DateTimeImmutable('@0'), null !== $today);
        foreach (array_values($tests) as $i => $test) {
            $list->add($i, $test);
        }

        return $list;
    }

    private function add(int $i, mixed $test): void
    {
        $name = Fields::textIn($test, 'test');
        $side = is_array($test) && is_string($test['side'] ?? null) ? $test['side'] : null;
        $said = ['test' => $name] + (null === $side ? [] : ['side' => $side]);
        $definition = $this->definitions[$name] ?? null;
        $id = Fields::textIn($test, 'id', "tests[$i]");
        $pains = is_array($test) ? PainFields::everywhere($test) : PainFields::inUnreadable(FreeWords::without($test));
        $on = is_array($test) && is_string($test['on'] ?? null) ? self::dayOr($test['on'], $this->today) : $this->today;
        foreach ($pains as $pain) {
            foreach (self::painSides($side, $definition) as $one) {
                $this->entries[] = new PainTold($id, min($on, $this->today), $on, $pain, $one, $definition?->work);
            }
        }
        $pain = $pains[0] ?? Pain::none();
        try {
            $fields = Fields::of($test, 'test');
            $definition ??= throw UnreadableTest::unknown($fields->text('test'));
            foreach ($this->read($fields, $definition, $pain, $id) as $taken) {
                if (
                    !$definition->formula->is(Formula::OBSERVATION)
                    || (!$definition->isWatched() && !isset($definition->measured['kneeHeight']))
                ) {
                    // Whoever cannot be read says so now.
                    ReadTest::evidence(
                        $definition,
                        $taken,
                        $this->proportions->body($taken->side),
                        ToolErrors::usual(),
                    );
                }
                $this->taken[] = $taken;
                $this->entries[] = new TestTaken($id, min($on, $this->today), $on, '', $id, $taken);
                if (!$taken->isClean()) {
                    $this->unread[] = [
                        'test' => $name,
                        'side' => $taken->side->value,
                        'code' => [] === $taken->compensations ? 'painful' : 'compensated',
                        'because' => 'It was kept, and proves nothing: take a clean one.',
                    ];
                }
            }
        } catch (UnreadableTest $e) {
            $this->unread[] = $said + ['code' => $e->because, 'because' => $e->getMessage().self::held($pains)];
        } catch (InvalidValue $e) {
            $this->unread[] = $said + ['code' => 'bad-input', 'because' => $e->getMessage().self::held($pains)];
        }
    }

    /**
     * @return list<TakenTest> one a side
     *
     * @throws InvalidValue
     * @throws UnreadableTest
     */
    private function read(Fields $test, TestDefinition $definition, Pain $pain, string $id): array
    {
        [$trials, $sitting] = self::trials($test);
        $on = $test->has('on') ? Day::of('on', $test->text('on')) : ($this->hasDay ? $this->today : null);
        if ($this->hasDay && null !== $on && $on > $this->today) {
            throw UnreadableTest::because(sprintf('It was taken on %s, which has not been yet.', $on->format('Y-m-d')));
        }

        return array_map(
            static fn (Side $side): TakenTest => (new TakenTest(
                $definition->id,
                $side,
                self::tool($test, $trials),
                $trials,
                $test->texts('compensations'),
                $pain,
                $on,
                $sitting,
                $test->has('resting') ? $test->flag('resting') : null,
                isWarm: $test->has('warm') ? $test->flag('warm') : null,
                id: "$id $side->value",
            ))->check(),
            self::sides($test, $definition),
        );
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

    /** @return list<Side|null> where pain was said; null when no side can be told */
    private static function painSides(?string $side, ?TestDefinition $definition): array
    {
        return match (true) {
            'both' === $side, null !== $definition && !$definition->bothSides => Side::cases(),
            default => [Side::tryFrom((string) $side)],
        };
    }

    /** @return array{non-empty-list<array<string, float>>, Sitting} */
    private static function trials(Fields $test): array
    {
        $trials = [];
        $sittings = [];
        foreach ($test->objects('trials') as $trial) {
            $read = [];
            foreach (array_diff($trial->names(), [...self::SITTING, 'pain']) as $name) {
                if (1 !== preg_match('/^[a-zA-Z]+$/', $name)) {
                    throw InvalidValue::because('trials', 'name what was read with a word.');
                }
                $read[$name] = is_bool($trial->raw($name)) ? (float) $trial->raw($name) : $trial->number($name);
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

    private static function dayOr(string $text, \DateTimeImmutable $else): \DateTimeImmutable
    {
        try {
            return Day::of('on', $text);
        } catch (InvalidValue) {
            return $else;
        }
    }

    /** @param list<Pain> $pains */
    private static function held(array $pains): string
    {
        return [] === $pains ? '' : ' What it says of pain holds all the same.';
    }
}
