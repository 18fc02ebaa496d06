<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

/** The version of the rules, kept with every record that they made; raised whenever an answer could change. */
final class Rules
{
    public const VERSION = '12';
}
