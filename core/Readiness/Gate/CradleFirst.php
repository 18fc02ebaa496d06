<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

/** The shin level in the bend of the elbow, before the leg goes behind the head (common practice). */
final class CradleFirst extends PrerequisiteFirst
{
    public function postures(): array
    {
        return ['leg-behind-head'];
    }

    protected function needs(): array
    {
        return ['leg-cradle'];
    }
}
