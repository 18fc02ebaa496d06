<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\Restriction;

/** What a person can be short of, and something has to be there for (common practice). */
enum Remedy: string
{
    case Rotation = 'rotation';
    case Abduction = 'abduction';
    case Flexion = 'flexion';
    case Hamstrings = 'hamstrings';
    case FrontOfHip = 'front-of-hip';
    case TurnIn = 'turn-in';
    case Balance = 'balance';
    case Shoulders = 'shoulders';
    case Spine = 'spine';
    case SideBody = 'side-body';
    case Ankle = 'ankle';
    case Strength = 'strength';
    case Breath = 'breath';

    /** What works on an ability; null where nothing is stretched or trained for it by itself. */
    public static function ofAbility(Ability $ability): ?self
    {
        return match ($ability) {
            Ability::ExternalRotation => self::Rotation,
            Ability::Abduction, Ability::StraightAbduction => self::Abduction,
            Ability::Flexion => self::Flexion,
            Ability::Hamstrings, Ability::ActiveLift => self::Hamstrings,
            Ability::Extension, Ability::Quadriceps, Ability::KneeFlexion => self::FrontOfHip,
            Ability::InternalRotation, Ability::Adduction => self::TurnIn,
            Ability::Balance => self::Balance,
            Ability::ShoulderFlexion, Ability::ShoulderReach => self::Shoulders,
            Ability::SpineExtension, Ability::SpineRotation => self::Spine,
            Ability::SideBend => self::SideBody,
            Ability::Ankle => self::Ankle,
            Ability::Strength => self::Strength,
            Ability::Ease => self::Breath,
            Ability::NeutralInward, Ability::NeutralOutward => null,
        };
    }

    /**
     * @return list<self> what comes first stands first: rotation shields the knee. Nothing is pushed against the shape
     *     of a joint.
     */
    public static function ofRestriction(Restriction $restriction): array
    {
        return match ($restriction) {
            Restriction::Rotation => [self::Rotation],
            Restriction::Abduction => [self::Abduction],
            Restriction::Both => [self::Rotation, self::Abduction],
            Restriction::Structure, Restriction::None, Restriction::Unknown => [],
        };
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_map(static fn (self $remedy): string => $remedy->value, self::cases());
    }
}
