<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Plan\Stage;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;

/** What the catalogue has for a finding, as far as this side may practise it today. */
final readonly class HelpsNow
{
    /** So many of each kind: a choice, no list of all there is. */
    private const POSTURES = 4;
    private const DRILLS = 3;

    /**
     * @param string $posture whose rung it is, and whose page tells more
     * @param string $rung its name
     * @param string|null $drill its id, where it is one
     */
    private function __construct(
        public string $posture,
        public string $name,
        public string $rung,
        public ?string $drill = null,
    ) {
    }

    /**
     * What is for everyone stands before what needs practice, and for the first remedy before the second.
     *
     * @param list<Remedy> $remedies
     *
     * @return list<self>
     */
    public static function of(array $remedies, Catalogue $catalogue, ReadPoses $poses, Side $side): array
    {
        // Put in order before anything is read: only the first that may be practised are.
        $postures = $drills = [];
        foreach ($remedies as $order => $remedy) {
            foreach ($catalogue->all(Kind::Posture) as $id => $posture) {
                if (in_array($remedy->value, $posture['remedies'] ?? [], true)) {
                    $postures[$id] ??= [
                        $order,
                        PracticeLevel::place($posture['level'] ?? ''),
                        $posture['target'],
                        count($postures),
                    ];
                }
            }
            foreach ($catalogue->all(Kind::Drill) as $id => $drill) {
                if (in_array($remedy->value, $drill['remedies'] ?? [], true)) {
                    $drills[$id] ??= [$order, count($drills)];
                }
            }
        }

        return [
            ...self::first($postures, self::POSTURES, static function (string $id) use (
                $catalogue,
                $poses,
                $side,
            ): ?self {
                $now = Stage::ofBoth($id, $poses, $catalogue->practiceRungs(), Equipment::ofAStudio())[$side->value];

                return null === $now ? null : new self($id, $poses->postures[$id]->name, $now->rung->name);
            }),
            ...self::first($drills, self::DRILLS, static function (string $id) use ($catalogue, $poses, $side): ?self {
                $drill = $catalogue->entry(Kind::Drill, $id) ?? [];
                [$at, $rung] = explode('/', ($drill['uses'] ?? '').'/');

                return May::practise($poses, $at, $rung, $side)->isYes()
                    ? new self($at, $drill['name'], $poses->shape($at, $rung, $side)->reading->rung->name ?? '', $id)
                    : null;
            }),
        ];
    }

    /**
     * @param array<string, list<mixed>> $order by id
     * @param \Closure(string): ?self $now what there is of one today; null when it may not be practised
     *
     * @return list<self>
     */
    private static function first(array $order, int $most, \Closure $now): array
    {
        asort($order);
        $found = [];
        foreach (array_keys($order) as $id) {
            if (count($found) === $most) {
                break;
            }
            $one = $now($id);
            if (null !== $one) {
                $found[] = $one;
            }
        }

        return $found;
    }
}
