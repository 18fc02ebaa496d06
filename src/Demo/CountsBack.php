<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

/** Days of what is made up are counted back from now. */
trait CountsBack
{
    private function ago(int $days): \DateTimeImmutable
    {
        return $this->clock->now()->modify(sprintf('%+d days', -$days));
    }
}
