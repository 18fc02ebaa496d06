<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\JointShape;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Restriction;

/** What a person is short of on the way to what is wanted, the worst first, and the shapes that are there for it. */
final readonly class Remedies
{
    /**
     * @param array<string, list<Side>> $wanted the sides on which each wanted posture may be aimed at, by its id
     *
     * @param Ability|null $keystone what opens most
     *
     * @return array<string, Ability> by remedy, the ability that is to grow: what opens most, then rotation, for it
     *     shields the knee
     */
    public static function sought(array $wanted, ReadPoses $poses, ?Ability $keystone = null): array
    {
        $sought = [];
        $isBone = false;
        foreach (Side::cases() as $side) {
            $restriction = FindRestriction::of($poses, $side)->restriction;
            $isBone = $isBone || Restriction::Structure === $restriction;
            foreach (Remedy::ofRestriction($restriction) as $remedy) {
                $sought[$remedy->value] = Ability::from($remedy->value);
            }
        }
        foreach ($wanted as $id => $sides) {
            foreach ($sides as $side) {
                $ability = $poses->of($id, $side)->toWorkOn()[0];
                $remedy = Remedy::ofAbility($ability);
                // Nothing is pushed against the shape of a joint.
                if (null !== $remedy && !($isBone && in_array($remedy, [Remedy::Rotation, Remedy::Abduction], true))) {
                    $sought[$remedy->value] ??= $ability;
                }
            }
        }
        foreach (JointShape::all($poses->person) as $shape) {
            unset($sought[Remedy::ofAbility($shape->shortWay)->value ?? '']);
        }
        // Where joints are to be held rather than stretched, what holds them comes first.
        $holding =
            [] ===
            array_filter($poses->person->holds->active, static fn (Hold $hold): bool => $hold->holds->isForStrength())
                ? []
                : [Remedy::Strength->value => Ability::Strength, Remedy::Balance->value => Ability::Balance];
        $first = null === $keystone ? null : Remedy::ofAbility($keystone)?->value;
        uksort(
            $sought,
            static fn (string $a, string $b): int => [$a !== $first, self::order($a)] <=> [
                $b !== $first,
                self::order($b),
            ],
        );

        return $holding + $sought;
    }

    /**
     * The gentle shapes for them: one for each remedy in turn, those for anyone before those to be learned with a
     * teacher.
     *
     * @param list<string> $remedies
     * @param array<string, list<PracticeRung>> $ladders by posture
     * @param list<string> $not postures that are there already, or that are not wanted
     *
     * @return array<string, string> remedy by posture
     */
    public static function shapes(array $remedies, array $ladders, array $not): array
    {
        $of = [];
        foreach ($remedies as $remedy) {
            foreach ([PracticeLevel::Anyone, PracticeLevel::TeacherFirst] as $level) {
                foreach ($ladders as $id => $ladder) {
                    if (
                        $level === $ladder[0]->level
                        && $ladder[0]->rung->isForAnybody()
                        && in_array($remedy, $ladder[0]->remedies, true)
                        && !in_array($id, $not, true)
                    ) {
                        $of[$remedy][] = $id;
                    }
                }
            }
        }

        return self::inTurn($of);
    }

    /**
     * One for each in turn.
     *
     * @param array<string, list<string>> $of by remedy
     *
     * @return array<string, string> the remedy that each is for
     */
    public static function inTurn(array $of): array
    {
        $found = [];
        for ($turn = 0, $most = max([0, ...array_map(count(...), array_values($of))]); $turn < $most; ++$turn) {
            foreach ($of as $remedy => $ids) {
                if (isset($ids[$turn])) {
                    $found[$ids[$turn]] ??= $remedy;
                }
            }
        }

        return $found;
    }

    private static function order(string $remedy): int
    {
        return (int) array_search($remedy, Remedy::names(), true);
    }
}
