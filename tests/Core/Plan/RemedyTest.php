<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Readiness\Restriction;
use PHPUnit\Framework\TestCase;

final class RemedyTest extends TestCase
{
    public function testRotationComesFirstWhereBothAreMissing(): void
    {
        self::assertSame([Remedy::Rotation, Remedy::Abduction], Remedy::ofRestriction(Restriction::Both));
        self::assertSame([Remedy::Rotation], Remedy::ofRestriction(Restriction::Rotation));
        self::assertSame([Remedy::Abduction], Remedy::ofRestriction(Restriction::Abduction));
    }

    public function testNothingIsPushedAgainstTheShapeOfAJointNorWhereNothingWasFound(): void
    {
        foreach ([Restriction::Structure, Restriction::None, Restriction::Unknown] as $restriction) {
            self::assertSame([], Remedy::ofRestriction($restriction), $restriction->value);
        }
    }

    public function testEveryAbilityThatCanBeTrainedHasItsRemedyAndEveryRemedyItsAbility(): void
    {
        $without = array_filter(Ability::cases(), static fn (Ability $ability): bool => null
            === Remedy::ofAbility($ability));
        self::assertSame([Ability::NeutralInward, Ability::NeutralOutward], array_values($without),
            'What only tells of a joint is trained by nothing.');
        $reached = array_unique(array_map(static fn (Ability $ability): ?string => Remedy::ofAbility($ability)?->value,
            Ability::cases()));
        self::assertSame([], array_diff(Remedy::names(), $reached));
        self::assertSame(Remedy::TurnIn, Remedy::ofAbility(Ability::Adduction), 'Crossing goes with turning in.');
        self::assertSame(Remedy::FrontOfHip, Remedy::ofAbility(Ability::Quadriceps));
        self::assertSame(Remedy::Abduction, Remedy::ofAbility(Ability::StraightAbduction));
    }
}
