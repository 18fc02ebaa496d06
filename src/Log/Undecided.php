<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Repository\Records;

/**
 * What was practised, and waits for a decision: about it, or about a later check of that ladder and side, made when it
 * was on record. What came later hides nothing.
 */
final readonly class Undecided
{
    public function __construct(private Records $records)
    {
    }

    /** @return array<string, non-empty-list<RungCheck>> by ladder and side, "half-lotus left"; the newest first */
    public function of(Practitioner $practitioner): array
    {
        $decisions = [];
        foreach ($this->records->allDecisions($practitioner) as $decision) {
            $decisions["$decision->ladder {$decision->side->value}"][] = $decision;
        }
        $waiting = [];
        foreach ($this->records->allChecks($practitioner) as $check) {
            $of = "$check->ladder {$check->side->value}";
            $about = array_filter(
                $decisions[$of] ?? [],
                static fn (Decision $one): bool => self::isAbout($one, $check),
            );
            if ([] === $about) {
                $waiting[$of][] = $check;
            }
        }

        return $waiting;
    }

    private static function isAbout(Decision $decision, RungCheck $check): bool
    {
        return $decision->at >= $check->at && $decision->check->practisedOn >= $check->practisedOn;
    }
}
