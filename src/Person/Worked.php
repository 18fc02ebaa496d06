<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Plan\PractisedMinutes;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Progress\WhatWorked;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;

/**
 * Hours of each kind of work against what was read, ability by ability: of one person, or of many together.
 *
 * @phpstan-import-type Practised from PractisedMinutes
 */
final class Worked
{
    private const MINUTES = 60.0;
    private const DAY = 86400.0;

    /**
     * @var array<string, list<list<array{day: float, value: float, sd: float, hours: array<string, float>}>>> by
     *     ability
     */
    private array $series = [];
    /** @var array<string, array<string, float>> hours of each kind by ability */
    private array $hours = [];

    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    /**
     * @param array{left: list<Evidence>, right: list<Evidence>} $evidence all that was ever read of somebody
     * @param list<Practised> $practised
     */
    public function add(array $evidence, array $practised): void
    {
        foreach ($evidence as $side => $readings) {
            foreach (Ability::cases() as $ability) {
                $of = array_values(
                    array_filter(
                        $practised,
                        static fn (array $item): bool => $item['side'] === Side::from($side)
                            && in_array($ability, $item['abilities'], true),
                    ),
                );
                $exact = array_values(
                    array_filter(
                        $readings,
                        static fn (Evidence $one): bool => $one->ability === $ability
                            && Bound::Exact === $one->bound
                            && null !== $one->on,
                    ),
                );
                if ([] === $of || [] === $exact) {
                    continue;
                }
                foreach ($of as $item) {
                    $this->hours[$ability->value][$item['kind']] =
                        ($this->hours[$ability->value][$item['kind']] ?? 0.0) + $item['minutes'] / self::MINUTES;
                }
                // Readings of one set-up alone: what others read besides is no work's doing.
                foreach (self::bySetUp($exact) as $alike) {
                    $this->series[$ability->value][] = array_map(
                        static fn (Evidence $reading): array => [
                            'day' => (float) $reading->on?->getTimestamp() / self::DAY,
                            'value' => $ability->turn() * $reading->value,
                            'sd' => max(1e-3, $reading->uncertainty->readingError()),
                            'hours' => self::until((string) $reading->on?->format('Y-m-d'), $of),
                        ],
                        $alike,
                    );
                }
            }
        }
    }

    /**
     * @return list<array{ability: string, unit: string, kinds: list<array{name: string, hours: float}>,
     *     told: array<string, array{perHour: float, low: float, high: float}>}>
     */
    public function all(): array
    {
        $names = $this->catalogue->names(Kind::Posture) + $this->catalogue->names(Kind::Drill);
        $all = [];
        foreach ($this->hours as $ability => $hours) {
            arsort($hours);
            $told = WhatWorked::of($this->series[$ability] ?? [])?->told() ?? [];
            $all[] = [
                'ability' => $ability,
                'unit' => Ability::from($ability)->unit(),
                'kinds' => array_map(
                    static fn (string $kind, float $many): array => [
                        'name' => $names[$kind] ?? $kind,
                        'hours' => $many,
                    ],
                    array_keys($hours),
                    $hours,
                ),
                'told' => array_combine(
                    array_map(static fn (string $kind): string => $names[$kind] ?? $kind, array_keys($told)),
                    $told,
                ),
            ];
        }

        return $all;
    }

    /**
     * @param list<Evidence> $exact
     *
     * @return array<string, list<Evidence>>
     */
    private static function bySetUp(array $exact): array
    {
        $by = [];
        foreach ($exact as $one) {
            $by[$one->setUp()][] = $one;
        }

        return $by;
    }

    /**
     * @param list<Practised> $practised
     *
     * @return array<string, float> hours of each kind before a day
     */
    private static function until(string $day, array $practised): array
    {
        $hours = [];
        foreach ($practised as $item) {
            if ($item['on'] < $day) {
                $hours[$item['kind']] = ($hours[$item['kind']] ?? 0.0) + $item['minutes'] / self::MINUTES;
            }
        }

        return $hours;
    }
}
