<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;

/** Pain as it was said: 0 to 10, where, and of which kind. */
final readonly class Pain
{
    /** @throws InvalidValue when the level is outside 0 to 10 */
    public function __construct(public int $level, public PainPlace $place, public PainKind $kind = PainKind::Ache)
    {
        Check::within('pain.level', (float) $level, 0.0, 10.0, 'of 10');
    }

    public static function none(): self
    {
        return new self(0, PainPlace::None);
    }

    /** What was said of pain, and cannot be read otherwise: as serious as a sharp pain. */
    public static function unreadable(PainPlace $place = PainPlace::Unknown): self
    {
        return new self(1, $place, PainKind::Sharp);
    }

    public function equals(self $other): bool
    {
        return $this->level === $other->level && $this->place === $other->place && $this->kind === $other->kind;
    }

    /** Whether anything hurts; numbness counts whatever number is given with it. */
    public function isFelt(): bool
    {
        return $this->level > 0 || $this->kind->isNumb();
    }

    /** Whether what was done with it proves nothing: anything but a stretch that nobody minds. */
    public function spoils(): bool
    {
        return $this->isFelt()
            && (PainKind::Stretch !== $this->kind || $this->level >= PainRule::ACHE || $this->place->isKnee());
    }

    public function isInKnee(): bool
    {
        return $this->isFelt() && $this->place->isKnee();
    }
}
