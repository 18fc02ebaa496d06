<?php

declare(strict_types=1);

namespace LucidAscent\Core\Route;

use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;

/** From where a person is to a wanted pose: what is left to open, in an order in which nothing comes before what it needs. */
final readonly class Route
{
    /**
     * @param list<string> $all every posture on the way, the wanted one last
     * @param list<string> $left those not open yet, in order; the wanted one last
     * @param list<string> $frontier those that can be worked on now: not open, and all that they need is in reach
     * @param string|null $instead the nearest pose of the same action that is in reach, when this one should not be aimed at
     */
    private function __construct(
        public string $wanted,
        public array $all,
        public array $left,
        public array $frontier,
        public ?string $instead,
    ) {
    }

    public static function to(string $wanted, ReadPoses $poses): self
    {
        $all = [];
        self::collect($wanted, $poses, $all, []);
        $left = array_values(array_filter($all, static fn (string $id): bool => State::Open !== $poses->state($id)));
        $frontier = array_values(array_filter($left, static fn (string $id): bool => [] === array_filter(
            $poses->postures[$id]->needs,
            static fn (string $need): bool => isset($poses->postures[$need]) && !$poses->state($need)->isInReach(),
        )));

        return new self($wanted, $all, $left, $frontier, State::Held === $poses->state($wanted) ? self::instead($wanted, $poses, $all) : null);
    }

    /** Whether the pose should not be aimed at. */
    public function isClosed(ReadPoses $poses): bool
    {
        return State::Held === $poses->state($this->wanted);
    }

    /**
     * @param list<string> $found
     * @param array<string, true> $above
     */
    private static function collect(string $id, ReadPoses $poses, array &$found, array $above): void
    {
        if (isset($above[$id]) || in_array($id, $found, true)) {
            return;
        }
        foreach ($poses->postures[$id]->needs as $need) {
            if (isset($poses->postures[$need])) {
                self::collect($need, $poses, $found, $above + [$id => true]);
            }
        }
        $found[] = $id;
    }

    /** @param list<string> $all */
    private static function instead(string $wanted, ReadPoses $poses, array $all): ?string
    {
        foreach ([...$poses->postures[$wanted]->sameAction, ...array_reverse($all)] as $id) {
            if ($id !== $wanted && isset($poses->postures[$id]) && $poses->state($id)->isInReach()) {
                return $id;
            }
        }

        return null;
    }
}
