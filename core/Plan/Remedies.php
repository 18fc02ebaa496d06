<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\JointShape;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Restriction;

/**
 * What a person is short of on the way to what is wanted, and the shapes that are there for it: every short part has
 * its share, by how much is missing of it.
 */
final readonly class Remedies
{
    /** What opens most counts for so much more, and what restricts a knee for so much at least. */
    private const KEYSTONE = 1.5;
    private const RESTRICTS = 0.5;
    /** What holds a joint counts for so much, where it is to be held rather than stretched. */
    private const HOLDS = 3.0;

    /**
     * @param array<string, list<Side>> $wanted the sides on which each wanted posture may be aimed at, by its id
     *
     * @param Ability|null $keystone what opens most
     *
     * @return array<string, Sought> by remedy: what opens most, then rotation, for it shields the knee
     */
    public static function sought(array $wanted, ReadPoses $poses, ?Ability $keystone = null): array
    {
        /** @var array<string, Sought> $sought */
        $sought = [];
        $isBone = false;
        foreach (Side::cases() as $side) {
            $restriction = FindRestriction::of($poses, $side)->restriction;
            $isBone = $isBone || Restriction::Structure === $restriction;
            foreach (Remedy::ofRestriction($restriction) as $remedy) {
                $sought[$remedy->value] = new Sought(Ability::from($remedy->value), self::RESTRICTS);
            }
        }
        foreach ($wanted as $id => $sides) {
            foreach ($sides as $side) {
                foreach (self::missing($poses->of($id, $side)) as $one) {
                    $remedy = Remedy::ofAbility($one->ability);
                    // Nothing is pushed against the shape of a joint.
                    if (
                        null !== $remedy
                        && !($isBone && in_array($remedy, [Remedy::Rotation, Remedy::Abduction], true))
                    ) {
                        $sought[$remedy->value] = ($sought[$remedy->value] ?? $one)->and($one);
                    }
                }
            }
        }
        foreach (JointShape::all($poses->person) as $shape) {
            unset($sought[Remedy::ofAbility($shape->shortWay)->value ?? '']);
        }
        $first = null === $keystone ? null : Remedy::ofAbility($keystone)?->value;
        if (isset($sought[$first ?? ''])) {
            $sought[$first] = $sought[$first]->times(self::KEYSTONE);
        }
        uksort(
            $sought,
            static fn (string $a, string $b): int => [$a !== $first, self::order($a)] <=> [
                $b !== $first,
                self::order($b),
            ],
        );
        // Where joints are to be held rather than stretched, what holds them comes first.
        $isHolding =
            [] !==
            array_filter($poses->person->holds->active, static fn (Hold $hold): bool => $hold->holds->isForStrength());

        return $isHolding
            ? [
                Remedy::Strength->value => new Sought(Ability::Strength, self::HOLDS),
                Remedy::Balance->value => new Sought(Ability::Balance, self::HOLDS),
            ] + $sought
            : $sought;
    }

    /** @return list<Sought> what its full form misses; where it misses nothing, what it asks for most */
    private static function missing(PoseReading $pose): array
    {
        return [
            new Sought($pose->toWorkOn()[0], Sought::LITTLE),
            ...array_values(array_filter(array_map(Sought::by(...), $pose->full()->margins))),
        ];
    }

    /**
     * The gentle shapes for them, in proportion to what is missing, those for anyone before those to be learned with a
     * teacher.
     *
     * @param array<string, Sought> $sought by remedy
     * @param array<string, list<PracticeRung>> $ladders by posture
     * @param list<string> $not postures that are there already, or that are not wanted
     *
     * @return array<string, string> remedy by posture
     */
    public static function shapes(array $sought, array $ladders, array $not): array
    {
        $of = [];
        foreach (array_keys($sought) as $remedy) {
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

        return self::shared($of, $sought);
    }

    /**
     * One after the other, each time for that of which most is missing beside what it has got.
     *
     * @param array<string, list<string>> $of by remedy
     * @param array<string, Sought> $sought likewise
     *
     * @return array<string, string> the remedy that each is for
     */
    public static function shared(array $of, array $sought): array
    {
        $found = [];
        $got = array_fill_keys(array_keys($of), 0);
        while ([] !== ($of = array_filter($of))) {
            $next = array_key_first($of);
            foreach (array_keys($of) as $remedy) {
                if ($sought[$remedy]->lack / ($got[$remedy] + 1) > $sought[$next]->lack / ($got[$next] + 1)) {
                    $next = $remedy;
                }
            }
            $id = array_shift($of[$next]);
            if (!isset($found[$id])) {
                $found[$id] = $next;
                ++$got[$next];
            }
        }

        return $found;
    }

    private static function order(string $remedy): int
    {
        return (int) array_search($remedy, Remedy::names(), true);
    }
}
