<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\ComesToRest;
use LucidAscent\Core\LegChain\Contact\SetUp;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\StraightKnee;
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
    private const PLAUSIBLE = ['degrees' => [-90.0, 200.0], 'cm' => [-60.0, 120.0]];

    /**
     * @return list<Evidence> none when it is not clean: it is kept, and shown, and asks for a clean one
     *
     * @throws UnreadableTest when its numbers are no capacity of anybody's
     */
    public static function evidence(
        TestDefinition $definition,
        TakenTest $taken,
        Body $body,
        ToolErrors $errors,
    ): array {
        return self::readable($definition, $taken, static function () use (
            $definition,
            $taken,
            $body,
            $errors,
        ): array {
            if (self::isNumbersAlone($definition, $taken)) {
                return [];
            }
            [$value, $uncertainty, $at] = self::read($definition, $taken, $body, $errors);
            $bound = self::isResting($definition, $taken) ? Bound::AtLeast : null;
            $evidence = [];
            foreach ($definition->proves as $name => $proven) {
                $ability = Ability::from($name);
                $evidence[] = new Evidence(
                    $ability,
                    $value($ability),
                    $bound ?? $proven,
                    $uncertainty($ability),
                    $definition->id,
                    $taken->tool,
                    $taken->on,
                    $at ?? $definition->position,
                    $taken->at,
                    Bound::Exact === $proven,
                    $taken->isWarm,
                    $taken->isWatched,
                );
            }

            return $taken->isClean() ? $evidence : [];
        });
    }

    /**
     * What it shows, without its errors: a small part of the work.
     *
     * @return array<string, float> by ability, in its unit; none when it is not clean
     *
     * @throws UnreadableTest when its numbers are no capacity of anybody's
     */
    public static function values(
        TestDefinition $definition,
        TakenTest $taken,
        Body $body,
        ToolErrors $errors,
    ): array {
        return self::readable($definition, $taken, static function () use (
            $definition,
            $taken,
            $body,
            $errors,
        ): array {
            if (self::isNumbersAlone($definition, $taken)) {
                return [];
            }
            [$value] = self::read($definition, $taken, $body, $errors);
            $values = [];
            foreach (array_keys($taken->isClean() ? $definition->proves : []) as $name) {
                $values[$name] = $value(Ability::from($name));
            }

            return $values;
        });
    }

    /**
     * @template T
     *
     * @param callable(): T $read
     *
     * @return T
     *
     * @throws UnreadableTest
     */
    private static function readable(TestDefinition $definition, TakenTest $taken, callable $read): mixed
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
            TrialCheck::of($definition, $taken);

            return $read();
        } catch (InvalidValue $e) {
            throw UnreadableTest::because($e->getMessage());
        } catch (OutOfReach|StraightKnee $e) {
            throw UnreadableTest::outOfReach($e->getMessage());
        }
    }

    /** The leg as it was measured, for a test that shows all of it; null for the others. */
    public static function reading(TestDefinition $definition, TakenTest $taken): ?ChainReading
    {
        $posture = self::lacks($definition, $taken) ? null : self::posture($definition, $taken);

        return $posture instanceof ChainReading ? $posture : null;
    }

    /** Whether something was not read without which it says nothing, as in a test that was read otherwise once. */
    private static function lacks(TestDefinition $definition, TakenTest $taken): bool
    {
        foreach ($definition->needs() as $name) {
            if (!$taken->has($name)) {
                return true;
            }
        }

        return false;
    }

    /** Whether it was read without what would make it prove something, and is kept all the same. */
    private static function isNumbersAlone(TestDefinition $definition, TakenTest $taken): bool
    {
        return $definition->formula->mayLack() && self::lacks($definition, $taken);
    }

    private static function posture(TestDefinition $definition, TakenTest $taken): ?Posture
    {
        $contact = $definition->formula->contact;

        return null === $contact ? null : $contact::of(new SetUp(new Means($definition, $taken), $taken->sitting));
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

    /**
     * @return array{callable(Ability): float, callable(Ability): Uncertainty, LegAngles|null} a value, its error, and
     *     where the leg was
     */
    private static function read(
        TestDefinition $definition,
        TakenTest $taken,
        Body $body,
        ToolErrors $errors,
    ): array {
        if ($definition->formula->takesAngle() && $taken->has('angle')) {
            return self::asRead($definition, $taken, 'angle', $errors);
        }
        if (
            self::lacks($definition, $taken)
            && isset($definition->proves[Ability::ExternalRotation->value])
            && $taken->has('angle')
        ) {
            throw UnreadableTest::inclinationAlone();
        }
        $posture = self::posture($definition, $taken);
        if (null === $posture) {
            $name = self::soleName($definition, $taken);
            if (
                isset($definition->proves[Ability::SpineExtension->value])
                && $taken->measure($name)->mean() >= ($body->kneelingHands ?? INF)
            ) {
                throw UnreadableTest::withoutABend((float) $body->kneelingHands);
            }

            return self::asRead($definition, $taken, $name, $errors);
        }
        $sensitivity = null;
        $uncertainty = static function (Component $component) use (
            &$sensitivity,
            $definition,
            $taken,
            $posture,
            $body,
            $errors,
        ): Uncertainty {
            $sensitivity ??= self::sensitivity($definition, $taken, $posture, $body, $errors);

            return $sensitivity->uncertainty($component, $taken->name());
        };
        if ($posture instanceof ChainReading) {
            return self::ofChain($definition, $posture->pose($body)->angles, $uncertainty);
        }
        $angles = $posture->angles($body);
        $component = Component::from((string) array_key_first($angles));

        return [
            static fn (): float => $angles[$component->value],
            static fn (): Uncertainty => $uncertainty($component),
            null,
        ];
    }

    /**
     * All angles of a leg that was measured as a whole.
     *
     * @param callable(Component): Uncertainty $uncertainty
     *
     * @return array{callable(Ability): float, callable(Ability): Uncertainty, LegAngles}
     */
    private static function ofChain(TestDefinition $definition, LegAngles $angles, callable $uncertainty): array
    {
        $of = static fn (Ability $ability): array => $definition->formula->about()?->component($ability) ??
            throw UnreadableTest::because(sprintf('The leg chain shows no %s.', $ability->value));

        return [
            static function (Ability $ability) use ($of, $angles): float {
                [$component, $sign] = $of($ability);

                return $sign * $angles->of($component);
            },
            static function (Ability $ability) use ($of, $uncertainty): Uncertainty {
                [$component, $sign] = $of($ability);

                return $uncertainty($component)->times($sign);
            },
            $angles,
        ];
    }

    /**
     * A number that is its own answer.
     *
     * @return array{callable(Ability): float, callable(Ability): Uncertainty, null}
     */
    private static function asRead(
        TestDefinition $definition,
        TakenTest $taken,
        string $name,
        ToolErrors $errors,
    ): array {
        // A value that has the name of what it shows is read for that alone.
        $of = static function (Ability $ability) use ($definition, $name): string {
            $own = lcfirst(str_replace('-', '', ucwords($ability->value, '-')));

            return isset($definition->measured[$own]) ? $own : $name;
        };
        foreach (array_map($of, array_map(Ability::from(...), array_keys($definition->proves))) as $one) {
            $unit = $definition->measured[$one] ?? 'degrees';
            foreach (isset(self::PLAUSIBLE[$unit]) ? $taken->measure($one)->trials : [] as $trial) {
                [$least, $most] = self::PLAUSIBLE[$unit];
                Check::within($one, $trial, $least, $most, $unit);
            }
        }

        return [
            // Balance and strength are what was managed once; everything else is the mean of what was read.
            static fn (Ability $ability): float => 'seconds' === $of($ability)
                ? max($taken->measure($of($ability))->trials)
                : $taken->measure($of($ability))->mean(),
            static fn (Ability $ability): Uncertainty => Uncertainty::ofReading(
                self::readingError($definition, $taken, $of($ability), $errors),
                $of($ability) === $name ? $taken->name() : $taken->name().'.'.$of($ability),
            ),
            null,
        ];
    }

    /** @throws InvalidValue when none of its values was read in every trial */
    private static function soleName(TestDefinition $definition, TakenTest $taken): string
    {
        $sought = array_values(
            array_filter(
                array_keys($definition->measured),
                static fn (string $name): bool => 'angle' === $name
                    || !$definition->formula->is(Formula::SHIN_INCLINATION),
            ),
        );
        foreach ($sought as $name) {
            if ($taken->has($name)) {
                return $name;
            }
        }
        throw InvalidValue::missing($sought[0] ?? 'trials');
    }

    private static function sensitivity(
        TestDefinition $definition,
        TakenTest $taken,
        Reading $reading,
        Body $body,
        ToolErrors $errors,
    ): Sensitivity {
        // What nobody measured errs as the contact says.
        $own = $reading->readingErrors();
        foreach (array_filter(array_keys($own), $taken->has(...)) as $name) {
            $own[$name] = self::readingError($definition, $taken, $name, $errors);
        }

        return Sensitivity::of($reading, $body)->withReadingErrors($own);
    }

    /** The tool's own error, the trials' spread, or what the tool said of this reading: whichever is largest. */
    private static function readingError(
        TestDefinition $definition,
        TakenTest $taken,
        string $name,
        ToolErrors $errors,
    ): float {
        $unit = $definition->measured[$name] ?? ('angle' === $name ? 'degrees' : 'cm');

        return max(
            $taken->measure($name)->error($errors->sd($taken->tool, $unit)),
            $taken->ownErrors[$name] ?? 0.0,
        );
    }

    /**
     * How all that it shows bounds what can be done, when it is clean and can be read; null where one part does so
     * otherwise than another.
     */
    public static function bound(TestDefinition $definition, TakenTest $taken): ?Bound
    {
        $bounds = self::isResting($definition, $taken)
            ? [Bound::AtLeast]
            : array_unique(array_values($definition->proves), SORT_REGULAR);

        return 1 === count($bounds) ? $bounds[0] : null;
    }

    /** Whether the leg came to rest, so that it may be able to go further; where nobody said, as its numbers tell. */
    private static function isResting(TestDefinition $definition, TakenTest $taken): bool
    {
        $contact = $definition->formula->contact;

        return $taken->resting ??
            null !== $contact
                && is_subclass_of($contact, ComesToRest::class)
                && !self::lacks($definition, $taken)
                && $contact::isResting(new SetUp(new Means($definition, $taken), $taken->sitting));
    }
}
