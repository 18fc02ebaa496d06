<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Readiness\JointShape;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class JointShapeTest extends TestCase
{
    #[TestWith([35.0, 40.0, null])]
    #[TestWith([22.0, 26.0, 'shape.small-arc', Ability::InternalRotation])]
    #[TestWith([30.0, 20.0, 'shape.small-arc', Ability::ExternalRotation])]
    #[TestWith([26.0, 30.0, null])]
    #[TestWith([20.0, 50.0, 'shape.one-way', Ability::InternalRotation])]
    #[TestWith([21.0, 60.0, null])]
    #[TestWith([20.0, 49.0, null])]
    #[TestWith([58.0, 12.0, 'shape.one-way', Ability::ExternalRotation])]
    public function testASmallArcOrOneThatGoesOneWay(
        float $in,
        float $out,
        ?string $code,
        ?Ability $short = null,
    ): void {
        $shape = JointShape::of(self::person($in, $out), Side::Left);
        self::assertSame([$code, $short], [$shape?->reason->code, $shape?->shortWay]);
        self::assertCount(null === $code ? 0 : 1, JointShape::all(self::person($in, $out)));
    }

    public function testOfOneTurnAloneOrOfOldOnesNothingIsSaid(): void
    {
        self::assertNull(JointShape::of(self::person(20.0, 50.0, '2025-11-01'), Side::Left));
        self::assertNull(JointShape::of(self::person(20.0, null), Side::Left));
        self::assertNull(JointShape::of(self::person(20.0, 50.0), Side::Right));
    }

    private static function person(float $in, ?float $out, string $on = '2026-03-01'): Snapshot
    {
        $read = static fn (Ability $ability, float $degrees): Evidence => new Evidence($ability, $degrees,
            Bound::Exact, Uncertainty::ofReading(2.5), 'prone-turns', Tool::Inclinometer, new \DateTimeImmutable($on));

        return new Snapshot(SampleBody::proportions(), ['left' => [$read(Ability::NeutralInward, $in),
            ...null === $out ? [] : [$read(Ability::NeutralOutward, $out)]], 'right' => []], Holds::none(), [],
            new \DateTimeImmutable('2026-03-10'));
    }
}
