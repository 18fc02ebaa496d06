<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Lab\LabPosture;
use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Shortfall;

/** The highest rung whose leg position asks for no more than is known of a person. */
final class WithinReach
{
    /**
     * Rungs that the leg chain does not judge are passed over.
     *
     * @param array<string, mixed> $posture
     *
     * @return string|null the rung's name; null when none is in reach
     */
    public static function rung(array $posture, Body $body, float $stature, Capacity $capacity): ?string
    {
        foreach (array_reverse($posture['rungs']) as $rung) {
            $contact = LabPosture::tryFrom($rung['demand']['contact'] ?? '');
            if (null === $contact) {
                continue;
            }
            try {
                $angles = $contact->posture(Fields::of($rung['demand']['values']), $capacity, $stature)->angles($body);
            } catch (\DomainException) {
                continue;
            }
            if (Shortfall::of($angles, $capacity)->isNone()) {
                return $rung['name'];
            }
        }

        return null;
    }
}
