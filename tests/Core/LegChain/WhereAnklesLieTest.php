<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\CowFace;
use LucidAscent\Core\LegChain\Contact\DeepSquat;
use LucidAscent\Core\LegChain\Contact\SetUp;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sitting;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Where a contact puts hip and ankle, reckoned by hand from what the pose looks like: thigh 40, shin 40, hip joints 16
 * apart, 9 above the seat and 10 above the floor on the back, ankle 6 above the sole. x is forward, y to the leg’s own
 * side, z up from the floor; cm.
 */
final class WhereAnklesLieTest extends TestCase
{
    /**
     * @param array<string, float> $numbers
     * @param array{float, float, float} $hip
     * @param array{float, float, float} $ankle
     */
    #[DataProvider('places')]
    public function testAnAnkleLiesWhereThePoseHasIt(string $contact, array $numbers, array $hip, array $ankle): void
    {
        $posture = Contacts::find($contact)::of(new SetUp(ContactNamesTest::numbers($numbers),
            capacity: new Capacity(130, 80, 130, 160), upper: UpperLengths::ofStature(170.0)));
        self::assertInstanceOf(FreeKnee::class, $posture);
        $body = new Body(40, 40, 16, 9, 6, 10);
        self::assertEqualsWithDelta($hip, array_values((array) $posture->contact->hip($body)), 1e-9, 'hip');
        self::assertEqualsWithDelta($ankle, array_values((array) $posture->contact->ankle($body)), 1e-9, 'ankle');
    }

    /**
     * @return iterable<string, array{string, array<string, float>, array{float, float, float}, array{float, float,
     *     float}}>
     */
    public static function places(): iterable
    {
        // On the other thigh, 4 short of its knee and 7 off its bone.
        yield 'figure four, the other thigh straight ahead' => ['figure-four-seated',
            ['otherFlexion' => 90.0, 'seat' => 3.0], [0, 8, 12], [36, -8, 12 + 7]];
        yield 'figure four, the other thigh straight up' => ['figure-four-seated', ['otherFlexion' => 149.9999999999],
            [0, 8, 9], [36 * 0.5 - 7 * sqrt(0.75), -8, 9 + 36 * sqrt(0.75) + 7 * 0.5]];
        // On the back the thigh that is folded by a right angle points to the ceiling, its front to the head.
        yield 'figure four, lying' => ['figure-four-lying', ['otherFlexion' => 90.0], [0, 8, 10], [-7, -8, 10 + 36]];
        // The standing shin is upright, and half of the thigh's length is above its knee.
        yield 'figure four, standing on a thigh folded by 60°' => ['figure-four-standing', ['otherFlexion' => 60.0],
            [0, 8, 9 + 170 * (0.245 * 0.5 + 0.246 + 0.039 - 0.053)],
            [36 * sqrt(0.75) + 7 * 0.5, -8,
                9 + 170 * (0.245 * 0.5 + 0.246 + 0.039 - 0.053) - 36 * 0.5 + 7 * sqrt(0.75)]];
        // The shins cross a little short of their middle.
        yield 'easy cross-leg' => ['easy-cross-leg', ['ahead' => 22.0, 'seat' => 5.0], [0, 8, 14], [22, -18, 4]];
        // The second foot lies over the first shin, a shin's thickness higher than the first.
        yield 'full lotus, second leg' => ['full-lotus', ['seat' => 2.0], [0, 8, 11], [12, -2, 11 + 8 + 6]];
        // The foot in the bend of the other elbow, half way up the torso.
        yield 'cradle' => ['cradle', ['torso' => 50.0], [0, 8, 9], [20, -12, 9 + 25]];
    }

    /** The foot is flat, and the thigh points 27.5° out: its knee is a thigh from the hip and a shin from the ankle. */
    public function testWhoSquatsHasTheThighsApart(): void
    {
        [$hx, $hy, $hz, $kx, $ky, $kz, $ax, $ay, $az] = ($squat = new DeepSquat(22.0, 19.0))
            ->joints($body = new Body(40, 40, 16, 9, 6));
        self::assertSame([0.0, 8.0, 22.0, 10.0, 9.5, 6.0], [$hx, $hy, $hz, $ax, $ay, $az]);
        self::assertEqualsWithDelta(8.0 + 40.0 * sin(deg2rad(27.5)), $ky, 1e-9);
        self::assertEqualsWithDelta(1600.0, $kx ** 2 + ($ky - 8) ** 2 + ($kz - 22) ** 2, 1e-6);
        self::assertEqualsWithDelta(1600.0, ($kx - 10) ** 2 + ($ky - 9.5) ** 2 + ($kz - 6) ** 2, 1e-6);
        self::assertGreaterThan(10.0, $kx, 'In front.');
        $angles = $squat->pose($body)->angles;
        self::assertEqualsWithDelta(27.5, $angles->abduction, 1e-6);
        self::assertGreaterThan(0.0, $angles->rotation, 'Turned out, never in.');
        $this->expectException(OutOfReach::class);
        (new DeepSquat(200.0, 19.0))->joints($body);
    }

    /** Knees over each other on the midline: from there the shin goes back past the other hip. */
    public function testTheTopLegOfCowFace(): void
    {
        [$hx, $hy, $hz, $kx, $ky, $kz, $ax, $ay, $az] = (new CowFace(18.0, 4.0, new Sitting(1.0)))
            ->joints(new Body(40, 40, 16, 9, 6));
        self::assertSame([0.0, 8.0, 10.0], [$hx, $hy, $hz]);
        self::assertSame([0.0, 18.0], [$ky, $kz]);
        self::assertEqualsWithDelta(sqrt(1600 - 64 - 64), $kx, 1e-9);
        self::assertSame([4.0, 6.0], [$ax, $az]);
        self::assertEqualsWithDelta(-sqrt(1600 - ($kx - 4) ** 2 - 144), $ay, 1e-9);
    }
}
