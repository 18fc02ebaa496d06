<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\ProportionShare;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\StraightKnee;
use LucidAscent\Core\Readiness\Gate\Sitting;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\SmallestChange;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;

/**
 * Why soles-together knees stay high: rotation, abduction, both, the shape of the joint, or nothing.
 * Short and fine are against what the same sitting asks with the knee a hand's breadth from the floor,
 * by the tests that isolate each: what the sitting itself shows is the question, not the answer.
 * The rule is common practice; a hand's breadth is taken as 10 cm.
 */
final class FindRestriction
{
    public const HAND = 10.0;

    /** The test that reads the knee of the one-leg fold. */
    public const FOLD = 'one-leg-fold-knee';

    public static function of(KnownPerson $person, Side $side): RestrictionFinding
    {
        $finding = self::find($person, $side);
        $rolled = self::inFold($person, $side);

        return null === $rolled ? $finding : $finding->besides($rolled);
    }

    /** Whether the same knee lies lower in the one-leg fold; null where it does not, or nobody read both. */
    private static function inFold(KnownPerson $person, Side $side): ?Reason
    {
        $fold = $person->newest(self::FOLD, $side);
        $soles = $person->newest(Sitting::TEST, $side);
        if (null === $fold || null === $soles || !$fold->isClean() || !$soles->isClean() || !$fold->has('kneeHeight') || !$soles->has('kneeHeight')) {
            return null;
        }

        return SameLegTwoPoses::reason($fold->measure('kneeHeight')->mean(), $soles->measure('kneeHeight')->mean(), max(self::error($fold, 'kneeHeight'), self::error($soles, 'kneeHeight')));
    }

    private static function find(KnownPerson $person, Side $side): RestrictionFinding
    {
        $taken = $person->newest(Sitting::TEST, $side);
        if (null === $taken || !$taken->has('heelDistance') || !$taken->has('kneeHeight')) {
            return new RestrictionFinding(Restriction::Unknown, [new Reason('restriction.no-sitting', Source::Trade)], tests: [Sitting::TEST]);
        }
        $knee = $taken->measure('kneeHeight')->mean();
        if ($knee <= self::HAND) {
            return new RestrictionFinding(Restriction::None, [new Reason('restriction.low', Source::Trade, ['knee' => $knee, 'hand' => self::HAND])], $knee);
        }
        try {
            $margins = self::margins($person, $side, $taken);
        } catch (OutOfReach|StraightKnee) {
            return new RestrictionFinding(Restriction::Unknown, [new Reason('restriction.out-of-reach', Source::Computed, ['knee' => $knee])], $knee);
        }
        $states = array_map(static fn (AbilityMargin $margin): State => $margin->state(), $margins);
        $reasons = [];
        foreach ($margins as $name => $margin) {
            $reasons[] = new Reason(State::Unknown === $states[$name] ? 'restriction.unread' : (State::Short === $states[$name] ? 'restriction.short' : 'restriction.fine'), Source::Computed, [
                'ability' => $name,
                'asked' => $margin->asked,
                'shown' => $margin->shown ?? 0.0,
                'smallest' => $margin->smallestChange(),
            ]);
        }
        if (in_array(State::Unknown, $states, true)) {
            $tests = array_filter(['rotation' => 'shins-stacked', 'abduction' => 'frog'], static fn (string $name): bool => State::Unknown === $states[$name], ARRAY_FILTER_USE_KEY);

            return new RestrictionFinding(Restriction::Unknown, $reasons, $knee, null, array_values($tests));
        }
        $rotation = State::Short === $states['rotation'];
        $abduction = State::Short === $states['abduction'];
        if ($rotation || $abduction) {
            return new RestrictionFinding(match (true) {
                $rotation && $abduction => Restriction::Both,
                $rotation => Restriction::Rotation,
                default => Restriction::Abduction,
            }, [...$reasons, ...self::proportion($person, $side, $taken)], $knee, self::predicted($person, $side, $taken));
        }

        return self::againstPrediction($person, $side, $taken, $margins, $reasons);
    }

    /** @return array{rotation: AbilityMargin, abduction: AbilityMargin} */
    private static function margins(KnownPerson $person, Side $side, TakenTest $taken): array
    {
        $body = $person->proportions->body($side);
        $asked = new KneeAtHeight(self::contact($taken), self::HAND);
        $angles = $asked->angles($body);
        // Where the feet are was read; the hand's breadth was not.
        $sensitivity = Sensitivity::of($asked, $body)->withReadingErrors(['kneeHeight' => 0.0, 'heelDistance' => self::error($taken, 'heelDistance')]);
        $margin = static function (Ability $ability, Component $component) use ($angles, $sensitivity, $person, $side, $taken): AbilityMargin {
            $capacity = $person->capacities($side)->get($ability)?->isolating();

            return AbilityMargin::of($ability, $capacity, $angles[$component->value], $sensitivity->uncertainty($component, $taken->name()), $person->proportions->error($side), $person->proportions, $person->isTooOld($capacity?->on()));
        };

        return ['rotation' => $margin(Ability::Rotation, Component::Rotation), 'abduction' => $margin(Ability::Abduction, Component::Abduction)];
    }

    /**
     * Both are enough, and the knee is high all the same: by more than the error, that points to the
     * shape of the joint; else what is least to spare explains it.
     *
     * @param array{rotation: AbilityMargin, abduction: AbilityMargin} $margins
     * @param list<Reason> $reasons
     */
    private static function againstPrediction(KnownPerson $person, Side $side, TakenTest $taken, array $margins, array $reasons): RestrictionFinding
    {
        $knee = $taken->measure('kneeHeight')->mean();
        $predicted = self::predicted($person, $side, $taken);
        $noise = null === $predicted ? 0.0 : SmallestChange::between(self::predictionError($person, $side, $taken, $margins));
        $numbers = ['knee' => $knee, 'predicted' => $predicted ?? 0.0, 'noise' => $noise];
        // A lower bound that is enough proves it as well: more turn would only have predicted a lower knee.
        if (null !== $predicted && $taken->isClean() && $knee - $predicted > $noise) {
            return new RestrictionFinding(Restriction::Structure, [new Reason('restriction.structure', Source::Trade, $numbers), ...$reasons, ...self::proportion($person, $side, $taken)], $knee, $predicted);
        }
        $restriction = match (true) {
            $margins['rotation']->difference() < 0.0 && $margins['rotation']->difference() <= $margins['abduction']->difference() => Restriction::Rotation,
            $margins['abduction']->difference() < 0.0 => Restriction::Abduction,
            default => Restriction::None,
        };

        return new RestrictionFinding($restriction, [new Reason('restriction.explained', Source::Computed, $numbers), ...$reasons, ...self::proportion($person, $side, $taken)], $knee, $predicted);
    }

    /** The lowest knee in the person's own sitting that rotation and abduction allow, in cm. */
    private static function predicted(KnownPerson $person, Side $side, TakenTest $taken): ?float
    {
        return LowestKnee::search(self::contact($taken), $person->proportions->body($side), self::capacity($person, $side, 0.0, 0.0))?->height();
    }

    /** @param array{rotation: AbilityMargin, abduction: AbilityMargin} $margins */
    private static function predictionError(KnownPerson $person, Side $side, TakenTest $taken, array $margins): float
    {
        $body = $person->proportions->body($side);
        $at = static fn (float $rotation, float $abduction): ?float => LowestKnee::search(self::contact($taken), $body, self::capacity($person, $side, $rotation, $abduction))?->height();
        $centre = $at(0.0, 0.0);
        $variance = self::error($taken, 'kneeHeight') ** 2;
        foreach ([[-1.0, 0.0, 'rotation'], [0.0, -1.0, 'abduction']] as [$rotation, $abduction, $name]) {
            $sd = $margins[$name]->error;
            $less = $at($rotation * $sd, $abduction * $sd);
            $variance += null === $less || null === $centre ? 0.0 : ($less - $centre) ** 2;
        }

        return sqrt($variance);
    }

    /** @return list<Reason> */
    private static function proportion(KnownPerson $person, Side $side, TakenTest $taken): array
    {
        $body = $person->proportions->body($side);
        if ($body->shin / $body->thigh <= ProportionShare::LONG_SHIN) {
            return [];
        }
        $share = ProportionShare::of(self::contact($taken), $body, self::capacity($person, $side, 0.0, 0.0));

        return null === $share ? [] : [new Reason('restriction.long-shin', Source::Computed, ['share' => $share, 'ratio' => $body->shin / $body->thigh])];
    }

    private static function capacity(KnownPerson $person, Side $side, float $rotation, float $abduction): Capacity
    {
        $known = static fn (Ability $ability, float $more): ?float => null === ($of = $person->capacities($side)->get($ability)) ? null : $of->isolating()->value + $more;

        return new Capacity(null, $known(Ability::Abduction, $abduction), $known(Ability::Rotation, $rotation));
    }

    private static function contact(TakenTest $taken): SolesTogether
    {
        return new SolesTogether($taken->measure('heelDistance')->mean(), $taken->sitting);
    }

    private static function error(TakenTest $taken, string $name): float
    {
        return $taken->measure($name)->error(ToolErrors::usual()->sd(Tool::Tape, 'cm'));
    }
}
