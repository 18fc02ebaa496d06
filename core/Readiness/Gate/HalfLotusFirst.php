<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

/** The sage twists and folds stand on half lotus: its knee comes down before any bind (common practice). */
final class HalfLotusFirst extends PrerequisiteFirst
{
    public function postures(): array
    {
        return ['half-lotus-fold-bind', 'half-lotus-twist', 'lotus'];
    }

    protected function needs(): array
    {
        return ['half-lotus'];
    }
}
