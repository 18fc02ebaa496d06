<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/** No knee height fits with the pelvis as it is; what would make one fit is beside it. */
final class NoUprightKnee extends OutOfReach
{
    public Tuck $tuck;

    public static function unless(Tuck $tuck): self
    {
        $ways = [];
        if (null !== $tuck->degrees) {
            $ways[] = sprintf('the pelvis tucks by %.1f°', $tuck->degrees);
        }
        if (null !== $tuck->seat) {
            $ways[] = sprintf('the seat is %.1f cm high', $tuck->seat);
        }
        $none = new self('No knee height keeps every angle within its capacity with the pelvis as it is'
            .([] === $ways ? ', nor with any tuck or seat.' : ', unless '.implode(' or ', $ways).'.'));
        $none->tuck = $tuck;

        return $none;
    }
}
