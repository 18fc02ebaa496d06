<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Repository\Records;

/**
 * What was practised, and not decided on yet: of each ladder and side the newest check, where no decision is on record.
 */
final readonly class Undecided
{
    public function __construct(private Records $records)
    {
    }

    /** @return array<string, RungCheck> by ladder and side: "half-lotus left" */
    public function of(Practitioner $practitioner): array
    {
        $decided = [];
        foreach ($this->records->allDecisions($practitioner) as $decision) {
            $decided[(string) $decision->check->id] = true;
        }
        $newest = [];
        foreach ($this->records->allChecks($practitioner) as $check) {
            $newest["$check->ladder {$check->side->value}"] ??= $check;
        }

        return array_filter($newest, static fn (RungCheck $check): bool => !isset($decided[(string) $check->id]));
    }
}
