<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

/** Lotus, the bound wide-leg fold and a deep backbend, before the feet turn to the navel (common practice). */
final class NavelFirst extends PrerequisiteFirst
{
    public function postures(): array
    {
        return ['feet-to-navel'];
    }

    protected function needs(): array
    {
        return ['lotus', 'bound-wide-fold', 'camel'];
    }
}
