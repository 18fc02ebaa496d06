<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/** A posture whose set-up can be changed: each prop and each chosen angle by its name, in cm or degrees. */
interface Posture extends Reading
{
    /**
     * What can be changed, and what it is now. `shifted()` takes these names beside those that were read.
     *
     * @return array<string, float>
     */
    public function props(): array;
}
