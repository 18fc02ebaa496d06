<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

/**
 * An ankle contact whose knee stays at one place of its swivel, while lengths change a little: what
 * the best place asks for moves, to first order, as this does.
 */
final readonly class HeldKnee implements ChainReading, Posture
{
    /** @param float $radians where on the swivel */
    public function __construct(private AnkleContact $contact, private float $radians)
    {
    }

    public function pose(Body $body): LegPose
    {
        return Swivel::between($this->contact->hip($body), $this->contact->ankle($body), $body, $this->contact->sitting()->pelvicTilt)->pose($this->radians);
    }

    public function angles(Body $body): array
    {
        return $this->pose($body)->angles->toArray();
    }

    public function readingErrors(): array
    {
        return $this->contact->readingErrors();
    }

    public function props(): array
    {
        return $this->contact->props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self($this->contact->shifted($name, $by), $this->radians);
    }
}
