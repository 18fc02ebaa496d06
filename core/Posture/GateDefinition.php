<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** A gate before a rung, as the catalogue writes it down. */
final readonly class GateDefinition
{
    /** @param string $asks a posture, the outcome of the sitting, or the test that watches, by kind */
    public function __construct(public GateKind $kind, public string $asks)
    {
    }
}
