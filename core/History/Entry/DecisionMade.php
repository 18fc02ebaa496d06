<?php

declare(strict_types=1);

namespace LucidAscent\Core\History\Entry;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\Written;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;

/** What a teacher decided after a check. */
final readonly class DecisionMade implements Entry
{
    use Written;

    /**
     * @param string $rung the rung that was practised
     * @param string $rungAfter the rung on which the side goes on
     * @param bool $isPainless whether nothing hurt and nothing but the teacher asked for it
     * @param ReadinessCheck|null $check that it was decided after; null where nobody knows
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $on,
        public string $by,
        public string $posture,
        public Side $side,
        public string $rung,
        public string $rungAfter,
        public Step $step,
        public bool $isPainless,
        public ?ReadinessCheck $check = null,
    ) {
    }
}
