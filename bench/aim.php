<?php

declare(strict_types=1);

/** One line: what was measured, and how it stands to what is aimed at. */
return static function (string $said, float $value, float $most): void {
    printf("%s (aim: at most %g, %s)\n", $said, $most, $value <= $most ? 'met' : 'MISSED');
};
