<?php

declare(strict_types=1);

namespace LucidAscent\Core\Reason;

/** Why: a code that a text is kept for, the numbers it rests on, and where the rule comes from. */
final readonly class Reason
{
    /**
     * @param array<string, float|int|string|list<string>> $numbers lengths in cm, angles in degrees, ids and names, by
     *     name
     */
    public function __construct(public string $code, public Source $source, public array $numbers = [])
    {
    }
}
