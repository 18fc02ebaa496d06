<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\AnkleContact;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotusEasy;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\StraightKnee;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LowestKneeTest extends TestCase
{
    use TestTrait;

    /** Values of an independent program, to a tenth of a centimetre. */
    #[DataProvider('knownHeights')]
    public function testFindsTheKnownHeight(
        AnkleContact $contact,
        float $abduction,
        float $rotation,
        float $height,
        ?Component $limiter,
    ): void {
        $lowest = LowestKnee::of($contact, SampleBody::leg(), new Capacity(125, $abduction, $rotation, 160));
        self::assertEqualsWithDelta($height, $lowest->height(), 1e-9);
        self::assertSame($limiter, $lowest->limiter);
    }

    public static function knownHeights(): iterable
    {
        $floor = new Sitting();
        yield [new SolesTogether(15, $floor), 70, 60, 12.6, Component::ExternalRotation];
        yield [new SolesTogether(25, $floor), 70, 60, 14.8, Component::ExternalRotation];
        yield [new SolesTogether(15, $floor), 75, 95, 5.0, null];
        yield [HalfLotus::place($floor), 50, 105, 17.5, Component::ExternalRotation];
        yield [HalfLotusEasy::place($floor), 50, 85, 22.4, Component::ExternalRotation];
    }

    #[DataProvider('noHeights')]
    public function testSaysWhenThereIsNone(AnkleContact $contact, float $abduction, float $rotation): void
    {
        $this->expectException(OutOfReach::class);
        LowestKnee::of($contact, SampleBody::leg(), new Capacity(125, $abduction, $rotation, 160));
    }

    public static function noHeights(): iterable
    {
        yield [HalfLotus::place(new Sitting()), 50, 85];
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

    /** The search looks closely only where it has to; here against every tenth, for many bodies and capacities. */
    public function testFindsWhatLookingAtEveryHeightFinds(): void
    {
        $this->limitTo(150)->forAll(
            Generators::choose(60, 350),
            Generators::choose(300, 800),
            Generators::choose(300, 1300),
            Generators::choose(900, 1350),
            Generators::choose(0, 2),
            Generators::choose(350, 480),
        )->then(static function (int $heels, int $abduction, int $rotation, int $flexion, int $kind, int $shin): void {
            $body = new Body(41.2, $shin / 10, 17.0, 9.0, 6.6);
            $capacity = new Capacity($flexion / 10, $abduction / 10, $rotation / 10);
            $contact = match ($kind) {
                0 => new SolesTogether($heels / 10, new Sitting()),
                1 => HalfLotus::place(new Sitting()),
                default => HalfLotusEasy::place(new Sitting(4.0)),
            };
            $expected = null;
            for ($step = 50; $step < 540 && null === $expected; ++$step) {
                $pose = self::poseAt($contact, $step, $body);
                $expected = null !== $pose && $capacity->worstMargin($pose->angles) >= 0.0 ? (float) ($step / 10)
                    : null;
            }
            self::assertSame($expected, LowestKnee::search($contact, $body, $capacity)?->height());
        });
    }

    /** The leg as it is built for one height; null where there is none. */
    private static function poseAt(AnkleContact $contact, int $step, Body $body): ?LegPose
    {
        try {
            return (new KneeAtHeight($contact, $step / 10))->pose($body);
        } catch (OutOfReach|StraightKnee) {
            return null;
        }
    }
}
