<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegAngles;

/** Everything that is known of one side, by ability; what nobody read is not in it. */
final class Capacities
{
    /**
     * Hip flexion that is taken for granted until somebody reads it, in degrees: Soucie et al., Haemophilia (2011), men
     * of 20 to 44, from memory.
     */
    public const FLEXION_TAKEN = 130.0;

    /**
     * How far a leg is taken to go where nothing exact is known, in degrees: a lower bound is no limit, and
     * something has to be. All but flexion are this product's own.
     */
    private const FURTHEST = [
        'flexion' => 150.0,
        'abduction' => 80.0,
        'rotation' => 130.0,
        'kneeFlexion' => 160.0,
    ];

    private ?Capacity $leg = null;
    private ?Capacity $limits = null;

    /**
     * @param array<string, MeasuredCapacity> $known by ability
     * @param array<string, AbilityReadings> $readings by ability
     * @param array<string, float> $allowed degrees by ability
     */
    private function __construct(
        public readonly array $known,
        private readonly array $readings,
        private readonly array $allowed,
    ) {
    }

    /**
     * @param iterable<Evidence> $evidence of one side
     * @param \DateTimeImmutable|null $now the day on which it is asked; null when no reading is too old
     * @param array<string, float> $limits degrees by ability beyond which somebody's word lets nothing count, whatever
     *     was read
     */
    public static function of(
        iterable $evidence,
        BodyError $body,
        ?\DateTimeImmutable $now = null,
        array $limits = [],
    ): self {
        $by = [];
        foreach ($evidence as $e) {
            $by[$e->ability->value][] = $e;
        }
        $known = $readings = [];
        foreach (Ability::cases() as $ability) {
            if (isset($by[$ability->value])) {
                $readings[$ability->value] = new AbilityReadings(
                    null === $now ? $by[$ability->value] : self::fresh($by[$ability->value], $now),
                    $body,
                );
                $known[$ability->value] = self::cut($readings[$ability->value]->capacity(), $limits);
            }
        }

        return new self($known, $readings, $limits);
    }

    /** @param array<string, float> $limits degrees by ability */
    private static function cut(MeasuredCapacity $known, array $limits): MeasuredCapacity
    {
        $limit = $limits[$known->ability->value] ?? INF;

        return $limit < $known->value ? $known->limitedTo($limit) : $known;
    }

    /**
     * What is not too old; or, of an ability that nobody has read for so long, what was read in as many days
     * before it last was, so that a page can say what it was then.
     *
     * @param non-empty-list<Evidence> $evidence
     *
     * @return non-empty-list<Evidence>
     */
    private static function fresh(array $evidence, \DateTimeImmutable $now): array
    {
        $last = max(array_map(static fn (Evidence $e): \DateTimeImmutable => $e->on ?? $now, $evidence));
        foreach ([$now, $last] as $day) {
            $fresh = array_values(
                array_filter(
                    $evidence,
                    static fn (Evidence $e): bool => null === $e->on
                        || Day::between($e->on, $day) <= Evidence::DAYS_VALID,
                ),
            );
            if ([] !== $fresh) {
                return $fresh;
            }
        }

        return $evidence;
    }

    public function get(Ability $ability): ?MeasuredCapacity
    {
        return $this->known[$ability->value] ?? null;
    }

    /** As it is known for one position: of readings that agree the nearest decides. */
    public function near(Ability $ability, LegAngles $wanted): ?MeasuredCapacity
    {
        $readings = $this->readings[$ability->value] ?? null;

        return true === $readings?->dependsOnPosition()
            ? self::cut($readings->capacity($wanted), $this->allowed)
            : $this->get($ability);
    }

    /** Whether an isolating test has read it. */
    public function isIsolated(Ability $ability): bool
    {
        return true === ($this->readings[$ability->value] ?? null)?->isIsolated;
    }

    /**
     * What really limits this leg: what was read exactly; a component known as a lower bound or not at
     * all goes as far as any leg does. A shortage that shows even so is a shortage for sure.
     */
    public function limitsOfLeg(): Capacity
    {
        return $this->limits ??= $this->asLimits();
    }

    private function asLimits(): Capacity
    {
        $of = function (Component $component): float {
            $known = $this->get(Ability::ofComponent($component));
            $furthest = match (true) {
                null === $known => self::FURTHEST[$component->value],
                Bound::Exact === $known->bound => $known->value,
                default => max(self::FURTHEST[$component->value], $known->value),
            };

            return min($furthest, $this->allowed[$component->value] ?? $furthest);
        };

        return new Capacity(
            $of(Component::Flexion),
            $of(Component::Abduction),
            $of(Component::ExternalRotation),
            $of(Component::KneeFlexion),
        );
    }

    /** Whether all four angles of the leg are known exactly. */
    public function isLegExact(): bool
    {
        foreach (Component::cases() as $component) {
            if (Bound::Exact !== $this->get(Ability::ofComponent($component))?->bound) {
                return false;
            }
        }

        return true;
    }

    /** As the leg chain takes it: a component that was not read sets no limit. */
    public function ofLeg(): Capacity
    {
        return $this->leg ??= $this->asLeg();
    }

    private function asLeg(): Capacity
    {
        $of = fn (Component $component): ?float => $this->get(Ability::ofComponent($component))->value ??
            $this->allowed[$component->value] ?? null;

        return new Capacity(
            $of(Component::Flexion),
            $of(Component::Abduction),
            $of(Component::ExternalRotation),
            $of(Component::KneeFlexion),
        );
    }

    /** What was shown, as the height of a block is reckoned by it: nobody has to show flexion first. */
    public function shown(): ?Capacity
    {
        $leg = $this->ofLeg();
        if (null === $leg->rotation) {
            return null;
        }
        $flexion = $this->get(Ability::Flexion);
        $taken =
            null !== $flexion && Bound::Exact === $flexion->bound
                ? $flexion->value
                : max(self::FLEXION_TAKEN, $leg->flexion ?? 0.0);

        return new Capacity(
            min($taken, $this->allowed[Ability::Flexion->value] ?? $taken),
            $leg->abduction,
            $leg->rotation,
        );
    }
}
