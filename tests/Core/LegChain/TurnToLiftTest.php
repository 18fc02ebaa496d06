<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\TurnToLift;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

/** How far a thigh turns to lift a foot, against the chain itself. */
final class TurnToLiftTest extends TestCase
{
    public function testTurnedBySoMuchTheAnkleIsAtThatHeight(): void
    {
        mt_srand(3);
        $body = SampleBody::leg();
        $met = 0;
        for ($run = 0; $run < 200; ++$run) {
            [$f, $a, $k, $height] = [mt_rand(20, 110), mt_rand(0, 50), mt_rand(30, 155), mt_rand(-20, 12)];
            try {
                $turn = TurnToLift::of($body, $f, $a, $k, $height);
            } catch (OutOfReach) {
                continue;
            }
            $pose = LegChain::forward($body, new Sitting(), new LegAngles($f, $a, $turn, $k));
            self::assertEqualsWithDelta($height, $pose->ankle->z - $pose->hip->z, 1e-9);
            ++$met;
        }
        self::assertGreaterThan(80, $met);
    }

    public function testAKneeThatIsClosedFirstAsksForLess(): void
    {
        $turn = static fn (float $knee): float => TurnToLift::of(SampleBody::leg(), 60.0, 30.0, $knee, 0.0);
        self::assertGreaterThan($turn(120.0), $turn(90.0));
        self::assertGreaterThan($turn(150.0), $turn(120.0));
    }

    public function testWhatNoTurnReachesIsSaid(): void
    {
        $this->expectException(OutOfReach::class);
        TurnToLift::of(SampleBody::leg(), 60.0, 30.0, 90.0, 60.0);
    }
}
