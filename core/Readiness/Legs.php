<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

/**
 * The positions of one person's legs, each reckoned once: rungs of several ladders, sides that are alike and what-ifs
 * ask for the same.
 */
final class Legs
{
    /** @var array<string, LegAsked> */
    private array $reckoned = [];

    /**
     * @param string $position all that it depends on, but for the person
     * @param \Closure(): LegAsked $reckon
     */
    public function at(string $position, \Closure $reckon): LegAsked
    {
        return $this->reckoned[$position] ??= $reckon();
    }
}
