<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Contact\PigeonFront;
use LucidAscent\Core\Readiness\FrontShin;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\TestCase;

final class FrontShinTest extends TestCase
{
    public function testTheSlantOfAShinIsItsAngleFromTheFrontEdge(): void
    {
        self::assertSame(0.0, FrontShin::angle(0.0, 41.0));
        // Half of it is the sine of 30 degrees.
        self::assertEqualsWithDelta(30.0, FrontShin::angle(20.5, 41.0), 1e-9);
        self::assertEqualsWithDelta(90.0, FrontShin::angle(41.0, 41.0), 1e-9);
        self::assertNull(FrontShin::angle(41.1, 41.0));
        [, , , $x, $y, , $ankleX, $ankleY] = (new PigeonFront(18.0, 35.0))->joints(SampleBody::leg());
        self::assertEqualsWithDelta(35.0, FrontShin::angle($x - $ankleX, hypot($x - $ankleX, $y - $ankleY)), 1e-9,
            'As it is drawn.');
    }

    public function testAHipThatTurnsFurtherLetsTheShinComeNearerToParallel(): void
    {
        $body = SampleBody::leg();
        $seated = $body->seatedHipHeight;
        foreach ([0.0, 6.0, 12.0] as $prop) {
            foreach ([10.0, 35.0, 60.0] as $angle) {
                $asked = (new PigeonFront($prop + $seated, $angle))->angles($body)['rotation'];
                self::assertEqualsWithDelta($angle, FrontShin::within($body, $asked, $prop), 1e-6);
            }
            self::assertSame(0.0, FrontShin::within($body, 150.0, $prop));
        }
        self::assertNull(FrontShin::within($body, -90.0, 0.0));
        self::assertNull(FrontShin::within($body, 150.0, 60.0), 'Hips so high leave the knee in the air.');
    }

    public function testWhatWasMeasuredIsToldWithWhatParallelNeedsAndTheTurnLeadsOneToExpect(): void
    {
        $said = static fn (array $trials): array => array_map(static fn (Reason $reason): string => $reason->code,
            FrontShin::reasons(Person::of($trials), Side::Left));
        self::assertSame([], $said([]));
        self::assertSame(['front-shin.measured'], $said([FrontShin::TEST => [['slant' => 20.0]]]));
        self::assertSame([], $said([FrontShin::TEST => [['slant' => 60.0]]]), 'No shin is so long.');
        $both = [FrontShin::TEST => [['slant' => 20.0, 'hipGap' => 6.0]]];
        self::assertSame(['front-shin.measured', 'front-shin.parallel'], $said($both));
        $stacked = ['shins-stacked' => [['kneeHeight' => 20.0, 'ankleHeight' => 10.0]]];
        self::assertSame(['front-shin.measured', 'front-shin.parallel', 'front-shin.expected'],
            $said($both + $stacked));
        [$measured, $parallel, $expected] = FrontShin::reasons(Person::of($both + $stacked), Side::Left);
        $body = Person::of([])->proportions->body(Side::Left);
        self::assertEqualsWithDelta(FrontShin::angle(20.0, $body->shin), $measured->numbers['degrees'], 1e-9);
        // 0.7 cm of tape on that shin, at that slant.
        self::assertEqualsWithDelta(FrontShin::angle(20.7, $body->shin) - FrontShin::angle(20.0, $body->shin),
            $measured->numbers['error'], 0.02);
        self::assertEqualsWithDelta((new PigeonFront(6.0 + $body->seatedHipHeight, 0.0))->angles($body)['rotation'],
            $parallel->numbers['rotation'], 1e-9);
        self::assertEqualsWithDelta(FrontShin::within($body, (float) $expected->numbers['rotation'], 6.0),
            $expected->numbers['degrees'], 1e-9);
    }
}
