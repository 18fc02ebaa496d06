<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\SecondLeg;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

/** The second leg of lotus over the first. */
final class SecondLegTest extends TestCase
{
    public function testTheFirstAnkleRisesWithTheThighUnderIt(): void
    {
        $body = SampleBody::leg();
        self::assertSame(0.0, SecondLeg::raisesAnkle($body, 5.0), 'A knee on the floor raises nothing.');
        // 12 cm along a thigh of 41.2 that rises by 9 cm to its knee.
        self::assertEqualsWithDelta(9.0 * 12.0 / 41.2, SecondLeg::raisesAnkle($body, 14.0), 1e-9);
    }

    public function testTheFirstKneeFollowsUnlessTheHipHasTurnToSpare(): void
    {
        $body = SampleBody::leg();
        $last = 0.0;
        foreach ([5.0, 14.0, 20.0] as $knee) {
            [$one, $two] = SecondLeg::lowest($body, new Capacity(rotation: 105.0), $body, $knee) ?? self::fail('none');
            self::assertGreaterThanOrEqual($last, $two->height() - $one->height());
            $last = $two->height() - $one->height();
        }
        self::assertGreaterThan(4.0, $last);
        [$one, $two] = SecondLeg::lowest($body, new Capacity(rotation: 140.0), $body, 14.0) ?? self::fail('none');
        self::assertEqualsWithDelta($one->height(), $two->height(), 0.5, 'Where the hip has turn to spare.');
        self::assertNull(SecondLeg::lowest($body, new Capacity(flexion: 20.0, rotation: 20.0), $body, 14.0));
    }
}
