<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Conditioning;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\StraightKnee;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\SolesTogetherTest;

/**
 * Reads soles-together sitting for half lotus.
 *
 * Soles-together sitting shows every angle at least as far as it went, and leaves open which of
 * them stopped it: it can open half lotus, and can never prove it short.
 */
final class HalfLotusReading
{
    /** A reading older than this says nothing any more. */
    public const DAYS_VALID = 90;

    /** The full form is asked about with the knee a hand's breadth from the floor, in cm. */
    public const RESTING_KNEE = 10.0;

    /**
     * Hip flexion that is taken for granted until somebody measures it, in degrees: sitting with
     * the soles together never asks for its end, and a shortage shows as a tucked pelvis, not in
     * the knee. Soucie et al., Haemophilia (2011), men of 20 to 44, from memory.
     */
    public const FLEXION_TAKEN = 130.0;

    public static function of(SolesTogetherTest $test, Proportions $proportions, \DateTimeImmutable $now): HalfLotusVerdict
    {
        $side = $test->side;
        if ($test->pain->isInKnee()) {
            return HalfLotusVerdict::held($side, new Reason('held.knee-pain', Source::Trade, ['level' => $test->pain->level]));
        }
        if ($test->pain->stops()) {
            return HalfLotusVerdict::held($side, new Reason('held.stop-sign', Source::Trade, [
                'level' => $test->pain->level,
                'kind' => $test->pain->kind->value,
                'place' => $test->pain->place->value,
            ]));
        }
        $days = (int) $test->on->diff($now)->format('%r%a');
        if ($days > self::DAYS_VALID) {
            return HalfLotusVerdict::unknown($side, new Reason('unknown.too-old', Source::Own, ['days' => $days, 'limit' => self::DAYS_VALID]));
        }
        $body = $proportions->body($side);
        try {
            $measured = $test->reading()->pose($body);
        } catch (OutOfReach|StraightKnee) {
            return HalfLotusVerdict::unknown($side, new Reason('unknown.out-of-reach', Source::Computed, [
                'knee' => $test->kneeHeight->mean(),
                'heels' => $test->heelDistance->mean(),
            ]));
        }

        $gate = LotusGate::outcome($test->heelDistance->mean(), $test->kneeHeight->mean(), $test->sitting()->hipHeight($body));
        $block = self::block($test, $body, $measured->angles);
        $numbers = [
            'heels' => $test->heelDistance->mean(),
            'knee' => $test->kneeHeight->mean(),
            'hip' => $test->sitting()->hipHeight($body),
        ];
        $reasons = [new Reason('gate.'.$gate->value, Source::Trade, $numbers)];

        $seen = $test->sensitivity($body);
        $errors = [];
        foreach (Component::cases() as $component) {
            $errors[$component->value] = $seen->error($component, $proportions->error($side));
        }
        $deep = HalfLotus::deep($test->sitting());
        $allowed = self::allowed($measured->angles);
        $reach = LowestKnee::search($deep, $body, $allowed)->pose ?? LowestKnee::compromise($deep, $body, $allowed);
        $atReach = null === $reach ? null : self::demand($reach->knee->z, $test, $proportions, $measured->angles, $seen);
        $full = self::demand(self::RESTING_KNEE, $test, $proportions, $measured->angles, $seen);
        $conditioning = Conditioning::of($test->reading(), $body, $proportions->error($side));
        [$state, $limiter] = self::worst($full->margins ?? []);
        if (GateOutcome::MayTry !== $gate) {
            // The gate stands before the numbers: it can keep a side back, and never lets one pass.
            $state = $state->worse(State::Unknown);
        }
        foreach ($full->margins ?? [] as $margin) {
            $reasons[] = self::marginReason($margin);
        }
        $reasons[] = null === $block
            ? new Reason('block.none', Source::Computed, ['flexion' => max(self::FLEXION_TAKEN, $measured->angles->flexion)])
            : new Reason('block.height', Source::Computed, ['height' => $block->height, 'limiter' => $block->limiter->value ?? 'floor']);

        if ($conditioning->isPoor) {
            $reasons[] = new Reason('conditioning.poor', Source::Own, [
                'error' => $conditioning->rotationError,
                'heels' => $conditioning->betterHeels ?? 0.0,
            ]);
        }

        return new HalfLotusVerdict(
            $side,
            $state,
            $gate,
            $limiter,
            $reasons,
            self::changes($gate, $state, $numbers),
            $errors,
            $measured,
            $atReach,
            $full,
            $block,
            self::levelSeat($test, $body),
        );
    }

    /** The lowest knee with one foot on the middle of the other thigh, within the angles shown. */
    private static function block(SolesTogetherTest $test, Body $body, LegAngles $shown): ?KneeBlock
    {
        $lowest = LowestKnee::search(HalfLotus::easy($test->sitting()), $body, self::allowed($shown));

        return null === $lowest ? null : new KneeBlock($lowest->height(), $lowest->limiter, $lowest->pose);
    }

    private static function allowed(LegAngles $shown): Capacity
    {
        return new Capacity(max(self::FLEXION_TAKEN, $shown->flexion), $shown->abduction, $shown->rotation);
    }

    /** What half lotus with the foot deep in the crease asks with the knee at this height, in cm. */
    private static function demand(
        float $kneeHeight,
        SolesTogetherTest $test,
        Proportions $proportions,
        LegAngles $shown,
        Sensitivity $seen,
    ): ?Demand {
        $body = $proportions->body($test->side);
        try {
            $posture = new KneeAtHeight(HalfLotus::deep($test->sitting()), $kneeHeight);
            $pose = $posture->pose($body);
            // The knee height is the question here, not a reading: it carries no error.
            $difference = $seen->minus(Sensitivity::of($posture, $body)->withReadingErrors(['kneeHeight' => 0.0]));
        } catch (OutOfReach|StraightKnee) {
            return null;
        }
        $margins = [];
        foreach ([Component::Rotation, Component::Abduction, Component::Flexion] as $component) {
            $margins[] = new Margin(
                $component,
                $shown->of($component),
                Bound::AtLeast,
                $pose->angles->of($component),
                $difference->error($component, $proportions->error($test->side)),
            );
        }

        return new Demand($pose, $margins, self::allowed($shown)->worstMargin($pose->angles) >= 0.0);
    }

    /**
     * @param list<Margin> $margins
     *
     * @return array{State, Component|null}
     */
    private static function worst(array $margins): array
    {
        $state = [] === $margins ? State::Unknown : State::Open;
        $worst = null;
        foreach ($margins as $margin) {
            $state = $state->worse($margin->state());
            if (null === $worst || $margin->degrees() < $worst->degrees()) {
                $worst = $margin;
            }
        }

        return [$state, State::Open === $state ? null : $worst?->component];
    }

    private static function marginReason(Margin $margin): Reason
    {
        return new Reason('margin.'.$margin->state()->value, Source::Computed, [
            'component' => $margin->component->value,
            'shown' => $margin->capacity,
            'asked' => $margin->demand,
            'difference' => abs($margin->degrees()),
            'error' => $margin->error,
            'smallest' => $margin->smallestChange(),
        ]);
    }

    /**
     * @param array{heels: float, knee: float, hip: float} $numbers
     *
     * @return list<Reason>
     */
    private static function changes(GateOutcome $gate, State $state, array $numbers): array
    {
        $changes = [];
        if (GateOutcome::NotNow === $gate) {
            $changes[] = new Reason('change.to-supported', Source::Own, [
                'heels' => LotusGate::FAR_HEELS,
                'knee' => $numbers['hip'] + LotusGate::HIGH_ABOVE_HIP,
            ]);
        }
        if (GateOutcome::MayTry !== $gate) {
            $changes[] = new Reason('change.to-may-try', Source::Own, [
                'heels' => LotusGate::CLOSE_HEELS,
                'knee' => LotusGate::LOW_KNEE,
            ]);
        }
        if (State::Open !== $state) {
            $changes[] = new Reason('change.direct-test', Source::Own);
        }

        return $changes;
    }

    private static function levelSeat(SolesTogetherTest $test, Body $body): float
    {
        return $test->seat + max(0.0, $test->kneeHeight->mean() - $test->sitting()->hipHeight($body));
    }
}
