<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

/** How large a figure is drawn: the smaller, the less of it. */
enum Size: string
{
    case Mark = 'mark';
    case Strip = 'strip';
    case Card = 'card';
    case Large = 'large';

    /** Whether it stands in a line beside a name that says all. */
    public function isSilent(): bool
    {
        return self::Mark === $this || self::Strip === $this;
    }
}
