<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

/** What the other leg does meanwhile, and so where it is drawn. */
enum OtherLeg
{
    /** The same, mirrored: both legs are asked alike. */
    case Alike;
    /** It lies as this one does, and less is asked of it. */
    case Mirrors;
    /** It lies ahead, and is asked for its part too. */
    case Works;
    case Ahead;
    case Behind;
    /** Its thigh is folded as far as is said, its shin hanging or planted. */
    case Folded;
    /** It stands, its shin upright. */
    case Stands;

    /** Whether its thigh carries this leg's ankle, its own knee bent. */
    public function carriesFoot(): bool
    {
        return self::Folded === $this;
    }

    /** Whether what holds one leg holds the shape. */
    public function isUsed(): bool
    {
        return in_array($this, [self::Alike, self::Works], true);
    }
}
