<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\ReadSeen;
use LucidAscent\Core\Testing\Evidence;

/** What was seen clean, as readings of one side: every angle that the position asks of this body is shown at least. */
final readonly class SeenReadings
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param list<Seen> $seen
     *
     * @return list<Evidence>
     */
    public function of(array $seen, Proportions $proportions, Side $side): array
    {
        $evidence = [];
        foreach ($seen as $one) {
            $rung = $this->catalogue->rung($one->posture, $one->rung);
            if (null !== $rung) {
                array_push($evidence, ...($one->side === $side ? ReadSeen::evidence(...) : ReadSeen::ofOtherLeg(...))($one, $rung, $proportions));
            }
        }

        return $evidence;
    }
}
