<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Route;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Effect;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stage;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Route\Route;
use LucidAscent\Core\Testing\Ability;
use LucidAscent\Tests\Core\Readiness\Person;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

/** Over a small graph: the summit needs a turner and a spreader, and the turner needs the ground. */
final class RouteTest extends TestCase
{
    private const TURNS = ['shins-stacked' => [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]]];
    private const SPREADS = ['frog' => [['span' => 90.0]]];

    public function testTheOrderIsFromTheGroundUpAndPassesOverWhatIsOpen(): void
    {
        $route = Route::to('summit', self::poses(self::TURNS));
        self::assertSame(['ground', 'turner', 'spreader', 'summit'], $route->all);
        self::assertSame(['spreader', 'summit'], $route->left);
        self::assertSame(['spreader'], $route->frontier, 'The summit waits for the spreader.');
    }

    public function testAHeldPoseNamesTheNearestOfItsActionThatIsInReach(): void
    {
        $poses = self::poses(self::TURNS, [new Condition('c', 'C', Effect::Clinician, ['deep-turn'])]);
        $route = Route::to('summit', $poses);
        self::assertTrue($route->isClosed($poses));
        self::assertSame('turner', $route->instead);
        self::assertNull(Route::to('turner', $poses)->instead);
    }

    public function testTheKeystoneIsWhatAloneKeepsMostBack(): void
    {
        $short = ['shins-stacked' => [['kneeHeight' => 30.0, 'ankleHeight' => 10.0]]] + self::SPREADS;
        $poses = self::poses($short);
        $keystone = Keystone::of([Route::to('summit', $poses)], $poses);
        self::assertSame(Ability::Rotation, $keystone?->ability);
        self::assertSame(['ground', 'turner', 'summit'], $keystone->opens);
        $open = self::poses(self::TURNS + self::SPREADS);
        self::assertNull(Keystone::of([Route::to('summit', $open)], $open));
        self::assertNull(Keystone::of([], $open));
    }

    public function testTheNextReadingSettlesMostForItsTime(): void
    {
        $tests = [];
        foreach ([Definition::frog(), Definition::figureFour(), Definition::shinsStacked()] as $test) {
            $tests[$test->id] = $test;
        }
        self::assertSame('figure-four-lying', NextReading::of(['turner'], self::poses([]), $tests)?->test->id, 'One minute before three.');
        self::assertSame('frog', NextReading::of(['summit'], self::poses(self::TURNS), $tests)?->test->id, 'What is known is not asked for.');
        self::assertNull(NextReading::of(['summit'], self::poses(self::TURNS + self::SPREADS), $tests), 'Open is settled.');
        self::assertNull(NextReading::of(['turner'], self::poses(['shins-stacked' => [['kneeHeight' => 33.0, 'ankleHeight' => 10.0]]]), $tests), 'Short is settled.');
        $held = self::poses([], [new Condition('c', 'C', Effect::Clinician, ['hip-end', 'knee-load', 'lying-rest', 'knee-fold', 'deep-turn'])]);
        self::assertNull(NextReading::of(['turner'], $held, $tests), 'A test that is held is not proposed.');
    }

    public function testAStageIsTheHighestRungInReachAndADecisionCanKeepItLower(): void
    {
        $ladder = self::ladder([['low', 20.0, true], ['middle', 50.0, false], ['high', 120.0, false]]);
        $poses = new ReadPoses(['turner' => $ladder], Person::of(self::TURNS));
        $practice = ['turner' => array_map(static fn (RungDefinition $rung): PracticeRung => new PracticeRung('turner', 'Turner', $rung, 1, [], 'middle' === $rung->id ? ['strap' => 1] : [], false), $ladder->rungs)];
        $stage = static fn (bool $strap, array $decided = []): ?string => Stage::of('turner', Side::Left, $poses, $practice, new Equipment(0, 0, $strap), $decided)?->rung->id;
        self::assertSame('middle', $stage(true));
        self::assertSame('low', $stage(false), 'Without its strap the middle rung is not practised.');
        self::assertSame('low', $stage(true, ['turner left' => 'low']));
        self::assertSame('middle', $stage(true, ['turner left' => 'high']), 'A decision never lifts above what is in reach.');
        $nobody = new ReadPoses(['turner' => $ladder], Person::of([]));
        self::assertSame('low', Stage::of('turner', Side::Left, $nobody, $practice, new Equipment(0, 0, true))?->rung->id, 'Nothing known: the lowest gentle one.');
        $held = new ReadPoses(['turner' => $ladder], Person::of(self::TURNS, [new Condition('c', 'C', Effect::Stop, [Condition::ALL])]));
        self::assertNull(Stage::of('turner', Side::Left, $held, $practice, new Equipment(0, 0, true)));
    }

    /**
     * @param array<string, non-empty-list<array<string, float>>> $trials
     * @param list<Condition> $conditions
     */
    private static function poses(array $trials, array $conditions = []): ReadPoses
    {
        $posture = static fn (string $id, array $thresholds, array $needs, array $loads = ['lying-rest']): PostureDefinition => new PostureDefinition(
            $id,
            ucfirst($id),
            array_map(Ability::from(...), array_keys($thresholds)),
            [new RungDefinition('full', 'Full', null, $thresholds, $loads, true)],
            $needs,
            'summit' === $id ? ['turner'] : [],
        );

        return new ReadPoses([
            'ground' => $posture('ground', ['rotation' => 70.0], []),
            'turner' => $posture('turner', ['rotation' => 75.0], ['ground']),
            'spreader' => $posture('spreader', ['abduction' => 45.0], []),
            'summit' => $posture('summit', ['rotation' => 78.0, 'abduction' => 50.0], ['turner', 'spreader'], ['deep-turn']),
        ], Person::of($trials, $conditions));
    }

    /** @param non-empty-list<array{string, float, bool}> $rungs */
    private static function ladder(array $rungs): PostureDefinition
    {
        return new PostureDefinition('turner', 'Turner', [Ability::Rotation], array_map(
            static fn (array $rung): RungDefinition => new RungDefinition($rung[0], $rung[0], null, ['rotation' => $rung[1]], ['deep-turn'], $rung[2]),
            $rungs,
        ), []);
    }
}
