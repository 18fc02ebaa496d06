<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\InvalidValue;

/** Numbers by their names, wherever they were written down; lengths in cm, angles in degrees. */
interface Numbers
{
    public function has(string $name): bool;

    /** @throws InvalidValue when it is missing, or no finite number */
    public function number(string $name, ?float $default = null): float;
}
