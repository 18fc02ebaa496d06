<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\LegChain\Uncertainty;

/**
 * How far a person goes in one ability on one side, out of everything that was read of it.
 *
 * Clean readings of a test that isolates the ability count by their precision, those of the newest
 * assessment first. A lower bound of the same day or later that lies above them raises the figure;
 * beyond what noise explains it also says that the isolating test was not at its end, and the
 * figure is then a lower bound itself. Known by lower bounds alone, the highest of the newest day
 * stands.
 */
final readonly class MeasuredCapacity
{
    /**
     * @param float $value in the ability's unit
     * @param float $error one SD, body and readings together
     * @param non-empty-list<Evidence> $from what the value rests on
     * @param list<Evidence> $against readings that cannot be true together with it, but for a wider error
     */
    private function __construct(
        public Ability $ability,
        public float $value,
        public float $error,
        public Bound $bound,
        public Uncertainty $uncertainty,
        public array $from,
        public array $against = [],
        private ?self $beforeRaising = null,
    ) {
    }

    /** @param non-empty-list<Evidence> $evidence of one ability */
    public static function of(array $evidence, BodyError $body): self
    {
        $exact = self::newest(array_values(array_filter($evidence, static fn (Evidence $e): bool => Bound::Exact === $e->bound)));
        $bounds = array_values(array_filter($evidence, static fn (Evidence $e): bool => Bound::AtLeast === $e->bound));
        if ([] === $exact) {
            $bounds = self::newest($bounds);

            return self::bound(self::furthest([] === $bounds ? $evidence : $bounds), $body);
        }
        $weighed = self::weighed($exact, $body);
        $since = self::day($exact[0]);
        $later = array_values(array_filter($bounds, static fn (Evidence $e): bool => self::day($e) >= $since));
        if ([] === $later) {
            return $weighed;
        }
        $highest = self::furthest($later);
        if ($weighed->ability->compare($highest->value, $weighed->value) <= 0) {
            return $weighed;
        }
        $raised = self::bound($highest, $body);
        $noise = SmallestChange::between($weighed->uncertainty->minus($highest->uncertainty)->error($body));

        return abs($highest->value - $weighed->value) > $noise
            ? new self($raised->ability, $raised->value, $raised->error, Bound::AtLeast, $raised->uncertainty, $raised->from, $exact, $weighed)
            : new self($raised->ability, $raised->value, $raised->error, Bound::Exact, $raised->uncertainty, [...$raised->from, ...$exact], [], $weighed);
    }

    /** What the isolating tests alone say, when there were any; else all that is known. */
    public function isolating(): self
    {
        return $this->beforeRaising ?? $this;
    }

    /** When the newest reading under it was taken; null when no date is known. */
    public function on(): ?\DateTimeImmutable
    {
        return array_reduce($this->from, static fn (?\DateTimeImmutable $newest, Evidence $e): ?\DateTimeImmutable => max($newest, $e->on));
    }

    /** @return list<string> the tests that it rests on */
    public function tests(): array
    {
        return array_values(array_unique(array_map(static fn (Evidence $e): string => $e->test, $this->from)));
    }

    private static function bound(Evidence $e, BodyError $body): self
    {
        return new self($e->ability, $e->value, $e->uncertainty->error($body), Bound::AtLeast, $e->uncertainty, [$e]);
    }

    /**
     * Mean weighted by precision. Readings further apart than their errors explain are both kept, and
     * the error grows to reach them.
     *
     * @param non-empty-list<Evidence> $exact
     */
    private static function weighed(array $exact, BodyError $body): self
    {
        $errors = array_map(static fn (Evidence $e): float => $e->uncertainty->error($body), $exact);
        $finite = array_filter($errors, is_finite(...));
        $weights = array_map(static fn (float $sd): float => is_finite($sd) ? 1 / max($sd, 1e-6) ** 2 : ([] === $finite ? 1.0 : 0.0), $errors);
        $total = array_sum($weights);
        $value = 0.0;
        $uncertainty = Uncertainty::none();
        foreach ($exact as $i => $e) {
            if ($weights[$i] > 0.0) {
                $value += $weights[$i] / $total * $e->value;
                $uncertainty = $uncertainty->plus($e->uncertainty->times($weights[$i] / $total));
            }
        }
        $error = $uncertainty->error($body);
        $against = [];
        foreach ($exact as $e) {
            foreach ($exact as $other) {
                if (abs($e->value - $other->value) > SmallestChange::between($e->uncertainty->minus($other->uncertainty)->error($body))) {
                    $against[] = $e;
                    $wider = max($error, abs($e->value - $value));
                    $uncertainty = $uncertainty->plus(Uncertainty::ofReading(sqrt($wider ** 2 - $error ** 2), 'disagreement '.$e->test));
                    $error = $wider;
                    break;
                }
            }
        }

        return new self($exact[0]->ability, $value, $error, Bound::Exact, $uncertainty, $exact, $against);
    }

    /** @param non-empty-list<Evidence> $evidence */
    private static function furthest(array $evidence): Evidence
    {
        $furthest = $evidence[0];
        foreach ($evidence as $e) {
            if ($e->ability->compare($e->value, $furthest->value) > 0) {
                $furthest = $e;
            }
        }

        return $furthest;
    }

    /**
     * @param list<Evidence> $evidence
     *
     * @return list<Evidence> those of the newest day
     */
    private static function newest(array $evidence): array
    {
        $newest = [] === $evidence ? '' : max(array_map(self::day(...), $evidence));

        return array_values(array_filter($evidence, static fn (Evidence $e): bool => self::day($e) === $newest));
    }

    private static function day(Evidence $e): string
    {
        return $e->on?->format('Y-m-d') ?? '';
    }
}
