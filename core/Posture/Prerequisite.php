<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** A posture that prepares a ladder, with a word on why. */
final readonly class Prerequisite
{
    public function __construct(public string $id, public string $name, public string $why)
    {
    }
}
