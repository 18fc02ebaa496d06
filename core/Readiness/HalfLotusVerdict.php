<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** What soles-together sitting says of half lotus on one side, and why. */
final readonly class HalfLotusVerdict
{
    /**
     * @param list<Reason> $reasons in order of weight
     * @param list<Reason> $changes what would change the verdict
     * @param array<string, float> $errors one SD of each measured angle, by component, in degrees
     * @param LegPose|null $measured the leg as it was measured
     * @param Demand|null $atReach half lotus at the lowest knee these angles allow, or come nearest to
     * @param Demand|null $full half lotus with the knee a hand's breadth from the floor
     * @param KneeBlock|null $block for one foot on the middle of the other thigh
     * @param float|null $levelSeat seat height, in cm, at which these knees are no higher than the hips
     */
    public function __construct(
        public Side $side,
        public State $state,
        public ?GateOutcome $gate,
        public ?Component $limiter,
        public array $reasons,
        public array $changes,
        public array $errors = [],
        public ?LegPose $measured = null,
        public ?Demand $atReach = null,
        public ?Demand $full = null,
        public ?KneeBlock $block = null,
        public ?float $levelSeat = null,
    ) {
    }

    public static function held(Side $side, Reason $reason): self
    {
        return new self($side, State::Held, null, null, [$reason], [new Reason('change.clearance', Source::Trade)]);
    }

    public static function unknown(Side $side, Reason $reason): self
    {
        return new self($side, State::Unknown, null, null, [$reason], [new Reason('change.test', Source::Own)]);
    }
}
