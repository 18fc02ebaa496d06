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
        self::assertSame(['turn-a' => 'rotation', 'turn-b' => 'abduction', 'wide' => 'abduction',
            'learned' => 'rotation'], Remedies::shapes(['rotation', 'abduction'], $ladders, ['there']));
        self::assertSame([], Remedies::shapes([], $ladders, []));
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
