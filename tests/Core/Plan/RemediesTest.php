<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Remedies;
use LucidAscent\Core\Plan\Sought;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Tests\Core\Readiness\Person;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

/** Which shapes there are for what is short. */
final class RemediesTest extends TestCase
{
    public function testEachRemedyTakesItsTurnAndWhatIsForAnyoneComesFirst(): void
    {
        $ladders = [
            'learned' => self::ladder(['rotation'], PracticeLevel::TeacherFirst),
            'turn-a' => self::ladder(['rotation']),
            'turn-b' => self::ladder(['rotation', 'abduction']),
            'wide' => self::ladder(['abduction']),
            'deep' => self::ladder(['rotation'], isGentle: false),
            'practised' => self::ladder(['rotation'], PracticeLevel::Practised),
            'years' => self::ladder(['rotation'], PracticeLevel::Years),
            'there' => self::ladder(['rotation']),
            'other' => self::ladder(['balance']),
        ];
        $sought = static fn (float $turn, float $wide): array => [
            'rotation' => new Sought(Ability::ExternalRotation, $turn),
            'abduction' => new Sought(Ability::Abduction, $wide),
        ];
        self::assertSame(['turn-a' => 'rotation', 'turn-b' => 'abduction', 'learned' => 'rotation',
            'wide' => 'abduction'], Remedies::shapes($sought(1.0, 1.0), $ladders, ['there']));
        self::assertSame(['turn-a' => 'rotation', 'turn-b' => 'rotation', 'wide' => 'abduction',
            'learned' => 'rotation'], Remedies::shapes($sought(1.0, 0.4), $ladders, ['there']),
            'In proportion to what is missing.');
        self::assertSame([], Remedies::shapes([], $ladders, []));
    }

    public function testEveryShortPartIsSoughtByHowMuchIsMissing(): void
    {
        $bind = new PostureDefinition('bind', 'Bind', [Ability::Hamstrings, Ability::Balance, Ability::Flexion], [
            new RungDefinition('full', 'Full', null, ['hamstrings' => 85.0, 'balance' => 20.0, 'flexion' => 90.0],
                new Work(['balance'])),
        ], []);
        $day = new \DateTimeImmutable('2026-03-02');
        $read = static fn (Ability $ability, float $value): Evidence => new Evidence($ability, $value, Bound::Exact,
            Uncertainty::ofReading(1.0), 'test', Tool::Inclinometer, $day);
        $person = Person::of([])->supposing(Side::Left, [$read(Ability::Hamstrings, 55.0), $read(Ability::Balance, 5.0),
            $read(Ability::Flexion, 120.0)]);
        $sought = Remedies::sought(['bind' => [Side::Left]], new ReadPoses(['bind' => $bind], $person, []));
        self::assertSame(['hamstrings', 'balance'], array_keys($sought), 'What is there is not worked on.');
        self::assertEqualsWithDelta(1.0, $sought['hamstrings']->lack, 1e-9);
        self::assertEqualsWithDelta(0.5, $sought['balance']->lack, 1e-9);
        $first = Remedies::sought(['bind' => [Side::Left]], new ReadPoses(['bind' => $bind], $person, []),
            Ability::Balance);
        self::assertSame(['balance', 'hamstrings'], array_keys($first), 'What opens most comes first.');
        self::assertEqualsWithDelta(0.75, $first['balance']->lack, 1e-9);
    }

    /** Where the turn and the opening are there and the knee stays up all the same, a joint's shape is the likelier. */
    public function testNothingIsPushedAgainstTheShapeOfAJoint(): void
    {
        $far = new PostureDefinition('far', 'Far', [Ability::ExternalRotation, Ability::Abduction, Ability::Balance], [
            new RungDefinition('full', 'Full', null, ['rotation' => 160.0, 'abduction' => 90.0, 'balance' => 20.0],
                new Work(['turn-out'])),
        ], []);
        $sought = static function (float $knee) use ($far): array {
            $person = Person::of(['soles-together' => [['kneeHeight' => $knee, 'heelDistance' => 20.0]],
                'shins-stacked' => [['kneeHeight' => 11.0, 'ankleHeight' => 10.0]], 'frog' => [['span' => 93.0]]]);
            $balance = new Evidence(Ability::Balance, 5.0, Bound::Exact, Uncertainty::ofReading(1.0), 'tree-balance',
                Tool::Stopwatch, new \DateTimeImmutable('2026-03-02'));
            $found = array_keys(Remedies::sought(['far' => [Side::Left]], new ReadPoses(['far' => $far],
                $person->supposing(Side::Left, [$balance]), ['soles-together' => Definition::solesTogether(),
                    'shins-stacked' => Definition::shinsStacked(), 'frog' => Definition::frog()])));
            sort($found);

            return $found;
        };
        self::assertSame(['balance'], $sought(20.0));
        self::assertSame(['abduction', 'balance', 'rotation'], $sought(9.0));
    }

    public function testNothingIsStretchedTheWayThatAJointIsShortOf(): void
    {
        $turner = new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation], [
            new RungDefinition('full', 'Full', null, ['rotation' => 95.0], new Work(['turn-out'])),
        ], []);
        $person = Person::of(['shins-stacked' => [['kneeHeight' => 22.0, 'ankleHeight' => 10.0]]]);
        $sought = static fn (Snapshot $person): array => array_keys(Remedies::sought(['turner' => [Side::Left]],
            new ReadPoses(['turner' => $turner], $person, ['shins-stacked' => Definition::shinsStacked()])));
        self::assertSame(['rotation'], $sought($person));
        $read = static fn (Ability $ability, float $degrees): Evidence => new Evidence($ability, $degrees,
            Bound::Exact, Uncertainty::ofReading(2.5), 'prone-turns', Tool::Inclinometer,
            new \DateTimeImmutable('2026-03-02'));
        $turns = static fn (float $in, float $out): Snapshot => $person->supposing(Side::Right,
            [$read(Ability::NeutralInward, $in), $read(Ability::NeutralOutward, $out)]);
        self::assertSame([], $sought($turns(58.0, 12.0)));
        self::assertSame(['rotation'], $sought($turns(12.0, 58.0)));
    }

    /** @param list<string> $remedies */
    private static function ladder(
        array $remedies,
        PracticeLevel $level = PracticeLevel::Anyone,
        bool $isGentle = true,
    ): array {
        return [new PracticeRung('p', 'P', new RungDefinition('r', 'R', null, [], new Work([], $isGentle)),
            Stance::Lying, [], [], false, remedies: $remedies, level: $level)];
    }
}
