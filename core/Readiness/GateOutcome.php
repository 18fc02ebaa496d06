<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

/** What the lotus gate lets a side attempt. */
enum GateOutcome: string
{
    case NotNow = 'not-now';
    case Supported = 'supported';
    case MayTry = 'may-try';

    public function allows(self $needed): bool
    {
        return $this->rank() >= $needed->rank();
    }

    private function rank(): int
    {
        return match ($this) {
            self::NotNow => 0,
            self::Supported => 1,
            self::MayTry => 2,
        };
    }
}
