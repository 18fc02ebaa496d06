<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;

/** How far a person goes in one ability on one side, and the readings that say so. */
final readonly class MeasuredCapacity
{
    private ?\DateTimeImmutable $on;
    /** @var list<string> */
    private array $tests;

    /**
     * @param float $value in the ability's unit
     * @param float $error one SD, body and readings together
     * @param non-empty-list<Evidence> $from what the value rests on
     * @param list<Evidence> $against readings that cannot be true together with it
     * @param list<string> $repeated the tests that have been read more than once in these days
     */
    private function __construct(
        public Ability $ability,
        public float $value,
        public float $error,
        public Bound $bound,
        public Uncertainty $uncertainty,
        public array $from,
        public array $against = [],
        private array $repeated = [],
        private ?self $beforeRaising = null,
    ) {
        // Every margin of every rung asks for these.
        $this->on = array_reduce(
            $from,
            static fn (?\DateTimeImmutable $newest, Evidence $e): ?\DateTimeImmutable => max($newest, $e->on),
        );
        $this->tests = array_values(array_unique(array_map(static fn (Evidence $e): string => $e->test, $from)));
    }

    /**
     * @param list<Evidence> $against readings that cannot be true together with it
     * @param list<string> $repeated the tests that have been read more than once in these days
     */
    public static function by(
        Evidence $e,
        Bound $bound,
        BodyError $body,
        array $against = [],
        array $repeated = [],
    ): self {
        return new self(
            $e->ability,
            $e->value,
            $e->uncertainty->error($body),
            $bound,
            $e->uncertainty,
            [$e],
            $against,
            $repeated,
        );
    }

    /** Raised to a lower bound that lies above it, within the errors of both. */
    public static function raised(self $exact, Evidence $to, BodyError $body): self
    {
        return new self(
            $to->ability,
            $to->value,
            $to->uncertainty->error($body),
            Bound::Exact,
            $to->uncertainty,
            [$to, ...$exact->from],
            $exact->against,
            $exact->repeated,
            $exact,
        );
    }

    /** No further than a word in writing lets it go: that is known exactly. */
    public function limitedTo(float $limit): self
    {
        return new self(
            $this->ability,
            $limit,
            0.0,
            Bound::Exact,
            Uncertainty::none(),
            $this->from,
            $this->against,
            $this->repeated,
        );
    }

    /** What the isolating tests alone say, when there were any; else all that is known. */
    public function isolating(): self
    {
        return $this->beforeRaising ?? $this;
    }

    /** The reading that is most likely wrong, where some cannot be true together: each is worth repeating once. */
    public function doubtful(BodyError $body): ?Evidence
    {
        if ([] === $this->against) {
            return null;
        }
        $readings = array_filter(
            [...$this->from, ...$this->against],
            fn (Evidence $e): bool => !in_array($e->test, $this->repeated, true),
        );
        usort(
            $readings,
            static fn (Evidence $a, Evidence $b): int => $b->uncertainty->error($body) <=>
                $a->uncertainty->error($body),
        );

        return $readings[0] ?? null;
    }

    /** When the newest reading under it was taken; null when no date is known. */
    public function on(): ?\DateTimeImmutable
    {
        return $this->on;
    }

    /** @return list<string> the tests that it rests on */
    public function tests(): array
    {
        return $this->tests;
    }
}
