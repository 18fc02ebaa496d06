<?php

declare(strict_types=1);

/** One line: what was measured, and how it stands to what is aimed at; without an aim it is a figure to compare with. */
return static function (string $said, float $value, ?float $most = null, ?float $least = null): void {
    $aim = match (true) {
        null !== $most => sprintf(' (aim: at most %g, %s)', $most, $value <= $most ? 'met' : 'MISSED'),
        null !== $least => sprintf(' (aim: at least %g, %s)', $least, $value >= $least ? 'met' : 'MISSED'),
        default => '',
    };
    printf("%s%s\n", $said, $aim);
};
