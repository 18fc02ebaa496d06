<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

use LucidAscent\App\Figure\DrawnFigure;

/** Two figures side by side out of the same computation, and the one sentence that they show. */
final readonly class Comparison
{
    /**
     * @param string $code of the sentence and of the names of the two
     * @param array<string, float> $numbers degrees and cm of the sentence
     */
    public function __construct(
        public string $code,
        public DrawnFigure $one,
        public DrawnFigure $two,
        public array $numbers,
    ) {
    }
}
