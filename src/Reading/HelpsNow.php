<?php

declare(strict_types=1);

namespace LucidAscent\App\Reading;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\Remedy;
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
    private function __construct(public string $posture, public string $name, public string $rung, public ?string $drill = null)
    {
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
        $postures = $drills = [];
        foreach ($remedies as $order => $remedy) {
            foreach ($catalogue->all(Kind::Posture) as $id => $posture) {
                if (in_array($remedy->value, $posture['remedies'] ?? [], true) && !isset($postures[$id]) && null !== ($now = $poses->of($id, $side)->stand()->rung)) {
                    $postures[$id] = [[$order, array_search($posture['level'] ?? '', PracticeLevel::names(), true), $posture['target'], count($postures)], new self($id, $posture['name'], $now->rung->name)];
                }
            }
            foreach ($catalogue->all(Kind::Drill) as $id => $drill) {
                [$at, $rung] = explode('/', $drill['uses'].'/');
                $shape = isset($poses->postures[$at]) ? $poses->shape($at, $rung, $side) : null;
                if (in_array($remedy->value, $drill['remedies'] ?? [], true) && !isset($drills[$id]) && true === $shape?->isOpen()) {
                    $drills[$id] = [[$order, count($drills)], new self($at, $drill['name'], $shape->reading->rung->name, $id)];
                }
            }
        }

        return [...self::first($postures, self::POSTURES), ...self::first($drills, self::DRILLS)];
    }

    /**
     * @param array<string, array{list<mixed>, self}> $found
     *
     * @return list<self>
     */
    private static function first(array $found, int $most): array
    {
        usort($found, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(static fn (array $one): self => $one[1], array_slice($found, 0, $most));
    }
}
