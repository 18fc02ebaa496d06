<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Definitions;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Test;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Route\ProposedTest;
use LucidAscent\Core\Route\ProposeTests;
use LucidAscent\Core\Testing\TakenTest;

/** Which tests an assessment needs, and how far it has come. */
final readonly class AssessmentPlan
{
    /** A first look in four minutes: what is most telling for its time. */
    public const QUICK = ['soles-together', 'shins-stacked'];

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param list<string> $wanted poses; none for a full assessment
     * @param list<TakenTest> $tests the person's
     *
     * @return array<string, ProposedTest> by the test's id
     */
    public function proposed(array $wanted, array $tests, Holds $holds, \DateTimeImmutable $now): array
    {
        $asked = null;
        foreach ($wanted as $id) {
            $posture = $this->catalogue->entry(Kind::Posture, $id);
            if (null === $posture) {
                continue;
            }
            foreach (Definitions::abilities($posture) as $ability) {
                $asked[$ability][] = $id;
            }
        }
        $proposed = [];
        foreach (ProposeTests::of($this->catalogue->tests(), $asked, self::ages($tests, $now), $holds) as $one) {
            $proposed[$one->test->id] = $one;
        }

        return $proposed;
    }

    /**
     * @param list<Test> $tests those taken in one assessment
     *
     * @return array<string, list<Test>> by the test's id
     */
    public static function taken(array $tests): array
    {
        $taken = [];
        foreach ($tests as $test) {
            $taken[$test->kind][] = $test;
        }

        return $taken;
    }

    /**
     * The test to take next, of those that were chosen and that may be taken on some side: what settles most, or the
     * first.
     *
     * @param list<Test> $tests those taken in it
     * @param ReadPoses|null $poses what is known of the person; null where nobody measured the body
     */
    public function next(Assessment $assessment, array $tests, Holds $holds, ?ReadPoses $poses): ?string
    {
        $known = $this->catalogue->tests();
        $open = array_values(
            array_filter(
                array_diff($assessment->tests, array_keys(self::taken($tests))),
                static fn (string $id): bool => isset($known[$id]) && May::takeAtAll($holds, $known[$id])->isYes(),
            ),
        );
        $best =
            null === $poses || [] === $assessment->wanted
                ? null
                : NextReading::of($assessment->wanted, $poses)?->test?->id;

        return in_array($best, $open, true) ? $best : $open[0] ?? null;
    }

    /**
     * @param list<TakenTest> $tests the newest first
     *
     * @return array<string, int> whole days since a test was last taken without compensation or pain on both sides
     */
    private static function ages(array $tests, \DateTimeImmutable $now): array
    {
        $clean = [];
        foreach ($tests as $test) {
            if (null !== $test->at && $test->isClean()) {
                $clean[$test->test][$test->side->value] ??= (int) $test->at->diff($now)->format('%r%a');
            }
        }

        return array_map(
            static fn (array $sides): int => max([0, ...array_values($sides)]),
            array_filter($clean, static fn (array $sides): bool => count($sides) === count(Side::cases())),
        );
    }
}
