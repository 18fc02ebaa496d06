<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\HeldKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\RungDemand;
use LucidAscent\Core\Testing\Capacities;

/** What a rung asks of one leg of this body, by the leg chain. */
final class LegAsked
{
    /**
     * @param array<string, float> $angles degrees by component
     * @param array<string, float> $shares how much the worst margin moves with each of two components between which a
     *     free knee trades
     * @param float|null $propHeight of the top of a block under the knee, in cm
     * @param bool $isImpossible whether a body of these lengths cannot be there at all
     */
    private function __construct(
        public readonly ?Posture $posture = null,
        public readonly ?LegPose $pose = null,
        public readonly array $angles = [],
        public readonly array $shares = [],
        public readonly ?Sensitivity $sensitivity = null,
        public readonly ?float $propHeight = null,
        public readonly bool $isImpossible = false,
    ) {
    }

    /** @param bool $atLimits whether all that is not known exactly is taken to go as far as legs do */
    public static function of(
        ?RungDemand $demand,
        PropRule $prop,
        Snapshot $person,
        Side $side,
        Capacities $capacities,
        bool $atLimits,
    ): self {
        if (null === $demand) {
            return new self();
        }
        $body = $person->proportions->body($side);
        $upper = $person->proportions->upper($side);
        $leg = $atLimits ? $capacities->limitsOfLeg() : $capacities->ofLeg();
        $shown = PropRule::KneeBlock === $prop ? $capacities->shown() : null;

        return $person->legs->at(
            spl_object_id($body).$upper->name().$demand->name().($demand->isFree() ? $leg->name() : '').$shown?->name(),
            static fn (): self => self::reckoned($demand, $leg, $upper, $body, $shown),
        );
    }

    /** @param Capacity|null $shown what a block under the knee is reckoned by; null where there is none */
    private static function reckoned(
        RungDemand $demand,
        Capacity $leg,
        UpperLengths $upper,
        Body $body,
        ?Capacity $shown,
    ): self {
        try {
            $asked = $demand->posture($leg, $upper);
            $height = null;
            if (null !== $shown && $asked instanceof KneeAtHeight) {
                $lowest = LowestKnee::search($asked->contact, $body, $shown);
                if (null !== $lowest) {
                    $asked = new KneeAtHeight($asked->contact, $lowest->height());
                    $height = $lowest->height() - LegChain::HALF_KNEE;
                }
            }
            $fixed = $asked;
            $pose = null;
            if ($asked instanceof FreeKnee) {
                $pose = $asked->pose($body);
                $fixed = $asked->held($pose, $body);
            } elseif ($asked instanceof ChainReading) {
                $pose = $asked->pose($body);
            }
            // The props of a rung are set, not read: they carry no error.
            $sensitivity = Sensitivity::ofSetUp($fixed, $body);

            return new self(
                $asked,
                $pose,
                $pose?->angles->toArray() ?? $asked->angles($body),
                $fixed instanceof HeldKnee ? $fixed->shares() : [],
                $sensitivity,
                $height,
            );
        } catch (\DomainException) {
            return new self(isImpossible: true);
        }
    }

    /** @return list<string> what these angles load */
    public function loads(): array
    {
        return null === $this->pose ? [] : Load::ofLeg($this->pose->angles->toArray());
    }
}
