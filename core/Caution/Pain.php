<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/** Pain as it was said: 0 to 10, where, and of which kind. */
final readonly class Pain
{
    /** @throws InvalidValue when the level is outside 0 to 10 */
    public function __construct(
        public int $level,
        public PainPlace $place,
        public PainKind $kind = PainKind::Ache,
    ) {
        Check::within('pain.level', (float) $level, 0.0, 10.0, 'of 10');
    }

    public static function none(): self
    {
        return new self(0, PainPlace::None);
    }

    public function isInKnee(): bool
    {
        return $this->level > 0 && PainPlace::Knee === $this->place;
    }

    /** Pain of a kind or in a place that ends the work at once, whatever its level. */
    public function stops(): bool
    {
        return $this->level > 0 && (PainPlace::Knee === $this->place || $this->kind->stops());
    }
}
