<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\PredictReach;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;

/** How far a person's hands get in the rungs of a ladder, and what was used there last. */
final readonly class Reaches
{
    public function __construct(private Records $records)
    {
    }

    /** @return array<string, array<string, non-empty-list<Reason>>> by rung and side, of rungs that reach */
    public function of(Practitioner $practitioner, ReadPoses $poses, string $posture): array
    {
        $reaches = [];
        foreach (Side::cases() as $side) {
            foreach ($poses->of($posture, $side)->rungs() as $reading) {
                $reach = $reading->rung->reach;
                // Where it is held, nothing is offered to go on with.
                $predicted =
                    null === $reach || [] !== $reading->heldBy
                        ? null
                        : PredictReach::of($reach, $poses->person, $side);
                if (null !== $predicted) {
                    $used = $this->used($practitioner, $posture, $reading->rung->id, $side);
                    $reaches[$reading->rung->id][$side->value] = [
                        ...$predicted->reasons(),
                        ...null === $used ? [] : [$predicted->against($used)],
                    ];
                }
            }
        }

        return $reaches;
    }

    /** The strap or the block of the newest clean check, in cm. */
    private function used(Practitioner $practitioner, string $posture, string $rung, Side $side): ?float
    {
        foreach ($this->records->allChecks($practitioner) as $check) {
            if (
                $check->ladder === $posture
                && $check->rung === $rung
                && $check->side === $side
                && null !== $check->propHeight
                && $check->check()->isClean()
            ) {
                return $check->propHeight;
            }
        }

        return null;
    }
}
