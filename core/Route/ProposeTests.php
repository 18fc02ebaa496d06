<?php

declare(strict_types=1);

namespace LucidAscent\Core\Route;

use LucidAscent\Core\Calendar\Cycle;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\TestDefinition;

/**
 * Which tests an assessment needs, in the taught order. Of several that isolate the same thing, the
 * one that reads it most exactly is proposed, unless a caution holds it; a test that shows two
 * wanted things at once is proposed beside them; what was read lately is not read again.
 */
final readonly class ProposeTests
{
    /**
     * @param array<string, TestDefinition> $tests in the taught order
     * @param array<string, list<string>>|null $asked the ids of the poses that ask for each ability; null for a full
     *     assessment
     * @param array<string, int> $age days since each test was last taken cleanly on both sides, by its id
     * @param Holds $holds what is held
     *
     * @return list<ProposedTest>
     */
    public static function of(array $tests, ?array $asked, array $age, Holds $holds): array
    {
        $held = array_map(
            static fn (TestDefinition $test): array => May::takeAtAll($holds, $test)->heldBy(),
            $tests,
        );
        $free = array_filter($tests, static fn (string $id): bool => [] === $held[$id], ARRAY_FILTER_USE_KEY);
        $best = self::best($free);
        $proposed = [];
        foreach ($tests as $id => $test) {
            $proposed[] = self::one($test, $asked, $age[$id] ?? null, $held[$id], $best, $free);
        }

        return $proposed;
    }

    /**
     * @param array<string, list<string>>|null $asked
     * @param list<string> $heldBy what holds it
     * @param array<string, string> $best
     * @param array<string, TestDefinition> $free those that nothing holds, in the taught order
     */
    private static function one(
        TestDefinition $test,
        ?array $asked,
        ?int $age,
        array $heldBy,
        array $best,
        array $free,
    ): ProposedTest {
        if ([] !== $heldBy) {
            return new ProposedTest(
                $test,
                false,
                [new Reason('test.held', Source::Trade, ['by' => $heldBy])],
                $heldBy,
            );
        }
        $because = [];
        $needed = null === $asked;
        if (null === $asked) {
            $because[] = new Reason('test.full', Source::Own);
        } else {
            $for = array_intersect_key($asked, $test->proves);
            $poses = array_values(array_unique(array_merge(...array_values($for))));
            $isolates = array_filter(
                array_keys($for),
                static fn (string $ability): bool => Bound::Exact === $test->proves[$ability],
            );
            $isBest =
                [] !== array_filter($isolates, static fn (string $ability): bool => $best[$ability] === $test->id);
            $needed = $isBest || (count($for) > 1 && [] === $isolates && !self::isShownBefore($test, $for, $free));
            $because[] = match (true) {
                [] === $for => new Reason('test.not-asked', Source::Own),
                $isBest => new Reason('test.isolates', Source::Trade, ['poses' => $poses]),
                $needed => new Reason('test.shows-together', Source::Trade, ['poses' => $poses]),
                default => new Reason('test.less-exact', Source::Own, ['poses' => $poses]),
            };
        }
        if ($needed && null !== $age && $age <= Cycle::DAYS) {
            return new ProposedTest($test, false, [
                ...$because,
                new Reason('test.recent', Source::Own, ['days' => $age]),
            ]);
        }

        return new ProposedTest($test, $needed, $because);
    }

    /**
     * Whether a test that is taught earlier shows all of it together, too.
     *
     * @param array<string, list<string>> $for by ability
     * @param array<string, TestDefinition> $free those that nothing holds, in the taught order
     */
    private static function isShownBefore(TestDefinition $test, array $for, array $free): bool
    {
        foreach ($free as $other) {
            if ($other === $test) {
                return false;
            }
            if (
                [] === array_diff_key($for, $other->proves)
                && [] === array_filter($other->proves, static fn (Bound $bound): bool => Bound::Exact === $bound)
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<string, TestDefinition> $free those that nothing holds
     *
     * @return array<string, string> by ability, the id of the test that isolates it most exactly
     */
    private static function best(array $free): array
    {
        $best = [];
        foreach ($free as $id => $test) {
            foreach ($test->proves as $ability => $bound) {
                if (Bound::Exact !== $bound) {
                    continue;
                }
                $other = isset($best[$ability]) ? $free[$best[$ability]] : null;
                if (null === $other || $test->rank() < $other->rank()) {
                    $best[$ability] = $id;
                }
            }
        }

        return $best;
    }
}
