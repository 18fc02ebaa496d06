<?php

declare(strict_types=1);

namespace LucidAscent\Core\Reach;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\HasStrap;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\Posture\BodyReach;
use LucidAscent\Core\Posture\JointAsked;
use LucidAscent\Core\Posture\Reach;
use LucidAscent\Core\Posture\ReachKind;
use LucidAscent\Core\Posture\RungDemand;

/** Both hands over the head hold a strap round the foot behind: the leg chain says how long it has to be. */
final readonly class StrapOverhead implements Reach
{
    /** Which number of the contact each ability stands for. */
    private const JOINTS = ['shoulderFlexion' => Ability::ShoulderFlexion, 'kneeFlexion' => Ability::Quadriceps];

    public function __construct(private RungDemand $backLeg)
    {
    }

    public function kind(): ReachKind
    {
        return ReachKind::Overhead;
    }

    public function of(Proportions $body, Side $working): BodyReach
    {
        $behind = $working->opposite();
        $asks = [];
        foreach (self::JOINTS as $number => $ability) {
            $asks[$number] = new JointAsked($ability, $behind, $this->backLeg->values()[$number]);
        }

        $posture = $this->backLeg->posture(new Capacity(), $body->upper($working));

        return new class($posture, $body->body($behind), $asks) implements BodyReach {
            /** @param array<string, JointAsked> $asks by the contact's number */
            public function __construct(private Posture $posture, private Body $leg, private array $asks)
            {
            }

            public function asks(): array
            {
                return array_values($this->asks);
            }

            public function gap(array $short): float
            {
                $posture = $this->posture;
                foreach ($this->asks as $number => $asked) {
                    $posture = $posture->shifted($number, -max(0.0, $short[$asked->name()] ?? 0.0));
                }

                return $posture instanceof HasStrap
                    ? $posture->strap($this->leg)
                    : throw new \LogicException('No strap lies round this foot.');
            }
        };
    }
}
