<?php

declare(strict_types=1);

namespace LucidAscent\App\Planning;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\Core\Reason\Reason;

/** What a change of a plan came to: the new version, or the rules that it breaks. */
final readonly class PlanChange
{
    /**
     * @param PracticePlan|null $newer null where a rule forbids it
     * @param list<Reason> $broken
     * @param int $week the place of the week that it is in
     */
    private function __construct(public ?PracticePlan $newer, public array $broken, public int $week)
    {
    }

    public static function made(PracticePlan $newer, int $week): self
    {
        return new self($newer, [], $week);
    }

    /** @param non-empty-list<Reason> $broken */
    public static function refused(array $broken, int $week): self
    {
        return new self(null, $broken, $week);
    }
}
