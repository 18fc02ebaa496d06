<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/** A reading whose angle is the arcsine of how high something is against how long it is. */
interface Inclination extends Reading
{
    public static function component(): Component;

    /** Height over length; it would be 1 straight up. */
    public function ratio(Body $body): float;

    /** 1 while the angle grows with the ratio, −1 once the limb has passed the vertical. */
    public function direction(): int;
}
