<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;

/** A person with some abilities as they might become, for looking ahead; the record is not touched. */
final class WhatIf
{
    /** What may be supposed, in degrees. */
    public const ABILITIES = ['rotation', 'abduction', 'flexion', 'hamstrings', 'extension'];
    public const FURTHEST = 160.0;

    /** @param array<string, float> $supposed degrees by ability and side: "rotation.left" */
    public static function of(Snapshot $person, array $supposed): Snapshot
    {
        foreach (Side::cases() as $side) {
            $evidence = [];
            foreach (self::ABILITIES as $name) {
                if (isset($supposed["$name.$side->value"])) {
                    $evidence[] = new Evidence(
                        Ability::from($name),
                        $supposed["$name.$side->value"],
                        Bound::Exact,
                        Uncertainty::none(),
                        'supposed',
                        on: $person->on,
                    );
                }
            }
            if ([] !== $evidence) {
                $person = $person->supposing($side, $evidence);
            }
        }

        return $person;
    }
}
