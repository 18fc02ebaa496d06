<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Posture;

/** What a rung asks of a leg, as a position of the leg chain. */
interface RungDemand
{
    /** @param UpperLengths $upper torso and arms, for what hands, neck or shoulder have a part in */
    public function posture(Capacity $capacity, UpperLengths $upper): Posture;

    /** Whether its knee goes where it suits: then what the leg can do decides on the position too. */
    public function isFree(): bool;

    /**
     * The contact by its name: a test of that name is set up in it, and however high the props are, it is one shape.
     */
    public function contact(): string;

    /** @return array<string, float> the position's own numbers, in cm and degrees */
    public function values(): array;

    /** What tells it from any other position: two of one name are the same position. */
    public function name(): string;

    /**
     * Which ability an angle of it draws on, and with which sign: straight legs apart are not bent legs
     * apart, and crossing over is abduction below zero.
     *
     * @return array{Ability, float}|null null for an angle that is not judged
     */
    public function ability(Component $component): ?array;
}
