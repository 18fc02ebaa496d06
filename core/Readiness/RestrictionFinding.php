<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Reason\Reason;

/** A restriction, with what speaks for it and against it. */
final readonly class RestrictionFinding
{
    /**
     * @param list<Reason> $reasons
     * @param float|null $measured knee height in cm
     * @param float|null $predicted the lowest that rotation and abduction as measured would allow, in cm
     * @param list<string> $tests those that would tell, where it is not known
     */
    public function __construct(
        public Restriction $restriction,
        public array $reasons,
        public ?float $measured = null,
        public ?float $predicted = null,
        public array $tests = [],
    ) {
    }

    /** @param list<Reason> $reasons */
    public function besides(array $reasons): self
    {
        return new self(
            $this->restriction,
            [...$this->reasons, ...$reasons],
            $this->measured,
            $this->predicted,
            $this->tests,
        );
    }
}
