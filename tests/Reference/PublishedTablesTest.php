<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Reference;

use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Testing\SmallestChange;
use PHPUnit\Framework\TestCase;

final class PublishedTablesTest extends TestCase
{
    /**
     * Segment lengths as shares of stature: Drillis & Contini (1966), as tabulated by Winter,
     * Biomechanics and Motor Control of Human Movement, figure "body segment lengths": hip joint
     * 0.530, knee 0.285 and ankle 0.039 above the floor. The differences are thigh and shin.
     */
    public function testSegmentsAreSharesOfStatureAsPublished(): void
    {
        self::assertEqualsWithDelta(0.530 - 0.285, Segment::Thigh->shareOfStature(), 1e-9);
        self::assertEqualsWithDelta(0.285 - 0.039, Segment::Shin->shareOfStature(), 1e-9);
        self::assertEqualsWithDelta(0.039, Segment::AnkleAboveSole->shareOfStature(), 1e-9);
    }

    /** MDC₉₅ = 1.96 · √2 · SEM, Weir, J Strength Cond Res 19 (2005): 2.77 times the SEM. */
    public function testTheSmallestChangeIsAsPublished(): void
    {
        self::assertEqualsWithDelta(2.77, SmallestChange::of(1.0), 0.005);
        // Testers' errors of about 3° make the smallest real change near 8° (goniometry literature, from memory).
        self::assertEqualsWithDelta(8.0, SmallestChange::of(3.0), 0.5);
    }
}
