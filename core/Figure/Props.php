<?php

declare(strict_types=1);

namespace LucidAscent\Core\Figure;

use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Vector;

/** The props of a pose as they stand there: under, behind or between the parts that the catalogue says they are at. */
final readonly class Props
{
    /** What has no height worth drawing, in cm. */
    private const THIN = 0.8;
    private const WALL = 2.0;
    /** A hand above this stands on nothing, in cm. */
    private const REACHED = 34.0;

    private function __construct(private Figure $figure)
    {
    }

    /**
     * @param list<array{at: string, what: string}> $props where each lies, and what one has at home for it: "block",
     *     "wall"
     *
     * @return list<Solid>
     */
    public static function of(Figure $figure, array $props): array
    {
        $around = new self($figure);
        $solids = [];
        foreach ($props as $prop) {
            array_push($solids, ...$around->solids($prop['at'], "{$prop['at']}-{$prop['what']}"));
        }

        return $solids;
    }

    /** @return list<Solid> */
    private function solids(string $at, string $what): array
    {
        $body = $this->figure->physique;
        $hip = $body->leg($this->figure->working)->seatedHipHeight;

        return match ($at) {
            'seat' => $this->under($what, [$this->figure->point('pelvis')], $hip, 15.0, 19.0, -2.0),
            'chair-seat' => $this->under($what, [$this->figure->point('pelvis')], $hip, 22.0, 22.0, 4.0),
            'pelvis' => $this->under(
                $what,
                [$this->figure->point('pelvis')],
                $body->leg($this->figure->working)->lyingHipHeight,
                8.0,
                12.0,
            ),
            'hip' => $this->under($what, [$this->at('hip')], $hip, 10.0, 10.0),
            'thigh' => $this->under($what, [$this->at('thigh')], $body->thickness('thigh'), 9.0, 8.0),
            'knee' => $this->under($what, [$this->at('knee')], (float) LegChain::HALF_KNEE, 6.0, 7.0),
            'other-knee' => $this->under($what, [$this->at('other-knee')], (float) LegChain::HALF_KNEE, 8.0, 8.0),
            'knees' => [
                ...$this->under($what, [$this->at('knee')], (float) LegChain::HALF_KNEE, 8.0, 8.0),
                ...$this->under($what, [$this->at('other-knee')], (float) LegChain::HALF_KNEE, 8.0, 8.0),
            ],
            'shin' => $this->under($what, [$this->at('shin')], $body->thickness('shin'), 10.0, 20.0),
            'shins' => $this->under($what, [$this->figure->point('pelvis')], $hip, 22.0, 8.0),
            'heels' => [
                ...$this->under($what, [$this->at('heel')], $body->thickness('heel'), 6.0, 5.0),
                ...$this->under($what, [$this->at('other-heel')], $body->thickness('heel'), 6.0, 5.0),
            ],
            'foot' => $this->under($what, [$this->at('heel')], $body->thickness('heel'), 18.0, 18.0),
            'hands', 'forearms' => array_merge(
                ...array_map(
                    fn (string $wrist): array => $this->at($wrist)->z < self::REACHED
                        ? $this->under($what, [$this->at($wrist)], 2.5, 8.0, 5.0, 3.0)
                        : [],
                    ['wrist', 'other-wrist'],
                ),
            ),
            'chest' => $this->under(
                $what,
                [$this->figure->point('chest'), $this->figure->point('neck')],
                $body->radii('waist')[1] * 0.9,
                16.0,
                11.0,
            ),
            'head' => $this->under($what, [$this->figure->point('head')], $body->radii('head')[0] * 0.95, 9.0, 11.0),
            'back' => $this->under(
                $what,
                [$this->figure->point('waist'), $this->figure->point('head')],
                $body->radii('waist')[0] * 0.8,
                14.0,
                11.0,
            ),
            'feet' => [$this->wall($what, $this->furthestFoot() + 3.0)],
            'ahead' => str_ends_with($what, 'wall')
                ? [$this->wall($what, $this->reach(1.0) + 2.5)]
                : $this->chair($what),
            'behind' => [$this->wall($what, $this->reach(-1.0) - self::WALL)],
            'beside' => [$this->besides($what)],
            'between-hands', 'held-wide' => [Solid::strap($what, $this->at('hand'), $this->at('other-hand'))],
            'hand-to-foot' => $this->straps($what, 'foot'),
            'hand-to-thigh' => $this->straps($what, 'other-thigh'),
            default => [],
        };
    }

    /**
     * A box on the floor, as high as what lies on it leaves room for.
     *
     * @param non-empty-list<Vector> $over
     *
     * @return list<Solid>
     */
    private function under(
        string $what,
        array $over,
        float $thickness,
        float $halfLong,
        float $halfWide,
        float $ahead = 0.0,
    ): array {
        $low = $high = $over[0];
        foreach ($over as $point) {
            $low = new Vector(min($low->x, $point->x), min($low->y, $point->y), min($low->z, $point->z));
            $high = new Vector(max($high->x, $point->x), max($high->y, $point->y), $high->z);
        }
        $top = $low->z - $thickness;

        return $top < self::THIN
            ? []
            : [
                Solid::box(
                    $what,
                    new Vector($low->x - $halfLong + $ahead, $low->y - $halfWide, 0.0),
                    new Vector($high->x + $halfLong + $ahead, $high->y + $halfWide, $top),
                ),
            ];
    }

    /** How far ahead a foot stands or hangs, whichever of the two does, in cm along x. */
    private function furthestFoot(): float
    {
        return max(
            array_map(
                fn (string $name): float => $this->at($name)->x,
                ['toe', 'heel', 'ankle', 'other-toe', 'other-heel', 'other-ankle'],
            ),
        );
    }

    private function wall(string $what, float $x): Solid
    {
        [$from, $to] = $this->extent(static fn (Vector $p): float => $p->y);
        [, $top] = $this->extent(static fn (Vector $p): float => $p->z);

        return Solid::box(
            $what,
            new Vector($x, $from - 12.0, 0.0),
            new Vector($x + self::WALL, $to + 12.0, $top + 14.0),
        );
    }

    /** On the side that does not work. */
    private function besides(string $what): Solid
    {
        $sign = $this->at('hip')->y > 0.0 ? 1.0 : -1.0;
        [$least] = $this->extent(static fn (Vector $p): float => $sign * $p->y);
        [$back, $front] = $this->extent(static fn (Vector $p): float => $p->x);
        [, $top] = $this->extent(static fn (Vector $p): float => $p->z);
        $near = $sign * ($least - 3.0);
        $far = $near - $sign * self::WALL;

        return Solid::box(
            $what,
            new Vector($back - 10.0, min($near, $far), 0.0),
            new Vector($front + 10.0, max($near, $far), $top + 8.0),
        );
    }

    /**
     * @param callable(Vector): float $along
     *
     * @return array{float, float} the least and the most of all points
     */
    private function extent(callable $along): array
    {
        $least = INF;
        $most = -INF;
        foreach ($this->figure->points as $point) {
            $least = min($least, $along($point));
            $most = max($most, $along($point));
        }

        return [$least, $most];
    }

    /** @return list<Solid> */
    private function chair(string $what): array
    {
        $hand = $this->at('wrist');
        $middle = ($hand->y + $this->at('other-wrist')->y) / 2.0;
        $top = min($hand->z, $this->at('other-wrist')->z) - 2.0;

        return $top < self::THIN
            ? []
            : [
                Solid::box(
                    $what,
                    new Vector($hand->x - 4.0, $middle - 20.0, 0.0),
                    new Vector($hand->x + 36.0, $middle + 20.0, $top),
                ),
            ];
    }

    /** @return list<Solid> from the hands that are free for it */
    private function straps(string $what, string $to): array
    {
        $straps = [];
        foreach ($this->figure->strapped as $hand) {
            $hand = $this->figure->point($hand);
            $ends = array_map($this->at(...), 'foot' === $to ? ['foot', 'other-foot'] : [$to]);
            usort(
                $ends,
                static fn (Vector $a, Vector $b): int => $a->minus($hand)->length() <=> $b->minus($hand)->length(),
            );
            $straps[] = Solid::strap($what, $hand, $ends[0]);
        }

        return $straps;
    }

    /** How far the body's front (hands, thighs) or its back reaches, in cm along x. */
    private function reach(float $sign): float
    {
        $reach = -INF;
        foreach ($this->figure->segments as $segment) {
            $counts =
                $sign > 0.0
                    ? str_contains($segment->name, 'hand') || str_contains($segment->name, 'thigh')
                    : in_array($segment->name, ['hips', 'pelvis', 'waist', 'chest'], true);
            if ($counts) {
                $reach = max(
                    $reach,
                    $sign * $segment->start->x + $segment->startRadius,
                    $sign * $segment->end->x + $segment->endRadius,
                );
            }
        }

        return $sign * $reach;
    }

    private function at(string $name): Vector
    {
        return $this->figure->ofWorking($name);
    }
}
