<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Swing;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegAngles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The way that is still missing, as the leg would go it. */
final class SwingTest extends TestCase
{
    use BuildsFigures;

    #[DataProvider('components')]
    public function testItLeadsFromWhatIsShownToWhereThePoseHasTheLeg(
        Component $component,
        string $end,
        string $about,
    ): void {
        $asked = new LegAngles(90, 35, 60, 110);
        $figure = self::sitting($asked);
        $swing = Swing::of($figure, $asked, $component, $asked->of($component) - 20.0);
        self::assertNotNull($swing);
        $points = $swing->points;
        self::assertPoint($figure->point("left-$end"), $points[count($points) - 1], 1e-6,
            'it ends where the pose has it');
        // What it swings from stays where it is unless the thigh itself moves, and no point comes nearer to it or
        // farther.
        self::assertPoint($figure->point("left-$about"), $swing->about, 1e-6);
        $reach = $figure->point("left-$end")->minus($swing->about)->length();
        foreach ($points as $point) {
            self::assertEqualsWithDelta($reach, $point->minus($swing->about)->length(), 1e-6);
        }
        $bare = self::sitting(new LegAngles(
            90 - (Component::Flexion === $component ? 20 : 0),
            35 - (Component::Abduction === $component ? 20 : 0),
            60 - (Component::ExternalRotation === $component ? 20 : 0),
            110 - (Component::KneeFlexion === $component ? 20 : 0),
        ));
        self::assertPoint($bare->point("left-$end"), $points[0], 1e-6, 'and starts where the joint ends');
    }

    /** @return iterable<string, array{Component, string, string}> */
    public static function components(): iterable
    {
        yield 'rotation' => [Component::ExternalRotation, 'ankle', 'knee'];
        yield 'knee' => [Component::KneeFlexion, 'ankle', 'knee'];
        yield 'flexion' => [Component::Flexion, 'knee', 'hip'];
        yield 'abduction' => [Component::Abduction, 'knee', 'hip'];
    }

    public function testThereIsNoneWhereNothingIsMissing(): void
    {
        $asked = new LegAngles(90, 35, 60, 110);
        self::assertNull(Swing::of(self::sitting($asked), $asked, Component::ExternalRotation, 60.0));
        self::assertNull(Swing::of(self::sitting($asked), $asked, Component::ExternalRotation, 75.0));
    }

    private static function sitting(LegAngles $leg): Figure
    {
        $angles = self::angles($leg->flexion, $leg->abduction, $leg->rotation, $leg->kneeFlexion);

        return self::figure(HipHeight::Sits, $angles, $angles);
    }

    public function testTheOtherSideIsItsMirrorImage(): void
    {
        $asked = new LegAngles(90, 35, 60, 110);
        $angles = self::angles(90, 35, 60, 110);
        $left = Swing::of(self::figure(HipHeight::Sits, $angles, $angles, working: Side::Left), $asked,
            Component::ExternalRotation, 30.0);
        $right = Swing::of(self::figure(HipHeight::Sits, $angles, $angles, working: Side::Right), $asked,
            Component::ExternalRotation, 30.0);
        self::assertNotNull($left);
        self::assertNotNull($right);
        foreach ($left->points as $index => $point) {
            self::assertEqualsWithDelta($point->y, -$right->points[$index]->y, 1e-6);
            self::assertEqualsWithDelta($point->z, $right->points[$index]->z, 1e-6);
        }
    }
}
