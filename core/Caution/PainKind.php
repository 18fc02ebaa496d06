<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

/** What a pain is like. */
enum PainKind: string
{
    /** What a muscle says when it is drawn. */
    case Stretch = 'stretch';
    case Ache = 'ache';
    case Sharp = 'sharp';
    case Pinching = 'pinching';
    case Burning = 'burning';
    /** Numbness or tingling that does not go within a minute. */
    case LastingNumbness = 'lasting-numbness';
    /** Clicking or locking, with pain. */
    case Clicking = 'clicking';

    /** What people write for a kind; a word that nobody knows is as serious as a sharp pain. */
    public static function named(string $word): self
    {
        return self::known($word) ?? self::Sharp;
    }

    /** @return self|null null for a word that nobody knows */
    public static function known(string $word): ?self
    {
        $word = strtolower(trim($word));

        return self::tryFrom($word) ?? match ($word) {
            'numbness', 'numb', 'tingling', 'tingly', 'pins and needles' => self::LastingNumbness,
            'locking', 'clicking-or-locking', 'clicking or locking' => self::Clicking,
            'pinch' => self::Pinching,
            default => null,
        };
    }

    /** Whether it is watched and no more while it is low. */
    public function isMild(): bool
    {
        return self::Ache === $this || self::Stretch === $this;
    }

    public function isNumb(): bool
    {
        return self::LastingNumbness === $this;
    }
}
