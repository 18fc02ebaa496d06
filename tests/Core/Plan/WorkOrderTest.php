<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Plan\Candidate;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\PracticeDrill;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Plan\Wish;
use LucidAscent\Core\Plan\WorkOrder;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\TestCase;

/** What comes first in a session, and what last. */
final class WorkOrderTest extends TestCase
{
    public function testByHowMuchAShapeAsksWithOnePeakAndNotByWhetherItLies(): void
    {
        $work = [
            self::one('breath', Stance::Lying, true, 0.0, remedies: [Remedy::Breath]),
            self::one('peak', Stance::Seated, false, 40.0, [Wish::Wanted]),
            self::one('deep-lying', Stance::Lying, false, 100.0),
            self::one('deep-standing', Stance::Bearing, false, 60.0),
            self::one('gentle-strong', Stance::Lying, true, 90.0),
            self::one('gentle-seated', Stance::Seated, true, 30.0),
            self::one('gentle-lying', Stance::Lying, true, 35.0),
            self::one('circle', Stance::Bearing, true, 10.0, isDrill: true),
            self::one('rock', Stance::Lying, true, 50.0, isDrill: true),
            self::one('plank', Stance::Lying, true, 0.0, remedies: [Remedy::Strength]),
            self::one('tree', Stance::Bearing, true, 20.0, remedies: [Remedy::Balance]),
            self::one('set', Stance::Bearing, false, 110.0, set: 0),
        ];
        self::assertSame(['set', 'tree', 'plank', 'rock', 'circle', 'gentle-lying', 'gentle-seated', 'gentle-strong',
            'deep-standing', 'deep-lying', 'peak', 'breath'], self::order($work, 'peak'));
        self::assertSame(['peak', 'deep-standing', 'deep-lying'], self::order(array_slice($work, 1, 3), null),
            'Without a pose of the day what asks most is the peak.');
    }

    public function testLyingLotusComesAfterThePeakWhereTheSchoolHasItSo(): void
    {
        $work = [self::one('lotus', Stance::Lying, false, 90.0, isLotus: true),
            self::one('peak', Stance::Seated, false, 40.0, [Wish::Wanted])];
        self::assertSame(['lotus', 'peak'], self::order($work, 'peak'));
        self::assertSame(['peak', 'lotus'], self::order($work, 'peak', true));
    }

    public function testWhatPreparesAnotherComesBeforeItWhereBothAreDeepOrNeitherIs(): void
    {
        $deep = [self::one('needs', Stance::Lying, false, 50.0), self::one('helped', Stance::Lying, false, 60.0),
            self::one('camel', Stance::Bearing, false, 100.0)];
        self::assertSame(['camel', 'needs', 'helped'], self::order($deep, null));
        self::assertSame(['needs', 'camel'], self::order([self::one('needs', Stance::Lying, true, 50.0), $deep[2]],
            null), 'Nothing deep is done before what is gentle because it prepares it.');
    }

    /**
     * @param list<Candidate> $work
     *
     * @return list<string>
     */
    private static function order(array $work, ?string $theme, bool $lotusLast = false): array
    {
        $posture = static fn (string $id, array $needs, array $by): PostureDefinition => new PostureDefinition($id, $id,
            [], [new RungDefinition('r', 'R', null, [], new Work([]))], $needs, preparedBy: $by);
        $poses = new ReadPoses(['needs' => $posture('needs', ['camel'], []),
            'helped' => $posture('helped', [], ['camel'])], Person::of([]), []);
        $by = [];
        foreach ($work as $candidate) {
            $by[$candidate->key()] = [$candidate];
        }

        return array_map(static fn (string $key): string => str_replace('drill/', '', $key),
            array_keys(WorkOrder::of($by, $theme, Doses::countedBreath(1, $lotusLast), $poses)));
    }

    /**
     * @param list<Wish> $wishes
     * @param list<Remedy> $remedies
     */
    private static function one(
        string $id,
        Stance $stance,
        bool $isGentle,
        float $turn,
        array $wishes = [],
        array $remedies = [],
        bool $isDrill = false,
        bool $isLotus = false,
        ?int $set = null,
    ): Candidate {
        $rung = new PracticeRung($id, $id, new RungDefinition('r', 'R', null, [],
            new Work([], $isGentle, angles: ['rotation' => $turn])), $stance, [], [], false,
            remedies: array_column($remedies, 'value'), isLotus: $isLotus);

        return new Candidate($id, ['left' => $rung, 'right' => $rung], null, [], new Reason('plan.stage', Source::Own),
            $wishes, null, null, $isDrill ? new PracticeDrill($id, $id, $rung, new HoldRange(30.0, 60.0), 10.0, true,
                []) : null, $set);
    }
}
