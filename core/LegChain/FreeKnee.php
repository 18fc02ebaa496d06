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
    use IsReadByJoints;

    /**
     * @param float|null $outside how far from the midline the knee has to stay, in cm, on its own side, to be clear of
     *     the body; outside its own hip joint when nothing else is said
     */
    public function __construct(
        public AnkleContact $contact,
        public Capacity $capacity,
        public ?float $outside = null,
    ) {
    }

    public function joints(Body $body): array
    {
        $swivel = $this->swivel($body);

        return $swivel->joints($swivel->best($this->capacity, $this->outside($body)));
    }

    /**
     * The circle on which the knee goes.
     *
     * @throws OutOfReach when the leg cannot span from hip to ankle
     * @throws StraightKnee when it spans it only stretched out
     */
    public function swivel(Body $body): Swivel
    {
        return Swivel::between(
            $this->contact->hip($body),
            $this->contact->ankle($body),
            $body,
            $this->contact->sitting()->pelvicTilt,
        );
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

    public function pelvicTilt(): float
    {
        return $this->contact->sitting()->pelvicTilt;
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
