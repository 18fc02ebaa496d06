<?php

declare(strict_types=1);

namespace LucidAscent\Core\Route;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;

/**
 * From where a person is to a wanted pose: what is left to open, in an order in which nothing comes before what it
 * needs.
 */
final readonly class Route
{
    /**
     * @param list<string> $all every posture on the way, the wanted one last
     * @param list<string> $left those not open yet, in order; the wanted one last
     * @param list<string> $frontier those that can be worked on now: not open, and all that they need is in reach
     * @param list<string> $helps what is not waited for and works on what is missing: not open, and all that it needs
     *     is in reach
     * @param string|null $instead the nearest pose of the same action that is in reach, when this one should not be
     *     aimed at
     */
    private function __construct(
        public string $wanted,
        public array $all,
        public array $left,
        public array $frontier,
        public array $helps,
        public ?string $instead,
    ) {
    }

    public static function to(string $wanted, ReadPoses $poses): self
    {
        $all = [];
        self::collect($wanted, $poses, $all, []);
        $left = array_values(array_filter($all, static fn (string $id): bool => State::Open !== $poses->state($id)));
        $canBeWorkedOn = static fn (string $id): bool => [] ===
            array_filter(
                $poses->postures[$id]->needs,
                static fn (string $need): bool => isset($poses->postures[$need]) && !$poses->state($need)->isInReach(),
            );

        return new self(
            $wanted,
            $all,
            $left,
            array_values(array_filter($left, $canBeWorkedOn)),
            array_values(array_filter(self::helping($all, $left, $poses), $canBeWorkedOn)),
            State::Held === $poses->state($wanted) ? self::instead($wanted, $poses, $all) : null,
        );
    }

    /**
     * @param list<string> $all
     * @param list<string> $left
     *
     * @return list<string> what prepares a posture on the way, and works on what one of them is behind in
     */
    private static function helping(array $all, array $left, ReadPoses $poses): array
    {
        $behind = $helping = [];
        foreach ($left as $id) {
            foreach (Side::cases() as $side) {
                $behind[] = $poses->of($id, $side)->toWorkOn()[0];
            }
        }
        foreach (
            array_merge(...array_map(static fn (string $id): array => $poses->postures[$id]->preparedBy, $all)) as $id
        ) {
            $isOnTheWay = in_array($id, [...$all, ...$helping], true) || !isset($poses->postures[$id]);
            $works =
                !$isOnTheWay
                && [] !==
                    array_filter(
                        $poses->postures[$id]->abilities,
                        static fn (Ability $ability): bool => in_array($ability, $behind, true),
                    );
            if ($works && !in_array($poses->state($id), [State::Open, State::Held], true)) {
                $helping[] = $id;
            }
        }

        return $helping;
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
