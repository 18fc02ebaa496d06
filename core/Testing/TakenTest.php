<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\LegChain\Sitting;

/** One test of one side, as it was taken down. Lengths in cm, angles in degrees, times in seconds. */
final class TakenTest
{
    /** Beyond this no tape was held to a person, in cm. */
    public const FURTHEST = 250.0;
    /** Nor was anything held for longer than this, in seconds. */
    public const LONGEST = 3600.0;

    /**
     * @param non-empty-list<array<string, float>> $trials what was read, by name, once per trial
     * @param list<string> $compensations
     * @param bool|null $resting whether the leg came to rest on something, so that it could not have gone further;
     *     null when nobody said
     * @param array<string, float> $ownErrors one SD of a value where its tool gave one with the reading, by name
     * @param bool|null $isWarm whether the body had been moved before; null when nobody said
     * @param bool $isWatched whether a teacher was there: at home nobody sees whether it was taken as it should be
     * @param string $id under which it was written down; empty where it was not: then the same numbers are the same
     *                   test
     */
    public function __construct(
        public readonly string $test,
        public readonly Side $side,
        public readonly Tool $tool,
        public readonly array $trials,
        public readonly array $compensations = [],
        public readonly Pain $pain = new Pain(0, PainPlace::None),
        public readonly ?\DateTimeImmutable $on = null,
        public readonly Sitting $sitting = new Sitting(),
        public readonly ?bool $resting = null,
        public readonly array $ownErrors = [],
        public readonly ?\DateTimeImmutable $at = null,
        public readonly ?bool $isWarm = null,
        public readonly string $id = '',
        public readonly bool $isWatched = true,
    ) {
    }

    /**
     * What is on record stands whatever it says, and proves nothing if nobody can have read it.
     *
     * @throws InvalidValue when a number can have been read of nobody
     */
    public function check(): self
    {
        foreach ($this->trials as $trial) {
            foreach ($trial as $name => $value) {
                'seconds' === $name
                    ? Check::within($name, $value, 0.0, self::LONGEST, 's')
                    : Check::within($name, $value, -self::FURTHEST, self::FURTHEST, '');
            }
        }

        foreach ($this->ownErrors as $name => $sd) {
            Check::within($name, $sd, 0.0, self::FURTHEST, '');
        }

        return $this;
    }

    /** What tells this test from any other that was taken: its readings are new, and err by themselves. */
    public function name(): string
    {
        return $this->test.
            ' '.
            ('' !== $this->id ? $this->id : md5(serialize([$this->side, $this->trials, $this->on, $this->at])));
    }

    /**
     * The same, as of another day: a correction is of the day of what it corrects, and was watched if that was.
     */
    public function as(\DateTimeImmutable $on, bool $isWatched): self
    {
        return new self(
            $this->test,
            $this->side,
            $this->tool,
            $this->trials,
            $this->compensations,
            $this->pain,
            $on,
            $this->sitting,
            $this->resting,
            $this->ownErrors,
            null === $this->at ? null : $on,
            $this->isWarm,
            $this->id,
            $isWatched,
        );
    }

    public function isClean(): bool
    {
        return self::provesSomething($this->compensations, $this->pain);
    }

    /**
     * Whether a test that was taken so proves anything: nothing that compensates, and no pain but a stretch that nobody
     * minds.
     *
     * @param list<string> $compensations
     */
    public static function provesSomething(array $compensations, Pain $pain): bool
    {
        return [] === $compensations && !$pain->spoils();
    }

    /** @throws InvalidValue when a trial lacks it */
    public function measure(string $name): RepeatedMeasure
    {
        return new RepeatedMeasure(
            array_map(
                static fn (array $trial): float => $trial[$name] ?? throw InvalidValue::missing($name),
                $this->trials,
            ),
        );
    }

    public function has(string $name): bool
    {
        foreach ($this->trials as $trial) {
            if (!isset($trial[$name])) {
                return false;
            }
        }

        return true;
    }
}
