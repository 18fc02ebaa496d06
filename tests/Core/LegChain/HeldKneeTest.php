<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\AnkleContact;
use LucidAscent\Core\LegChain\Contact\EasyCrossLeg;
use LucidAscent\Core\LegChain\Contact\FullLotus;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class HeldKneeTest extends TestCase
{
    #[DataProvider('contacts')]
    public function testAKneeThatIsHeldIsWhereItWas(AnkleContact $contact): void
    {
        $body = SampleBody::leg();
        $free = new FreeKnee($contact, new Capacity(130, 60, 90, 155));
        $pose = $free->pose($body);
        $held = $free->held($pose, $body);
        self::assertEqualsWithDelta($pose->knee->toArray(), $held->pose($body)->knee->toArray(), 1e-9);
        self::assertEqualsWithDelta($free->angles($body), $held->angles($body), 1e-6);
        self::assertSame($free->props(), $held->props());
        self::assertNotEquals($held->angles($body), $held->shifted('pelvicTilt', 3.0)->angles($body));
    }

    /** The error of what limits is that of searching anew for each body, within a degree. */
    #[DataProvider('contacts')]
    public function testItsErrorIsNearThatOfSearchingAnew(AnkleContact $contact): void
    {
        $body = SampleBody::leg();
        $capacity = new Capacity(130, 60, 90, 155);
        $free = new FreeKnee($contact, $capacity);
        $pose = $free->pose($body);
        $limiter = $capacity->limiter($pose->angles) ?? Component::Rotation;
        $anew = Sensitivity::of($free, $body)->error($limiter, BodyError::measured());
        self::assertEqualsWithDelta($anew, Sensitivity::of($free->held($pose, $body), $body)->error($limiter, BodyError::measured()), 1.0);
    }

    public static function contacts(): iterable
    {
        yield 'full lotus' => [FullLotus::second(new Sitting())];
        yield 'easy cross-leg' => [new EasyCrossLeg(new Sitting(8.0), 22.0)];
    }
}
