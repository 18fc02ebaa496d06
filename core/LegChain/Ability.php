<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/** What tests measure of a person and postures ask for, by the names that the catalogue uses. */
enum Ability: string
{
    case Flexion = 'flexion';
    /** With bent knees. */
    case Abduction = 'abduction';
    /** With straight knees: the long inner-thigh muscles hold it back sooner. */
    case StraightAbduction = 'straight-abduction';
    /** The thigh's turn outward with hip and knee folded; not the clinic's figure with the thigh straight. */
    case ExternalRotation = 'rotation';
    case KneeFlexion = 'kneeFlexion';
    case Adduction = 'adduction';
    case InternalRotation = 'internal-rotation';
    /** Both turns of the thigh in one line with the trunk: the clinic's figures, asked for by no pose. */
    case NeutralInward = 'neutral-inward';
    case NeutralOutward = 'neutral-outward';
    case Extension = 'extension';
    case Hamstrings = 'hamstrings';
    /** How far a straight leg lifts by itself. */
    case ActiveLift = 'active-lift';
    case Quadriceps = 'quadriceps';
    case Ankle = 'ankle';
    case SpineExtension = 'spine-extension';
    case SpineRotation = 'spine-rotation';
    /** How far the trunk bends to that side, both sitting bones down. */
    case SideBend = 'side-bend';
    case ShoulderFlexion = 'shoulder-flexion';
    case ShoulderReach = 'shoulder-reach';
    case Balance = 'balance';
    case Strength = 'strength';
    case Ease = 'ease';

    /** What it is read in: degrees, cm or seconds. */
    public function unit(): string
    {
        return match ($this) {
            self::ShoulderReach, self::SpineExtension => 'cm',
            self::Balance, self::Strength => 'seconds',
            default => 'degrees',
        };
    }

    /** Whether a smaller figure is the larger ability: the gap between two hands, the block that a hand needs. */
    public function isLessMore(): bool
    {
        return self::ShoulderReach === $this || self::SpineExtension === $this;
    }

    /** One; or less than nothing, where less is more: a figure times this grows as the ability does. */
    public function turn(): float
    {
        return $this->isLessMore() ? -1.0 : 1.0;
    }

    /** Positive when the first figure shows more of this ability than the second. */
    public function compare(float $one, float $other): int
    {
        return $this->turn() * $one <=> $this->turn() * $other;
    }

    /** Its joint angle in the leg chain; null for what the chain does not know. */
    public function component(): ?Component
    {
        return Component::tryFrom($this->value);
    }

    public static function ofComponent(Component $component): self
    {
        return self::from($component->value);
    }
}
