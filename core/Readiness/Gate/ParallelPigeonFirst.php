<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

/** Pigeon with a parallel shin, before the crossed-shin arm balance (common practice). */
final class ParallelPigeonFirst extends PrerequisiteFirst
{
    public function postures(): array
    {
        return ['crossed-shin-balance'];
    }

    protected function needs(): array
    {
        return ['pigeon'];
    }
}
