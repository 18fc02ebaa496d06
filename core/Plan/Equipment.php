<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/** The props that a person has at home. */
final readonly class Equipment
{
    /** What is there, or is not; where nobody has said, it is taken to be there. */
    public const THERE_OR_NOT = ['bolster', 'cushion', 'wall', 'chair', 'bed-edge'];

    /**
     * @param list<string> $without those of THERE_OR_NOT that are not there
     *
     * @throws InvalidValue when there are fewer than none
     */
    public function __construct(
        public int $blocks,
        public int $blankets,
        public bool $strap,
        public array $without = [],
    ) {
        Check::within('props.blocks', (float) $blocks, 0.0, 20.0, '');
        Check::within('props.blankets', (float) $blankets, 0.0, 20.0, '');
    }

    /** A studio has what it takes. */
    public static function ofAStudio(): self
    {
        return new self(20, 20, true);
    }

    public function has(PracticeRung $rung): bool
    {
        return [] === $this->missing($rung);
    }

    /** @return list<string> what a rung needs and is not there, or not often enough */
    public function missing(PracticeRung $rung): array
    {
        $missing = array_intersect(array_keys($rung->props), $this->without);
        // One strap is a strap.
        $needs = [...$rung->props, 'strap' => min(1, $rung->props['strap'] ?? 0)];
        $has = ['block' => $this->blocks, 'blanket' => $this->blankets, 'strap' => (int) $this->strap];
        foreach ($has as $prop => $count) {
            if (($needs[$prop] ?? 0) > $count) {
                $missing[] = $prop;
            }
        }

        return array_values($missing);
    }
}
