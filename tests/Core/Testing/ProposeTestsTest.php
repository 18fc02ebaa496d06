<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Effect;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\StopSign;
use LucidAscent\Core\Testing\ProposedTest;
use LucidAscent\Core\Testing\ProposeTests;
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
        self::assertSame(['wide-legs', 'frog', 'figure-four-lying', 'soles-together', 'shins-stacked'], self::chosen(null));
    }

    public function testWhatIsHeldIsReplacedByWhatIsNot(): void
    {
        $knee = new Condition('knee-surgery', 'Knee surgery', Effect::Clinician, ['deep-turn', 'knee-fold', 'knee-load']);
        self::assertSame(['figure-four-lying'], self::chosen(self::ASKED, [], [$knee]));
        $held = array_filter(self::proposed(self::ASKED, [], [$knee]), static fn (ProposedTest $one): bool => $one->isHeld());
        self::assertSame(['frog', 'soles-together', 'shins-stacked'], array_values(array_map(static fn (ProposedTest $one): string => $one->test->id, $held)));
    }

    public function testWhatWasReadLatelyIsNotReadAgain(): void
    {
        self::assertSame(['soles-together', 'shins-stacked'], self::chosen(self::ASKED, ['frog' => ProposeTests::DAYS_RECENT]));
        self::assertContains('frog', self::chosen(self::ASKED, ['frog' => ProposeTests::DAYS_RECENT + 1]));
        foreach (self::proposed(self::ASKED, ['frog' => 0], []) as $one) {
            self::assertNotSame([], $one->because);
        }
    }

    public function testEachStopSignHasItsCaution(): void
    {
        self::assertNull(StopSign::of(Pain::none()));
        self::assertNull(StopSign::of(new Pain(5, PainPlace::OuterHip)));
        self::assertSame('knee-pain', StopSign::of(new Pain(1, PainPlace::Knee)));
        self::assertSame('sharp-pain', StopSign::of(new Pain(1, PainPlace::LowBack, PainKind::Sharp)));
        self::assertSame('lasting-numbness', StopSign::of(new Pain(1, PainPlace::Elsewhere, PainKind::LastingNumbness)));
        self::assertSame('groin-clicking', StopSign::of(new Pain(1, PainPlace::Groin, PainKind::Clicking)));
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
            array_filter(self::proposed($asked, $age, $conditions), static fn (ProposedTest $one): bool => $one->isChosen),
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
        foreach ([Definition::wideLegs(), Definition::frog(), Definition::figureFour(), Definition::solesTogether(), Definition::shinsStacked()] as $test) {
            $tests[$test->id] = $test;
        }

        return ProposeTests::of($tests, $asked, $age, $conditions);
    }
}
