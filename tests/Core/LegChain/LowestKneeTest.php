<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\LegChain\AnkleContact;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\HalfLotus;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\SolesTogether;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LowestKneeTest extends TestCase
{
    /** Values of an independent program, to a tenth of a centimetre. */
    #[DataProvider('knownHeights')]
    public function testFindsTheKnownHeight(AnkleContact $contact, float $abduction, float $rotation, float $height, ?Component $limiter): void
    {
        $lowest = LowestKnee::of($contact, SampleBody::leg(), new Capacity(125, $abduction, $rotation, 160));
        self::assertEqualsWithDelta($height, $lowest->height(), 1e-9);
        self::assertSame($limiter, $lowest->limiter);
    }

    public static function knownHeights(): iterable
    {
        $floor = new Sitting();
        yield [new SolesTogether(15, $floor), 70, 60, 12.6, Component::Rotation];
        yield [new SolesTogether(25, $floor), 70, 60, 14.8, Component::Rotation];
        yield [new SolesTogether(15, $floor), 75, 95, 5.0, null];
        yield [HalfLotus::deep($floor), 50, 105, 17.5, Component::Rotation];
        yield [HalfLotus::easy($floor), 50, 85, 22.4, Component::Rotation];
    }

    #[DataProvider('noHeights')]
    public function testSaysWhenThereIsNone(AnkleContact $contact, float $abduction, float $rotation): void
    {
        $this->expectException(OutOfReach::class);
        LowestKnee::of($contact, SampleBody::leg(), new Capacity(125, $abduction, $rotation, 160));
    }

    public static function noHeights(): iterable
    {
        yield [HalfLotus::deep(new Sitting()), 50, 85];
        yield [new SolesTogether(15, new Sitting()), 55, 90];
    }

    public function testNothingFitsATenthLower(): void
    {
        $capacity = new Capacity(125, 70, 60, 160);
        $contact = new SolesTogether(15, new Sitting());
        $lowest = LowestKnee::of($contact, SampleBody::leg(), $capacity);
        $below = (new KneeAtHeight($contact, $lowest->height() - 0.1))->pose(SampleBody::leg());
        self::assertGreaterThanOrEqual(0.0, $capacity->worstMargin($lowest->pose->angles));
        self::assertLessThan(0.0, $capacity->worstMargin($below->angles));
    }

    public function testTheCompromiseIsNoWorseThanAnyHeight(): void
    {
        $capacity = new Capacity(125, 50, 85, 160);
        $contact = HalfLotus::deep(new Sitting());
        $best = LowestKnee::compromise($contact, SampleBody::leg(), $capacity);
        self::assertNotNull($best);
        for ($height = 8.0; $height < 40.0; $height += 0.37) {
            try {
                $pose = (new KneeAtHeight($contact, $height))->pose(SampleBody::leg());
            } catch (OutOfReach) {
                continue;
            }
            self::assertGreaterThan($capacity->worstMargin($pose->angles) - 0.2, $capacity->worstMargin($best->angles));
        }
    }
}
