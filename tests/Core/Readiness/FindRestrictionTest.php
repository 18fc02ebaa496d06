<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\ProportionShare;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\LotusGate;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Restriction;
use LucidAscent\Core\Readiness\RestrictionFinding;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Tests\Core\SampleBody;
use LucidAscent\Tests\Core\Testing\Definition;
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
        yield 'rotation' => [Restriction::Rotation, $soles + ['shins-stacked' => self::TURNS_LITTLE,
            'frog' => self::WIDE]];
        yield 'abduction' => [Restriction::Abduction, $soles + ['shins-stacked' => self::TURNS,
            'frog' => self::NARROW]];
        yield 'both' => [Restriction::Both, $soles + ['shins-stacked' => self::TURNS_LITTLE, 'frog' => self::NARROW]];
        yield 'structure' => [Restriction::Structure, $soles + ['shins-stacked' => self::TURNS, 'frog' => self::WIDE]];
        yield 'none' => [Restriction::None, ['soles-together' => ['kneeHeight' => 9.0, 'heelDistance' => 15.0]]];
        yield 'one of them not known' => [Restriction::Unknown, $soles + ['shins-stacked' => self::TURNS_LITTLE]];
        yield 'no sitting' => [Restriction::Unknown, ['frog' => self::WIDE]];
    }

    public function testWhatIsNotKnownNamesTheTest(): void
    {
        self::assertSame(['frog'], self::find(['soles-together' => self::SITTING,
            'shins-stacked' => self::TURNS_LITTLE])->tests);
        self::assertSame(['soles-together'], self::find([])->tests);
    }

    public function testStructureIsASuppositionWithItsNumbers(): void
    {
        $finding = self::find(['soles-together' => self::SITTING, 'shins-stacked' => self::TURNS,
            'frog' => self::WIDE]);
        self::assertSame('restriction.structure', $finding->reasons[0]->code);
        self::assertSame(20.0, $finding->measured);
        self::assertLessThan(20.0 - $finding->reasons[0]->numbers['noise'], $finding->predicted);
    }

    public function testALongShinIsNamedBeforeATissueIsBlamed(): void
    {
        $long = Proportions::of(Length::cm(168.0), array_map(Length::cm(...),
            ['thigh.left' => 39.0, 'thigh.right' => 39.0, 'shin.left' => 43.5, 'shin.right' => 43.5]));
        $person = Person::of(['soles-together' => [self::SITTING], 'shins-stacked' => [self::TURNS],
            'frog' => [self::WIDE]], [], $long);
        $codes = array_map(static fn (Reason $reason): string => $reason->code,
            FindRestriction::of(self::read($person), Side::Left)->reasons);
        self::assertContains('restriction.long-shin', $codes);
        $finding = FindRestriction::of(self::read($person), Side::Left);
        $long = array_values(array_filter($finding->reasons, static fn (Reason $reason): bool => 'restriction.long-shin'
            === $reason->code))[0];
        $of = static fn (Ability $ability): ?float => $person->capacities(Side::Left)->get($ability)?->isolating()
            ->value;
        self::assertSame(ProportionShare::of(new SolesTogether(20.0, new Sitting()),
            $person->proportions->body(Side::Left), new Capacity(null, $of(Ability::Abduction),
                $of(Ability::ExternalRotation))), $long->numbers['share']);
    }

    public function testAHandsBreadthIsTheLimitAndFeetOutOfReachSaySo(): void
    {
        self::assertSame(Restriction::None, self::find(['soles-together' => ['kneeHeight' => 10.0,
            'heelDistance' => 20.0]])->restriction);
        self::assertSame('restriction.low', self::find(['soles-together' => ['kneeHeight' => 10.0,
            'heelDistance' => 20.0]])->reasons[0]->code);
        self::assertSame(Restriction::Unknown, self::find(['soles-together' => ['kneeHeight' => 10.1,
            'heelDistance' => 20.0]])->restriction);
        $codes = array_map(static fn (Reason $reason): string => $reason->code,
            self::find(['soles-together' => self::SITTING, 'shins-stacked' => self::TURNS_LITTLE, 'frog' => self::WIDE])
            ->reasons);
        self::assertSame(['restriction.short', 'restriction.fine'], $codes);
        self::assertSame(['restriction.unread', 'restriction.unread'],
            array_map(static fn (Reason $reason): string => $reason->code,
                self::find(['soles-together' => self::SITTING])->reasons));
    }

    /** What the errors of the tape, of the turn and of the spread explain, no shape of a joint is blamed for. */
    public function testStructureIsBlamedForNoMoreThanTheErrorLeaves(): void
    {
        $at = static fn (float $knee): RestrictionFinding => self::find(['soles-together' => ['kneeHeight' => $knee,
            'heelDistance' => 20.0], 'shins-stacked' => self::TURNS, 'frog' => self::WIDE]);
        $predicted = (float) $at(20.0)->predicted;
        $noise = (float) $at(20.0)->reasons[0]->numbers['noise'];
        self::assertGreaterThan(1.96 * 0.7, $noise, 'More than the tape alone.');
        $person = Person::of(['soles-together' => [['kneeHeight' => 20.0, 'heelDistance' => 20.0]],
            'shins-stacked' => [self::TURNS], 'frog' => [self::WIDE]]);
        $rotation = (float) $person->capacities(Side::Left)->get(Ability::ExternalRotation)?->isolating()->value;
        $abduction = (float) $person->capacities(Side::Left)->get(Ability::Abduction)?->isolating()->value;
        $height = static fn (float $r, float $a): ?float => LowestKnee::search(new SolesTogether(20.0, new Sitting()),
            SampleBody::leg(), new Capacity(null, $a, $r))?->height();
        self::assertEqualsWithDelta($height($rotation, $abduction), $predicted, 1e-9,
            'The lowest that turn and spread allow.');
        $margin = static function (Ability $ability) use ($person): float {
            $asked = new KneeAtHeight(new SolesTogether(20.0, new Sitting()), 10.0);
            $of = Sensitivity::of($asked, SampleBody::leg())->withReadingErrors(['kneeHeight' => 0.0,
                'heelDistance' => 0.7])->uncertainty(Component::from($ability->value),
                    'soles-together 2026-03-02 left');

            return (float) $person->capacities(Side::Left)->get($ability)?->isolating()->uncertainty->minus($of)
                ->error($person->proportions->error(Side::Left));
        };
        $sd = sqrt(0.7 ** 2 + ($height($rotation - $margin(Ability::ExternalRotation),
            $abduction) - $predicted) ** 2 + ($height($rotation,
                $abduction - $margin(Ability::Abduction)) - $predicted) ** 2);
        self::assertEqualsWithDelta(1.959964 * $sd, $noise, 0.02, 'The tape, and one SD of each.');
        self::assertNotSame(Restriction::Structure, $at($predicted)->restriction);
        if ($predicted + 0.9 * $noise > LotusGate::LOW_KNEE) {
            self::assertNotSame(Restriction::Structure, $at($predicted + 0.9 * $noise)->restriction);
        }
        self::assertSame(Restriction::Structure, $at(max(LotusGate::LOW_KNEE + 0.1, $predicted + 1.2 * $noise))
            ->restriction);
    }

    /** @param array<string, array<string, float>> $tests */
    private static function find(array $tests): RestrictionFinding
    {
        return FindRestriction::of(self::read(Person::of(array_map(static fn (array $trial): array => [$trial],
            $tests))), Side::Left);
    }

    private static function read(Snapshot $person): ReadPoses
    {
        return new ReadPoses([], $person, ['figure-four-lying' => Definition::figureFour(),
            'shins-stacked' => Definition::shinsStacked(), 'frog' => Definition::frog(),
            'wide-legs' => Definition::wideLegs()]);
    }
}
