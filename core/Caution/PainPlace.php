<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

enum PainPlace: string
{
    case None = 'none';
    case Knee = 'knee';
    case InnerKnee = 'inner-knee';
    case OuterKnee = 'outer-knee';
    case Groin = 'groin';
    case OuterHip = 'outer-hip';
    case InnerThigh = 'inner-thigh';
    case Hamstring = 'hamstring';
    /** Where the hamstring begins: a tendon, which a stretch pulls at and does not open. */
    case SittingBone = 'sitting-bone';
    case LowBack = 'low-back';
    case Tailbone = 'tailbone';
    case Neck = 'neck';
    case Shoulder = 'shoulder';
    case Wrist = 'wrist';
    case Ankle = 'ankle';
    case Elsewhere = 'elsewhere';
    /** Written down in words that are on no list. */
    case Unknown = 'unknown';

    public static function named(string $word): self
    {
        return self::tryFrom(strtr(strtolower(trim($word)), ' _', '--')) ?? self::Unknown;
    }

    /** @return list<self> those that somebody may choose */
    public static function choices(): array
    {
        $choices = self::cases();
        array_pop($choices);

        return $choices;
    }

    public function isKnee(): bool
    {
        return in_array($this, [self::Knee, self::InnerKnee, self::OuterKnee], true);
    }

    /** In the middle of the body: no side is its own. */
    public function isMiddle(): bool
    {
        return in_array($this, [self::LowBack, self::Tailbone, self::Neck], true);
    }
}
