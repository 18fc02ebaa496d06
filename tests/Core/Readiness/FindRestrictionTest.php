<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\Restriction;
use LucidAscent\Core\Readiness\RestrictionFinding;
use LucidAscent\Core\Readiness\SameLegTwoPoses;
use LucidAscent\Core\Reason\Reason;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FindRestrictionTest extends TestCase
{
    private const SITTING = ['kneeHeight' => 20.0, 'heelDistance' => 20.0];
    /** As far as this sitting with the knee at a hand's breadth asks, and well beyond, or well short of it. */
    private const TURNS = ['kneeHeight' => 11.0, 'ankleHeight' => 10.0];
    private const TURNS_LITTLE = ['kneeHeight' => 34.0, 'ankleHeight' => 10.0];
    private const WIDE = ['span' => 93.0];
    private const NARROW = ['span' => 70.0];

    /** @param array<string, array<string, float>> $tests */
    #[DataProvider('cases')]
    public function testWhatKeepsTheKneeUp(Restriction $expected, array $tests): void
    {
        self::assertSame($expected, self::find($tests)->restriction);
    }

    public static function cases(): iterable
    {
        $soles = ['soles-together' => self::SITTING];
        yield 'rotation' => [Restriction::Rotation, $soles + ['shins-stacked' => self::TURNS_LITTLE, 'frog' => self::WIDE]];
        yield 'abduction' => [Restriction::Abduction, $soles + ['shins-stacked' => self::TURNS, 'frog' => self::NARROW]];
        yield 'both' => [Restriction::Both, $soles + ['shins-stacked' => self::TURNS_LITTLE, 'frog' => self::NARROW]];
        yield 'structure' => [Restriction::Structure, $soles + ['shins-stacked' => self::TURNS, 'frog' => self::WIDE]];
        yield 'none' => [Restriction::None, ['soles-together' => ['kneeHeight' => 9.0, 'heelDistance' => 15.0]]];
        yield 'one of them not known' => [Restriction::Unknown, $soles + ['shins-stacked' => self::TURNS_LITTLE]];
        yield 'no sitting' => [Restriction::Unknown, ['frog' => self::WIDE]];
    }

    public function testWhatIsNotKnownNamesTheTest(): void
    {
        self::assertSame(['frog'], self::find(['soles-together' => self::SITTING, 'shins-stacked' => self::TURNS_LITTLE])->tests);
        self::assertSame(['soles-together'], self::find([])->tests);
    }

    public function testStructureIsASuppositionWithItsNumbers(): void
    {
        $finding = self::find(['soles-together' => self::SITTING, 'shins-stacked' => self::TURNS, 'frog' => self::WIDE]);
        self::assertSame('restriction.structure', $finding->reasons[0]->code);
        self::assertSame(20.0, $finding->measured);
        self::assertLessThan(20.0 - $finding->reasons[0]->numbers['noise'], $finding->predicted);
    }

    public function testALongShinIsNamedBeforeATissueIsBlamed(): void
    {
        $long = Proportions::of(Length::cm(168.0), array_map(Length::cm(...), ['thigh.left' => 39.0, 'thigh.right' => 39.0, 'shin.left' => 43.5, 'shin.right' => 43.5]));
        $person = Person::of(['soles-together' => [self::SITTING], 'shins-stacked' => [self::TURNS], 'frog' => [self::WIDE]], [], $long);
        $codes = array_map(static fn (Reason $reason): string => $reason->code, FindRestriction::of($person, Side::Left)->reasons);
        self::assertContains('restriction.long-shin', $codes);
    }

    public function testAKneeThatLiesLowerInTheFoldMeansAPelvisThatRolled(): void
    {
        self::assertSame('same-leg.pelvis-rolls', SameLegTwoPoses::reason(6.0, 14.0, 0.7)?->code);
        self::assertNull(SameLegTwoPoses::reason(13.0, 14.0, 0.7));
        self::assertNull(SameLegTwoPoses::reason(20.0, 14.0, 0.7));
    }

    /** @param array<string, array<string, float>> $tests */
    private static function find(array $tests): RestrictionFinding
    {
        return FindRestriction::of(Person::of(array_map(static fn (array $trial): array => [$trial], $tests)), Side::Left);
    }
}
