<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\LegChain\Ability;

/**
 * Published ranges of motion, in degrees, shown as context only. They are of a straight or hanging
 * limb on a clinic's table, by goniometer; the turn of the thigh with hip and knee folded is another
 * thing, and has no norm here. All from memory.
 */
final class Norms
{
    /**
     * @return list<array{source: string, who: string, degrees: float}>
     */
    public static function of(Ability $ability): array
    {
        $aaos = static fn (float $degrees): array => [
            'source' => 'AAOS 1965',
            'who' => 'norm.adults',
            'degrees' => $degrees,
        ];
        $roaas = static fn (float $degrees): array => [
            'source' => 'Roaas & Andersson 1982',
            'who' => 'norm.men-30-40',
            'degrees' => $degrees,
        ];
        $soucie = static fn (float $women, float $men): array => [
            ['source' => 'Soucie et al. 2011', 'who' => 'norm.women-20-44', 'degrees' => $women],
            ['source' => 'Soucie et al. 2011', 'who' => 'norm.men-20-44', 'degrees' => $men],
        ];

        return match ($ability) {
            Ability::Flexion => [$aaos(120.0), $roaas(120.0), ...$soucie(134.0, 130.0)],
            Ability::Extension => [$aaos(30.0), $roaas(9.5), ...$soucie(18.0, 17.0)],
            Ability::Abduction, Ability::StraightAbduction => [$aaos(45.0), $roaas(38.5)],
            Ability::Adduction => [$aaos(30.0), $roaas(30.5)],
            Ability::InternalRotation => [$aaos(45.0), $roaas(32.5)],
            Ability::KneeFlexion => [$aaos(135.0), $roaas(144.0), ...$soucie(142.0, 138.0)],
            default => [],
        };
    }
}
