<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\Route;

/** Where each posture of some routes goes on paper: terraces, the ground below, the wanted poses on top. */
final readonly class RouteMap
{
    public const WIDTH = 190;
    public const HEIGHT = 132;
    private const GAP = 26;
    private const STEP = 180;

    /**
     * @param list<array{id: string, name: string, x: int, y: int, left: State, right: State, wanted: bool,
     *     frontier: bool, keystone: bool}> $nodes
     * @param list<array{points: list<array{int, int}>, isHelp: bool}> $edges
     */
    private function __construct(public array $nodes, public array $edges, public int $width, public int $height)
    {
    }

    /** @param list<Route> $routes */
    public static function of(array $routes, ReadPoses $poses, ?Keystone $keystone): self
    {
        $helps = array_values(
            array_unique(array_merge(...array_map(static fn (Route $route): array => $route->helps, $routes))),
        );
        $needed = array_values(
            array_unique(array_merge(...array_map(static fn (Route $route): array => $route->all, $routes))),
        );
        $helps = array_values(array_diff($helps, $needed));
        $all = [...$helps, ...$needed];
        $before = array_combine(
            $all,
            array_map(
                static fn (string $id): array => in_array($id, $helps, true)
                    ? []
                    : [...$poses->postures[$id]->needs, ...array_intersect($poses->postures[$id]->preparedBy, $helps)],
                $all,
            ),
        );
        $level = [];
        foreach ($all as $id) {
            $below = array_map(static fn (string $one): int => $level[$one] ?? -1, $before[$id]);
            $level[$id] = 1 + max([-1, ...$below]);
        }
        $rows = [];
        foreach ($all as $id) {
            $rows[$level[$id]][] = $id;
        }
        ksort($rows);
        $widest = max([1, ...array_map(count(...), $rows)]);
        $width = $widest * (self::WIDTH + self::GAP) + self::GAP;
        $height = count($rows) * self::STEP + self::GAP;
        $wanted = array_map(static fn (Route $route): string => $route->wanted, $routes);
        $frontier = array_merge($helps, ...array_map(static fn (Route $route): array => $route->frontier, $routes));
        $nodes = $place = [];
        foreach ($rows as $depth => $ids) {
            $indent = ($width - count($ids) * (self::WIDTH + self::GAP) + self::GAP) / 2;
            foreach ($ids as $i => $id) {
                $place[$id] = [(int) ($indent + $i * (self::WIDTH + self::GAP)), $height - ($depth + 1) * self::STEP];
                $nodes[] = [
                    'id' => $id,
                    'name' => $poses->postures[$id]->name,
                    'x' => $place[$id][0],
                    'y' => $place[$id][1],
                    'left' => $poses->of($id, Side::Left)->state(),
                    'right' => $poses->of($id, Side::Right)->state(),
                    'wanted' => in_array($id, $wanted, true),
                    'frontier' => in_array($id, $frontier, true),
                    'keystone' => null !== $keystone && in_array($id, $keystone->opens, true),
                ];
            }
        }
        $edges = [];
        foreach ($all as $id) {
            foreach ($before[$id] as $need) {
                if (isset($place[$need])) {
                    $edges[] = [
                        'isHelp' => in_array($need, $helps, true),
                        'points' => self::edge(
                            $place[$need],
                            $place[$id],
                            array_map(
                                static fn (array $ids): array => array_map(
                                    static fn (string $one): array => $place[$one],
                                    $ids,
                                ),
                                array_slice($rows, $level[$need] + 1, $level[$id] - $level[$need] - 1),
                            ),
                        ),
                    ];
                }
            }
        }

        return new self($nodes, $edges, $width, $height);
    }

    /**
     * A line from one terrace up to another, through the gaps of those in between.
     *
     * @param array{int, int} $from upper left corner of the lower one
     * @param array{int, int} $to of the upper one
     * @param list<list<array{int, int}>> $between the terraces of each row that it passes, from the ground up
     *
     * @return list<array{int, int}> its points
     */
    private static function edge(array $from, array $to, array $between): array
    {
        $x = $from[0] + intdiv(self::WIDTH, 2);
        $goal = $to[0] + intdiv(self::WIDTH, 2);
        $points = [[$x, $from[1]]];
        foreach ($between as $row) {
            $gaps = [$row[0][0] - intdiv(self::GAP, 2)];
            foreach ($row as [$left]) {
                $gaps[] = $left + self::WIDTH + intdiv(self::GAP, 2);
            }
            usort(
                $gaps,
                static fn (int $a, int $b): int => abs($a - $x) + abs($a - $goal) <=> abs($b - $x) + abs($b - $goal),
            );
            $x = $gaps[0];
            array_push($points, [$x, $row[0][1] + self::HEIGHT + 8], [$x, $row[0][1] - 8]);
        }
        $points[] = [$goal, $to[1] + self::HEIGHT];

        return $points;
    }
}
