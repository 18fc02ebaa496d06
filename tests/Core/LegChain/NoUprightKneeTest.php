<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\NoUprightKnee;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Tuck;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where no knee height keeps every angle, it is said what would. */
final class NoUprightKneeTest extends TestCase
{
    /** @return iterable<string, array{Capacity, bool, bool}> whether a tuck and whether a seat helps */
    public static function capacities(): iterable
    {
        yield 'a little is missing' => [new Capacity(125.0, 50.0, 88.0, 160.0), true, true];
        yield 'nothing helps' => [new Capacity(60.0, 10.0, 5.0, 90.0), false, false];
    }

    #[DataProvider('capacities')]
    public function testItSaysWhatWouldHelp(Capacity $capacity, bool $tucks, bool $sits): void
    {
        $tuck = Tuck::of(HalfLotus::place(new Sitting()), SampleBody::leg(), $capacity);
        $said = NoUprightKnee::unless($tuck);
        self::assertSame($tuck, $said->tuck);
        self::assertSame($tucks, null !== $tuck->degrees);
        self::assertSame($tucks, str_contains($said->getMessage(), 'tucks by'));
        self::assertSame($sits && null !== $tuck->seat, str_contains($said->getMessage(), 'cm high'));
        self::assertSame(!$tucks && null === $tuck->seat, str_contains($said->getMessage(), 'nor with any'));
    }

    /** A pelvis that is tucked back to the floor nearly has little left to tuck. */
    public function testNoPelvisTucksFurtherThanItsBack(): void
    {
        $of = static fn (float $tilt): Tuck => Tuck::of(HalfLotus::place(new Sitting(0.0, $tilt)), SampleBody::leg(),
            new Capacity(60.0, 10.0, 5.0, 90.0));
        self::assertNull($of(-80.0)->degrees);
        self::assertNull($of(-90.0)->degrees);
        self::assertNull($of(20.0)->degrees);
    }
}
