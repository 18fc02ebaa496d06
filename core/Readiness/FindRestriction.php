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

/**
 * Why soles-together knees stay high: rotation, abduction, both, the shape of the joint, or nothing.
 * Short and fine are against what the same sitting asks with the knee a hand's breadth from the floor,
 * by the tests that isolate each: what the sitting itself shows is the question, not the answer.
 * The rule is common practice.
 */
final readonly class FindRestriction
{
    private function __construct(private ReadPoses $poses, private Side $side, private TakenTest $sitting)
    {
    }

    public static function of(ReadPoses $poses, Side $side): RestrictionFinding
    {
        $sitting = $poses->person->newest(Sitting::TEST, $side);
        if (null === $sitting || !$sitting->has('heelDistance') || !$sitting->has('kneeHeight')) {
            return new RestrictionFinding(
                Restriction::Unknown,
                [new Reason('restriction.no-sitting', Source::Trade)],
                tests: [Sitting::TEST],
            );
        }
        $restriction = new self($poses, $side, $sitting);

        return $restriction->find()->besides(SameLeg::compared($poses->person, $side, $sitting));
    }

    private function find(): RestrictionFinding
    {
        $knee = $this->read('kneeHeight');
        if ($knee <= LotusGate::LOW_KNEE) {
            return new RestrictionFinding(
                Restriction::None,
                [new Reason('restriction.low', Source::Trade, ['knee' => $knee, 'hand' => LotusGate::LOW_KNEE])],
                $knee,
            );
        }
        try {
            $margins = [
                $this->margin(Ability::ExternalRotation, Component::ExternalRotation),
                $this->margin(Ability::Abduction, Component::Abduction),
            ];
        } catch (OutOfReach|StraightKnee) {
            return new RestrictionFinding(
                Restriction::Unknown,
                [new Reason('restriction.out-of-reach', Source::Computed, ['knee' => $knee])],
                $knee,
            );
        }
        $in = static fn (State $state): array => array_values(
            array_filter($margins, static fn (AbilityMargin $margin): bool => $state === $margin->state()),
        );
        $reasons = array_map(self::reason(...), $margins);
        if ([] !== $in(State::Unknown)) {
            $tests = array_map(
                fn (AbilityMargin $margin): ?string => $this->poses->isolating($margin->ability)?->id,
                $in(State::Unknown),
            );

            return new RestrictionFinding(
                Restriction::Unknown,
                $reasons,
                $knee,
                null,
                array_values(array_filter($tests, is_string(...))),
            );
        }
        $predicted = $this->lowest($margins);
        $proportion = $this->proportion($margins);
        if ([] !== $in(State::Short)) {
            return new RestrictionFinding(
                2 === count($in(State::Short)) ? Restriction::Both : Restriction::of($in(State::Short)[0]->ability),
                [...$reasons, ...$proportion],
                $knee,
                $predicted,
            );
        }
        // Neither is short beyond its noise: what is least to spare explains it, if anything is missing at all.
        $least = $margins[1]->difference() < $margins[0]->difference() ? $margins[1] : $margins[0];
        $explained = $least->difference() < 0.0 ? Restriction::of($least->ability) : Restriction::None;
        if (null === $predicted) {
            return new RestrictionFinding($explained, [...$reasons, ...$proportion], $knee);
        }
        $noise = $this->noise($margins, $predicted);
        $numbers = ['knee' => $knee, 'predicted' => $predicted, 'noise' => $noise];

        // A lower bound that is enough proves it as well: more turn would only have predicted a lower knee.
        return $this->sitting->isClean() && $knee - $predicted > $noise
            ? new RestrictionFinding(
                Restriction::Structure,
                [new Reason('restriction.structure', Source::Trade, $numbers), ...$reasons, ...$proportion],
                $knee,
                $predicted,
            )
            : new RestrictionFinding(
                $explained,
                [new Reason('restriction.explained', Source::Computed, $numbers), ...$reasons, ...$proportion],
                $knee,
                $predicted,
            );
    }

    /** What one of the two can do, against what this sitting asks with the knee a hand's breadth from the floor. */
    private function margin(Ability $ability, Component $component): AbilityMargin
    {
        $person = $this->poses->person;
        $body = $person->proportions->body($this->side);
        $asked = new KneeAtHeight($this->contact(), LotusGate::LOW_KNEE);
        // Where the feet are was read; the hand's breadth was not.
        $sensitivity = Sensitivity::of($asked, $body)->withReadingErrors([
            'kneeHeight' => 0.0,
            'heelDistance' => $this->error('heelDistance'),
        ]);
        $capacity = $person->capacities($this->side)->get($ability)?->isolating();

        return AbilityMargin::of(
            $ability,
            $capacity,
            $asked->angles($body)[$component->value],
            $sensitivity->uncertainty($component, $this->sitting->name()),
            $person->proportions->error($this->side),
            $person->proportions,
            $person->isTooOld($capacity?->on()),
        );
    }

    private static function reason(AbilityMargin $margin): Reason
    {
        $code = match ($margin->state()) {
            State::Unknown => 'restriction.unread',
            State::Short => 'restriction.short',
            default => 'restriction.fine',
        };

        return new Reason($code, Source::Computed, [
            'ability' => $margin->ability->value,
            'asked' => $margin->asked,
            'shown' => $margin->shown ?? 0.0,
            'smallest' => $margin->smallestChange(),
        ]);
    }

    /**
     * The lowest knee in the person's own sitting that the two allow, in cm; null when nothing fits upright.
     *
     * @param array{AbilityMargin, AbilityMargin} $margins rotation, abduction
     * @param Ability|null $less that of which one SD is taken away
     */
    private function lowest(array $margins, ?Ability $less = null): ?float
    {
        return LowestKnee::search(
            $this->contact(),
            $this->poses->person->proportions->body($this->side),
            self::capacity($margins, $less),
        )?->height();
    }

    /**
     * How far above the predicted one a knee may lie by error alone, in cm: the tape's, and each capacity's by what
     * a knee would do with one SD less of it.
     *
     * @param array{AbilityMargin, AbilityMargin} $margins
     */
    private function noise(array $margins, float $predicted): float
    {
        $variance = $this->error('kneeHeight') ** 2;
        foreach ($margins as $margin) {
            // Less of either never brings the knee lower; where nothing fits any more, it is as far as any knee goes.
            $variance += (($this->lowest($margins, $margin->ability) ?? INF) - $predicted) ** 2;
        }

        return SmallestChange::between(sqrt($variance));
    }

    /**
     * @param array{AbilityMargin, AbilityMargin} $margins
     *
     * @return list<Reason>
     */
    private function proportion(array $margins): array
    {
        $body = $this->poses->person->proportions->body($this->side);
        $ratio = $body->shin / $body->thigh;
        $share =
            $ratio > ProportionShare::LONG_SHIN
                ? ProportionShare::of($this->contact(), $body, self::capacity($margins))
                : null;

        return null === $share
            ? []
            : [new Reason('restriction.long-shin', Source::Computed, ['share' => $share, 'ratio' => $ratio])];
    }

    /**
     * @param array{AbilityMargin, AbilityMargin} $margins rotation, abduction
     * @param Ability|null $less that of which one SD is taken away
     */
    private static function capacity(array $margins, ?Ability $less = null): Capacity
    {
        [$rotation, $abduction] = array_map(
            static fn (AbilityMargin $margin): ?float => $less === $margin->ability && null !== $margin->shown
                ? $margin->shown - $margin->error
                : $margin->shown,
            $margins,
        );

        return new Capacity(null, $abduction, $rotation);
    }

    private function contact(): SolesTogether
    {
        return new SolesTogether($this->read('heelDistance'), $this->sitting->sitting);
    }

    private function read(string $name): float
    {
        return $this->sitting->measure($name)->mean();
    }

    private function error(string $name): float
    {
        return $this->poses->person->readingError($this->sitting, $name);
    }
}
