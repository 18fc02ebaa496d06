<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Posture;

use LucidAscent\Core\LegChain\Prop;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

final class PropRuleTest extends TestCase
{
    public function testWhatLiesOnAPropAndHowHighItMayBe(): void
    {
        $body = SampleBody::leg();
        foreach ([
            'none' => [null, 60.0, 0.0, false, false],
            'level-seat' => [null, 60.0, 0.0, true, false],
            'knee-block' => [Prop::KneeBlock, 60.0, 5.0, true, false],
            'knee-gap' => [Prop::KneeBlock, 60.0, 5.0, false, false],
            'hip-gap' => [Prop::HipBlock, 60.0, $body->seatedHipHeight, false, false],
            'hands-gap' => [null, 150.0, 0.0, false, true],
            'foot-strap' => [null, 150.0, 0.0, false, true],
        ] as $name => $expected) {
            $rule = PropRule::from($name);
            self::assertSame($expected, [$rule->carries(), $rule->most(), $rule->below($body), $rule->decidesDemand(),
                $rule->isStrap()], $name);
        }
    }

    public function testEachPropIsTriedInItsOwnSteps(): void
    {
        foreach ([
            'seat' => [false, 3.0, 30.0], 'kneeHeight' => [false, 3.0, 45.0], 'ankleHeight' => [false, 3.0, 45.0],
            'hipHeight' => [false, 3.0, 45.0], 'shinAngle' => [true, 10.0, 80.0], 'heelDistance' => [false, 5.0, 60.0],
            'pelvicTilt' => [true, -5.0, -30.0], 'rounding' => [true, 10.0, 120.0],
        ] as $name => $expected) {
            $prop = Prop::from($name);
            self::assertSame($expected, [$prop->isAngle(), $prop->step(), $prop->furthest()], $name);
        }
    }
}
