<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** How the postures hang together, and what is wrong with that. */
final readonly class PrerequisiteGraph
{
    public const RELATIONS = ['needs', 'prepares', 'counters', 'gentler_than', 'same_action_as'];

    /**
     * @param array<string, array<string, list<string>>> $relations by posture, by relation: ids of other postures
     * @param list<string> $targets the poses that somebody may want
     * @param array<string, list<string>> $components what each posture asks for
     */
    public function __construct(private array $relations, private array $targets, private array $components)
    {
    }

    /**
     * All that this posture needs, and what those need, the deepest first.
     *
     * @return list<string>
     */
    public function prerequisites(string $posture): array
    {
        $found = [];
        $this->collect($posture, $found, [$posture => true]);

        return array_keys($found);
    }

    /** @return list<string> postures of which the relation leads to this one */
    public function from(string $relation, string $posture): array
    {
        $found = [];
        foreach ($this->relations as $id => $related) {
            if (in_array($posture, $related[$relation] ?? [], true)) {
                $found[] = $id;
            }
        }

        return $found;
    }

    /**
     * @param list<string> $judged the components that some test judges
     *
     * @return list<array{posture: string, code: string, about: string}> nothing when all is well
     */
    public function faults(array $judged): array
    {
        $faults = [];
        $linked = [];
        foreach ($this->relations as $id => $related) {
            foreach ($related as $relation => $others) {
                foreach ($others as $other) {
                    if (!isset($this->relations[$other])) {
                        $faults[] = ['posture' => $id, 'code' => 'unknown-posture', 'about' => $other];
                    } elseif ($other === $id) {
                        $faults[] = ['posture' => $id, 'code' => 'related-to-itself', 'about' => $relation];
                    }
                    $linked[$id] = $linked[$other] = true;
                }
            }
        }
        foreach (array_keys($this->relations) as $id) {
            if (!isset($linked[$id])) {
                $faults[] = ['posture' => $id, 'code' => 'unreachable', 'about' => $id];
            }
            foreach (['needs', 'prepares', 'gentler_than'] as $relation) {
                $back = $this->backTo($id, $id, $relation, []);
                if (null !== $back) {
                    $faults[] = ['posture' => $id, 'code' => 'cycle', 'about' => $back];
                }
            }
        }
        foreach ($this->targets as $target) {
            foreach ([$target, ...$this->prerequisites($target)] as $needed) {
                foreach (array_diff($this->components[$needed] ?? [], $judged) as $unjudged) {
                    $faults[] = ['posture' => $needed, 'code' => 'no-test-judges', 'about' => $unjudged];
                }
            }
        }

        return array_values(array_unique($faults, SORT_REGULAR));
    }

    /**
     * @param array<string, true> $found
     * @param array<string, true> $above
     */
    private function collect(string $posture, array &$found, array $above): void
    {
        foreach ($this->relations[$posture]['needs'] ?? [] as $needed) {
            if (!isset($above[$needed]) && !isset($found[$needed])) {
                $this->collect($needed, $found, $above + [$needed => true]);
                $found[$needed] = true;
            }
        }
    }

    /**
     * The next posture on a way that leads from this one back to where it began, or null.
     *
     * @param array<string, true> $seen
     */
    private function backTo(string $start, string $at, string $relation, array $seen): ?string
    {
        foreach ($this->relations[$at][$relation] ?? [] as $next) {
            if ($next === $start && $at !== $start) {
                return $at;
            }
            if ($next !== $start && !isset($seen[$next])) {
                $seen[$next] = true;
                $found = $this->backTo($start, $next, $relation, $seen);
                if (null !== $found) {
                    return $next;
                }
            }
        }

        return null;
    }
}
