<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Segment;
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
        self::assertEqualsWithDelta($pose->knee->toArray(), $held->pose($body)->knee->toArray(), 1e-5,
            'As near as the search ends.');
        self::assertEqualsWithDelta($free->angles($body), $held->angles($body), 1e-5);
        self::assertSame($free->props(), $held->props());
        self::assertNotEquals($held->angles($body), $held->shifted('pelvicTilt', 3.0)->angles($body));
    }

    /** The error of what limits is that of searching anew for each body. */
    #[DataProvider('limits')]
    public function testItsErrorIsThatOfSearchingAnew(AnkleContact $contact, Capacity $capacity): void
    {
        $body = SampleBody::leg();
        $free = new FreeKnee($contact, $capacity);
        $pose = $free->pose($body);
        $limiter = $capacity->limiter($pose->angles) ?? Component::ExternalRotation;
        $anew = Sensitivity::of($free, $body)->error($limiter, BodyError::measured());
        self::assertEqualsWithDelta($anew, Sensitivity::of($free->held($pose, $body), $body)
            ->error($limiter, BodyError::measured()), 0.1);
    }

    /**
     * Where two angles are short by the same, both err little, as a knee that is searched anew for bodies drawn at
     * random does.
     */
    public function testATieGoesOnBeingOne(): void
    {
        $capacity = new Capacity(130, 60, 90, 155);
        $free = new FreeKnee(FullLotus::place(new Sitting()), $capacity);
        $body = SampleBody::leg();
        $held = $free->held($free->pose($body), $body);
        $error = BodyError::measured();
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(20));
        $drawn = [];
        for ($i = 0; $i < 300; ++$i) {
            $other = $body;
            foreach (Segment::cases() as $segment) {
                $normal = sqrt(-2 * log($random->getInt(1, 1_000_000) / 1e6)) * cos(2 * M_PI * $random->getInt(0,
                    1_000_000) / 1e6);
                $other = $other->shifted($segment, $error->sd($segment) * $normal);
            }
            $drawn[] = $free->angles($other)['flexion'];
            $angles = $held->angles($other);
            self::assertEqualsWithDelta(130 - $angles['flexion'], 90 - $angles['rotation'], 0.02, 'Short by the same.');
        }
        $mean = array_sum($drawn) / count($drawn);
        $sd = sqrt(array_sum(array_map(static fn (float $one): float => ($one - $mean) ** 2, $drawn)) / count($drawn));
        self::assertEqualsWithDelta($sd, Sensitivity::of($held, $body)->error(Component::Flexion, $error), 0.03);
    }

    public function testAKneeOnTheEdgeOfTheBodyStaysThere(): void
    {
        $body = SampleBody::leg();
        $free = new FreeKnee(FullLotus::place(new Sitting()), new Capacity(null, null, 60));
        $pose = $free->pose($body);
        $held = $free->held($pose, $body);
        $onFloor = abs($pose->knee->z - 5.0) < 1e-3;
        $onEdge = abs($pose->knee->y - $free->outside($body)) < 1e-3;
        self::assertTrue($onFloor || $onEdge, 'With turn alone limited the best is at an end of the circle.');
        $longer = $body->shifted(Segment::Shin, 0.5);
        $knee = $held->pose($longer)->knee;
        self::assertEqualsWithDelta($onFloor ? 5.0 : $free->outside($longer), $onFloor ? $knee->z : $knee->y, 1e-6);
    }

    /**
     * What a reading is off by in one of two that tie, the knee makes good in part: the worst margin, searched anew,
     * moves by that one's share.
     */
    #[DataProvider('trading')]
    public function testTheSharesAreHowTheWorstMarginMoves(float ...$of): void
    {
        $body = SampleBody::leg();
        $contact = FullLotus::place(new Sitting());
        $worst = static function (array $of) use ($contact, $body): float {
            $capacity = new Capacity($of['flexion'], $of['abduction'], $of['rotation'], $of['kneeFlexion']);

            return $capacity->worstMargin((new FreeKnee($contact, $capacity))->pose($body)->angles);
        };
        $free = new FreeKnee($contact, new Capacity(...array_values($of)));
        $shares = $free->held($free->pose($body), $body)->shares();
        self::assertCount(2, $shares);
        self::assertEqualsWithDelta(1.0, array_sum($shares), 1e-9);
        foreach (array_keys($of) as $name) {
            self::assertEqualsWithDelta($shares[$name] ?? 0.0,
                ($worst([$name => $of[$name] + 0.2] + $of) - $worst([$name => $of[$name] - 0.2] + $of)) / 0.4, 0.01,
                $name);
        }
    }

    public function testAKneeThatCannotMoveTradesNothing(): void
    {
        $body = SampleBody::leg();
        foreach ([new Capacity(null, null, 60), new Capacity()] as $capacity) {
            $free = new FreeKnee(FullLotus::place(new Sitting()), $capacity);
            self::assertSame([], $free->held($free->pose($body), $body)->shares());
        }
    }

    public static function trading(): iterable
    {
        yield 'flexion and turn' => ['flexion' => 130.0, 'abduction' => 60.0, 'rotation' => 90.0,
            'kneeFlexion' => 155.0];
        yield 'open hips' => ['flexion' => 125.0, 'abduction' => 50.0, 'rotation' => 105.0, 'kneeFlexion' => 165.0];
    }

    public static function contacts(): iterable
    {
        yield 'full lotus' => [FullLotus::place(new Sitting())];
        yield 'easy cross-leg' => [new EasyCrossLeg(new Sitting(8.0), 22.0)];
    }

    public static function limits(): iterable
    {
        yield 'full lotus' => [FullLotus::place(new Sitting()), new Capacity(130, 60, 90, 155)];
        yield 'full lotus, open hips' => [FullLotus::place(new Sitting()), new Capacity(125, 50, 105, 160)];
        yield 'easy cross-leg' => [new EasyCrossLeg(new Sitting(8.0), 22.0), new Capacity(130, 60, 90, 155)];
    }
}
