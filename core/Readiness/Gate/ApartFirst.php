<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

/** Balance, inner thigh, hamstring and lizard tested apart, before the standing bind (common practice). */
final class ApartFirst extends PrerequisiteFirst
{
    public function postures(): array
    {
        return ['standing-bind'];
    }

    protected function needs(): array
    {
        return ['tree', 'side-lunge', 'half-split', 'lizard'];
    }
}
