<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

/**
 * An ankle contact whose knee goes where it is easiest for this person: what the posture asks then
 * is the point of the swivel with the best worst margin against the person's capacity.
 */
final readonly class FreeKnee implements ChainReading, Posture
{
    /**
     * @param float|null $outside how far from the midline the knee has to stay, in cm, on its own side, to be clear of
     *                            the body; outside its own hip joint when nothing else is said
     */
    public function __construct(
        public AnkleContact $contact,
        public Capacity $capacity,
        public ?float $outside = null,
    ) {
    }

    public function pose(Body $body): LegPose
    {
        return Swivel::between($this->contact->hip($body), $this->contact->ankle($body), $body, $this->contact->sitting()->pelvicTilt)
            ->best($this->capacity, $this->outside($body));
    }

    /** How far from the midline the knee has to stay with this body, in cm. */
    public function outside(Body $body): float
    {
        return $this->outside ?? $this->contact->hip($body)->y;
    }

    /**
     * The same position with the knee held where it is easiest: what a body of slightly other lengths asks
     * for is then found without searching anew.
     *
     * @param LegPose $pose the position as this body has it
     */
    public function held(LegPose $pose, Body $body): HeldKnee
    {
        return HeldKnee::of($this, $pose, $body);
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
        return new self($this->contact->shifted($name, $by), $this->capacity, $this->outside);
    }
}
