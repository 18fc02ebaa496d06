<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Route;

use LucidAscent\Core\Calendar\Cycle;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Route\ProposedTest;
use LucidAscent\Core\Route\ProposeTests;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;

final class ProposeTestsTest extends TestCase
{
    private const ASKED = ['rotation' => ['Half lotus'], 'abduction' => ['Half lotus']];

    public function testTheMostExactOfThoseThatIsolateAndTheOneThatShowsTogether(): void
    {
        self::assertSame(['frog', 'soles-together', 'shins-stacked'], self::chosen(self::ASKED));
    }

    public function testAFullAssessmentTakesAllInTheTaughtOrder(): void
    {
        self::assertSame(['wide-legs', 'frog', 'figure-four-lying', 'soles-together', 'shins-stacked'],
            self::chosen(null));
    }

    public function testWhatIsHeldIsReplacedByWhatIsNot(): void
    {
        $knee = new Condition('knee-surgery', 'Knee surgery', ['turn-out', 'knee-folded', 'weight-on-knee']);
        self::assertSame(['figure-four-lying'], self::chosen(self::ASKED, [], [$knee]));
        $held = array_filter(self::proposed(self::ASKED, [], [$knee]),
            static fn (ProposedTest $one): bool => $one->isHeld());
        self::assertSame(['frog', 'soles-together', 'shins-stacked'],
            array_values(array_map(static fn (ProposedTest $one): string => $one->test->id, $held)));
    }

    public function testEachSaysWhy(): void
    {
        $why = [];
        foreach (self::proposed(['rotation' => ['Lotus'], 'flexion' => ['Lotus']], [], []) as $one) {
            $why[$one->test->id] = [$one->because[0]->code, $one->because[0]->numbers['poses'] ?? null];
        }
        self::assertSame([
            'wide-legs' => ['test.not-asked', null],
            'frog' => ['test.not-asked', null],
            'figure-four-lying' => ['test.less-exact', ['Lotus']],
            'soles-together' => ['test.shows-together', ['Lotus']],
            'shins-stacked' => ['test.isolates', ['Lotus']],
        ], $why);
        self::assertSame('test.full', self::proposed(null, [], [])[0]->because[0]->code);
    }

    public function testOfTwoThatTellTheSameTheSidesApartAreTaken(): void
    {
        $together = new TestDefinition('both', 'Both', 1, Formula::named('shins-stacked'), ['rotation' => Bound::Exact],
            ['kneeHeight' => 'cm', 'ankleHeight' => 'cm'], [], 1.0, false);
        $apart = Definition::figureFour();
        self::assertLessThan($together->rank(), $apart->rank(), 'Though it is read with the larger error.');
        self::assertLessThan($apart->rank(), Definition::shinsStacked()->rank(), 'Of those alike the smaller error.');
        $day = new \DateTimeImmutable('2026-03-02');
        $chosen = array_filter(ProposeTests::of(['both' => $together, 'figure-four-lying' => $apart],
            ['rotation' => ['lotus']], [], Holds::of([], $day)), static fn (ProposedTest $one): bool => $one->isChosen);
        self::assertSame(['figure-four-lying'],
            array_values(array_map(static fn (ProposedTest $one): string => $one->test->id, $chosen)));
    }

    public function testWhatWasReadLatelyIsNotReadAgain(): void
    {
        self::assertSame(['soles-together', 'shins-stacked'], self::chosen(self::ASKED, ['frog' => Cycle::DAYS]));
        self::assertContains('frog', self::chosen(self::ASKED, ['frog' => Cycle::DAYS + 1]));
        foreach (self::proposed(self::ASKED, ['frog' => 0], []) as $one) {
            self::assertNotSame([], $one->because);
        }
    }

    /**
     * @param array<string, list<string>>|null $asked
     * @param array<string, int> $age
     * @param list<Condition> $conditions
     *
     * @return list<string>
     */
    private static function chosen(?array $asked, array $age = [], array $conditions = []): array
    {
        return array_values(array_map(
            static fn (ProposedTest $one): string => $one->test->id,
            array_filter(self::proposed($asked, $age, $conditions),
                static fn (ProposedTest $one): bool => $one->isChosen),
        ));
    }

    /**
     * @param array<string, list<string>>|null $asked
     * @param array<string, int> $age
     * @param list<Condition> $conditions
     *
     * @return list<ProposedTest>
     */
    private static function proposed(?array $asked, array $age, array $conditions): array
    {
        $tests = [];
        foreach ([Definition::wideLegs(), Definition::frog(), Definition::figureFour(), Definition::solesTogether(),
            Definition::shinsStacked()] as $test) {
            $tests[$test->id] = $test;
        }

        $day = new \DateTimeImmutable('2026-03-02');

        return ProposeTests::of($tests, $asked, $age,
            Holds::of(array_map(static fn (Condition $c): ConditionTold => new ConditionTold($c->id, $day, $day, $c),
                $conditions), $day));
    }
}
