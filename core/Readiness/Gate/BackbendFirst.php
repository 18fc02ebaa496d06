<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

/** Pigeon's front leg and a free backbend, before the foot is caught overhead (common practice). */
final class BackbendFirst extends PrerequisiteFirst
{
    public function postures(): array
    {
        return ['deep-pigeon'];
    }

    protected function needs(): array
    {
        return ['pigeon', 'camel'];
    }
}
