<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\CowFace;
use LucidAscent\Core\LegChain\Contact\Frog;
use LucidAscent\Core\LegChain\Contact\HeelToSeat;
use LucidAscent\Core\LegChain\Contact\KneeHug;
use LucidAscent\Core\LegChain\Contact\LegRaise;
use LucidAscent\Core\LegChain\Contact\ShinsStacked;
use LucidAscent\Core\LegChain\Contact\SingleJoint;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\Contact\WideLegs;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\StraightKnee;
use LucidAscent\Core\LegChain\Swivel;
use LucidAscent\Core\LegChain\Uncertainty;

/**
 * What a test that was taken shows: of each ability that it proves, a figure with its error.
 *
 * A clean reading proves what the catalogue says of its test; one that came to rest on something is a
 * lower bound at best. One that was compensated for, or that hurt, proves nothing.
 */
final readonly class ReadTest
{
    /** What a number that is its own answer can be, by its unit. */
    private const PLAUSIBLE = ['degrees' => [-90.0, 200.0], 'cm' => [-60.0, 120.0], 'seconds' => [0.0, 3600.0]];

    /**
     * @return list<Evidence>
     *
     * @throws UnreadableTest when its numbers are no capacity of anybody's
     */
    public static function evidence(TestDefinition $definition, TakenTest $taken, Body $body, ToolErrors $errors): array
    {
        if (!$definition->isMeasured()) {
            throw UnreadableTest::watched();
        }
        foreach ($taken->compensations as $compensation) {
            if (!in_array($compensation, $definition->compensations, true)) {
                throw UnreadableTest::unknownCompensation($compensation);
            }
        }
        try {
            return self::read($definition, $taken, $body, $errors);
        } catch (InvalidValue $e) {
            throw UnreadableTest::because($e->getMessage());
        } catch (OutOfReach|StraightKnee $e) {
            throw UnreadableTest::outOfReach($e->getMessage());
        }
    }

    /** The leg as it was measured, for a test that shows all of it; null for the others. */
    public static function reading(TestDefinition $definition, TakenTest $taken): ?ChainReading
    {
        return match ($definition->formula) {
            Formula::SolesTogether => new KneeAtHeight(
                new SolesTogether($taken->measure('heelDistance')->mean(), $taken->sitting),
                $taken->measure('kneeHeight')->mean(),
            ),
            Formula::ShinsStacked => new ShinsStacked($taken->measure('kneeHeight')->mean(), $taken->measure('ankleHeight')->mean(), $taken->sitting),
            Formula::CowFace => new CowFace($taken->measure('kneeHeight')->mean(), $taken->measure('heelAhead')->mean(), $taken->sitting),
            default => null,
        };
    }

    /**
     * Whether two trials differ by more than two of their tool's errors, so that a third has to settle
     * it; and the largest such difference, in the value's own unit.
     *
     * @return array{bool, float}
     */
    public static function spread(TestDefinition $definition, TakenTest $taken, ToolErrors $errors): array
    {
        $apart = 0.0;
        $again = false;
        foreach ($definition->measured as $name => $unit) {
            if ($taken->has($name)) {
                $range = $taken->measure($name)->range();
                $apart = max($apart, $range);
                $again = $again || $range > 2 * $errors->sd($taken->tool, $unit);
            }
        }

        return [$again, $apart];
    }

    /** @return list<Evidence> */
    private static function read(TestDefinition $definition, TakenTest $taken, Body $body, ToolErrors $errors): array
    {
        if ($definition->formula->takesAngle() && $taken->has('angle')) {
            return self::asRead($definition, $taken, 'angle', $errors);
        }
        $chain = self::reading($definition, $taken);
        if (null !== $chain) {
            return self::ofChain($definition, $taken, $chain, $chain->pose($body)->angles, self::sensitivity($definition, $taken, $chain, $body, $errors));
        }
        $joint = self::joint($definition, $taken);
        if (null !== $joint) {
            $component = $joint::component();
            $sensitivity = self::sensitivity($definition, $taken, $joint, $body, $errors);
            $value = $joint->angles($body)[$component->value];

            return self::each($definition, $taken, static fn (): float => $value, static fn (): Uncertainty => $sensitivity->uncertainty($component, $taken->name()));
        }

        return self::asRead($definition, $taken, self::soleName($definition, $taken), $errors);
    }

    private static function joint(TestDefinition $definition, TakenTest $taken): SingleJoint|KneeHug|null
    {
        return match ($definition->formula) {
            Formula::WideLegs => new WideLegs($taken->measure('span')->mean()),
            Formula::Frog => new Frog($taken->measure('span')->mean()),
            Formula::LegRaise => new LegRaise($taken->measure('heelHeight')->mean()),
            Formula::HeelToSeat => new HeelToSeat($taken->measure('gap')->mean()),
            Formula::KneeHug => new KneeHug($taken->measure('kneeHeight')->mean(), self::hasPassed($taken)),
            default => null,
        };
    }

    /**
     * All angles of a leg that was measured as a whole.
     *
     * @return list<Evidence>
     */
    private static function ofChain(TestDefinition $definition, TakenTest $taken, ChainReading $reading, LegAngles $angles, Sensitivity $sensitivity): array
    {
        // Crossing over the midline is abduction below zero.
        $of = static fn (Ability $ability): Component => $ability->component() ?? (Ability::Adduction === $ability
            ? Component::Abduction
            : throw UnreadableTest::because(sprintf('The leg chain shows no %s.', $ability->value)));
        $sign = static fn (Ability $ability): float => Ability::Adduction === $ability ? -1.0 : 1.0;

        return self::each(
            $definition,
            $taken,
            static fn (Ability $ability): float => $sign($ability) * $angles->of($of($ability)),
            static fn (Ability $ability): Uncertainty => $sensitivity->uncertainty($of($ability), $taken->name())->times($sign($ability)),
            $angles,
        );
    }

    /**
     * A number that is its own answer.
     *
     * @return list<Evidence>
     */
    private static function asRead(TestDefinition $definition, TakenTest $taken, string $name, ToolErrors $errors): array
    {
        $measure = $taken->measure($name);
        [$least, $most] = self::PLAUSIBLE[$definition->measured[$name] ?? 'degrees'];
        foreach ($measure->trials as $trial) {
            Check::within($name, $trial, $least, $most, $definition->measured[$name] ?? 'degrees');
        }
        // Balance and strength are what was managed once; everything else is the mean of what was read.
        $value = 'seconds' === $name ? max($measure->trials) : $measure->mean();
        $sd = self::readingError($definition, $taken, $name, $errors);

        return self::each($definition, $taken, static fn (): float => $value, static fn (): Uncertainty => Uncertainty::ofReading($sd, $taken->name()));
    }

    /** @throws InvalidValue when none of its values was read in every trial */
    private static function soleName(TestDefinition $definition, TakenTest $taken): string
    {
        foreach (array_keys($definition->measured) as $name) {
            if ($taken->has($name) && !(Formula::ShinInclination === $definition->formula && 'angle' !== $name)) {
                return $name;
            }
        }
        throw InvalidValue::missing(array_key_first(array_filter($definition->measured, static fn (string $name): bool => Formula::ShinInclination !== $definition->formula || 'angle' === $name, ARRAY_FILTER_USE_KEY)) ?? 'trials');
    }

    private static function sensitivity(TestDefinition $definition, TakenTest $taken, Reading $reading, Body $body, ToolErrors $errors): Sensitivity
    {
        $own = [];
        foreach (array_keys($reading->readingErrors()) as $name) {
            $own[$name] = self::readingError($definition, $taken, $name, $errors);
        }

        return Sensitivity::of($reading, $body)->withReadingErrors($own);
    }

    /** The tool's own error, the trials' spread, or what the tool said of this reading: whichever is largest. */
    private static function readingError(TestDefinition $definition, TakenTest $taken, string $name, ToolErrors $errors): float
    {
        $unit = $definition->measured[$name] ?? ('angle' === $name ? 'degrees' : 'cm');

        return max($taken->measure($name)->error($errors->sd($taken->tool, $unit)), $taken->ownErrors[$name] ?? 0.0);
    }

    /**
     * @param callable(Ability): float $value
     * @param callable(Ability): Uncertainty $uncertainty
     *
     * @return list<Evidence>
     */
    private static function each(TestDefinition $definition, TakenTest $taken, callable $value, callable $uncertainty, ?LegAngles $at = null): array
    {
        // Kept, and shown; it asks for a clean one.
        if (!$taken->isClean()) {
            return [];
        }
        $bound = self::isResting($definition, $taken) ? Bound::AtLeast : null;
        $evidence = [];
        foreach ($definition->proves as $name => $proven) {
            $ability = Ability::from($name);
            $evidence[] = new Evidence($ability, $value($ability), $bound ?? $proven, $uncertainty($ability), $definition->id, $taken->tool, $taken->on, $at ?? $definition->position, $taken->at, Bound::Exact === $proven);
        }

        return $evidence;
    }

    /** @throws InvalidValue when it is not the same in every trial */
    private static function hasPassed(TakenTest $taken): bool
    {
        $said = array_unique($taken->measure('past')->trials);

        return 1 === count($said) ? $said[0] > 0.0 : throw InvalidValue::because('past', 'is not the same in every trial: read each again.');
    }

    /**
     * Whether the leg came to rest, so that it may be able to go further. Where nobody said, a top
     * knee no higher than its ankle rests on the foot below it, and a knee at its own thickness
     * rests on the floor; a seat against the wall leaves raised legs nowhere to go.
     */
    private static function isResting(TestDefinition $definition, TakenTest $taken): bool
    {
        if (null !== $taken->resting) {
            return $taken->resting;
        }

        return match ($definition->formula) {
            Formula::ShinsStacked => $taken->measure('kneeHeight')->mean() <= max(Swivel::FLOOR, $taken->measure('ankleHeight')->mean()),
            Formula::LegRaise => $taken->has('gap') && $taken->measure('gap')->mean() <= 0.0,
            default => false,
        };
    }
}
