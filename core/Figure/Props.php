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
     * @param list<array{at: string, what: string}> $props where each lies, and what one has at home for it: "block", "wall"
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
            'pelvis' => $this->under($what, [$this->figure->point('pelvis')], $body->leg($this->figure->working)->lyingHipHeight, 8.0, 12.0),
            'hip' => $this->under($what, [$this->at('hip')], $hip, 10.0, 10.0),
            'thigh' => $this->under($what, [$this->at('thigh')], $body->thickness('thigh'), 9.0, 8.0),
            'knee' => $this->under($what, [$this->at('knee')], (float) LegChain::HALF_KNEE, 6.0, 7.0),
            'other-knee' => $this->under($what, [$this->at('other-knee')], (float) LegChain::HALF_KNEE, 8.0, 8.0),
            'knees' => [...$this->under($what, [$this->at('knee')], (float) LegChain::HALF_KNEE, 8.0, 8.0), ...$this->under($what, [$this->at('other-knee')], (float) LegChain::HALF_KNEE, 8.0, 8.0)],
            'shin' => $this->under($what, [$this->at('shin')], $body->thickness('shin'), 10.0, 20.0),
            'shins' => $this->under($what, [$this->figure->point('pelvis')], $hip, 22.0, 8.0),
            'heels' => [...$this->under($what, [$this->at('heel')], $body->thickness('heel'), 6.0, 5.0), ...$this->under($what, [$this->at('other-heel')], $body->thickness('heel'), 6.0, 5.0)],
            'foot' => $this->under($what, [$this->at('heel')], $body->thickness('heel'), 18.0, 18.0),
            'hands', 'forearms' => array_merge(...array_map(fn (string $wrist): array => $this->at($wrist)->z < self::REACHED ? $this->under($what, [$this->at($wrist)], 2.5, 8.0, 5.0, 3.0) : [], ['wrist', 'other-wrist'])),
            'chest' => $this->under($what, [$this->figure->point('chest'), $this->figure->point('neck')], $body->radii('waist')[1] * 0.9, 16.0, 11.0),
            'head' => $this->under($what, [$this->figure->point('head')], $body->radii('head')[0] * 0.95, 9.0, 11.0),
            'back' => $this->under($what, [$this->figure->point('waist'), $this->figure->point('head')], $body->radii('waist')[0] * 0.8, 14.0, 11.0),
            'feet' => [$this->wall($what, max($this->at('toe')->x, $this->at('heel')->x, $this->at('ankle')->x) + 3.0)],
            'ahead' => str_ends_with($what, 'wall') ? [$this->wall($what, $this->reach(1.0) + 2.5)] : $this->chair($what),
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
    private function under(string $what, array $over, float $thickness, float $halfLong, float $halfWide, float $ahead = 0.0): array
    {
        $top = min(array_map(static fn (Vector $p): float => $p->z, $over)) - $thickness;
        if ($top < self::THIN) {
            return [];
        }
        $x = array_map(static fn (Vector $p): float => $p->x, $over);
        $y = array_map(static fn (Vector $p): float => $p->y, $over);
        $middle = [(min($x) + max($x)) / 2.0 + $ahead, (min($y) + max($y)) / 2.0];
        $long = $halfLong + (max($x) - min($x)) / 2.0;
        $wide = $halfWide + (max($y) - min($y)) / 2.0;

        return [Solid::box($what, new Vector($middle[0] - $long, $middle[1] - $wide, 0.0), new Vector($middle[0] + $long, $middle[1] + $wide, $top))];
    }

    private function wall(string $what, float $x): Solid
    {
        $ys = array_map(static fn (Vector $p): float => $p->y, $this->figure->points);
        $zs = array_map(static fn (Vector $p): float => $p->z, $this->figure->points);

        return Solid::box($what, new Vector($x, min($ys) - 12.0, 0.0), new Vector($x + self::WALL, max($ys) + 12.0, max($zs) + 14.0));
    }

    private function besides(string $what): Solid
    {
        $sign = $this->at('hip')->y > 0.0 ? 1.0 : -1.0;
        $ys = array_map(static fn (Vector $p): float => $sign * $p->y, $this->figure->points);
        $y = $sign * -(max(array_map(static fn (float $v): float => -$v, $ys)) + 3.0);
        $xs = array_map(static fn (Vector $p): float => $p->x, $this->figure->points);
        $zs = array_map(static fn (Vector $p): float => $p->z, $this->figure->points);

        return Solid::box($what, new Vector(min($xs) - 10.0, min($y, $y - $sign * self::WALL), 0.0), new Vector(max($xs) + 10.0, max($y, $y - $sign * self::WALL), max($zs) + 8.0));
    }

    /** @return list<Solid> */
    private function chair(string $what): array
    {
        $hand = $this->at('wrist');
        $middle = ($hand->y + $this->at('other-wrist')->y) / 2.0;
        $top = min($hand->z, $this->at('other-wrist')->z) - 2.0;

        return $top < self::THIN ? [] : [Solid::box($what, new Vector($hand->x - 4.0, $middle - 20.0, 0.0), new Vector($hand->x + 36.0, $middle + 20.0, $top))];
    }

    /** @return list<Solid> from the hands that are free for it */
    private function straps(string $what, string $to): array
    {
        $straps = [];
        foreach ($this->figure->strapped as $hand) {
            $hand = $this->figure->point($hand);
            $ends = array_map($this->at(...), 'foot' === $to ? ['foot', 'other-foot'] : [$to]);
            usort($ends, static fn (Vector $a, Vector $b): int => $a->minus($hand)->length() <=> $b->minus($hand)->length());
            $straps[] = Solid::strap($what, $hand, $ends[0]);
        }

        return $straps;
    }

    private function reach(float $sign): float
    {
        return $sign * max(array_map(static fn (Segment $s): float => max($sign * $s->start->x + $s->startRadius, $sign * $s->end->x + $s->endRadius), array_filter($this->figure->segments, static fn (Segment $s): bool => $sign > 0.0 ? str_contains($s->name, 'hand') || str_contains($s->name, 'thigh') : in_array($s->name, ['hips', 'pelvis', 'waist', 'chest'], true))));
    }

    private function at(string $name): Vector
    {
        return $this->figure->ofWorking($name);
    }
}
