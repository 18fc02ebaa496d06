<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core;

use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Effect;
use LucidAscent\Core\Caution\Permission;
use LucidAscent\Core\Posture\PrerequisiteGraph;
use PHPUnit\Framework\TestCase;

final class CautionAndGraphTest extends TestCase
{
    public function testAConditionHoldsWhatItNamesAndLeavesTheRest(): void
    {
        $knee = self::knee();
        self::assertTrue(Permission::of([$knee], ['deep-turn', 'hip-fold'], false)->isHeld);
        self::assertSame([$knee], Permission::of([$knee], ['deep-turn'], false)->because);
        $other = Permission::of([$knee], ['hip-end'], false);
        self::assertFalse($other->isHeld);
        self::assertSame(['Straight knees.'], $other->changes);
        self::assertFalse(Permission::of([], ['deep-turn'], false)->isHeld);
    }

    public function testAnAllowanceOfOneDoesNotLiftTheHoldOfAnother(): void
    {
        $all = new Condition('inflamed', 'Inflamed', Effect::Clinician, [Condition::ALL], [], ['lying-rest']);
        self::assertFalse(Permission::of([$all], ['lying-rest'], true)->isHeld);
        self::assertTrue(Permission::of([$all, new Condition('x', 'X', Effect::Stop, ['lying-rest'])], ['lying-rest'], true)->isHeld);
    }

    public function testGentleOnlyHoldsEverythingThatIsNotGentle(): void
    {
        $minor = new Condition('minor', 'Under eighteen', Effect::Gentle, ['neck']);
        self::assertTrue(Permission::of([$minor], ['hip-fold'], false)->isHeld);
        self::assertFalse(Permission::of([$minor], ['hip-fold'], true)->isHeld);
        self::assertTrue(Permission::of([$minor], ['neck'], true)->isHeld);
    }

    public function testAFurtherConditionNeverOpensAnything(): void
    {
        $conditions = [self::knee(), new Condition('minor', 'Under eighteen', Effect::Gentle, ['neck']), new Condition('all', 'All', Effect::Stop, [Condition::ALL], [], ['hip-end'])];
        foreach ([['deep-turn'], ['hip-end'], ['neck', 'hip-fold'], ['lying-rest']] as $loads) {
            foreach ([true, false] as $gentle) {
                for ($i = 0; $i < count($conditions); ++$i) {
                    $fewer = Permission::of(array_slice($conditions, 0, $i), $loads, $gentle);
                    $more = Permission::of(array_slice($conditions, 0, $i + 1), $loads, $gentle);
                    self::assertTrue($more->isHeld || !$fewer->isHeld);
                }
            }
        }
    }

    public function testPrerequisitesComeDeepestFirst(): void
    {
        $graph = self::graph(['a' => ['needs' => ['b', 'c']], 'b' => ['needs' => ['d']], 'c' => ['needs' => ['d']], 'd' => []]);
        self::assertSame(['d', 'b', 'c'], $graph->prerequisites('a'));
        self::assertSame(['b', 'c'], $graph->from('needs', 'd'));
        self::assertSame([], $graph->faults(['turn']));
    }

    public function testFaultsOfTheGraphAreFound(): void
    {
        $codes = static fn (array $relations, array $judged = ['turn']): array => array_values(array_unique(array_column(self::graph($relations)->faults($judged), 'code')));
        self::assertSame(['cycle'], $codes(['a' => ['needs' => ['b']], 'b' => ['needs' => ['c']], 'c' => ['needs' => ['a']]]));
        self::assertSame(['unknown-posture'], $codes(['a' => ['needs' => ['z']]]));
        self::assertSame(['related-to-itself'], $codes(['a' => ['counters' => ['a']]]));
        self::assertContains('unreachable', $codes(['a' => ['needs' => ['b']], 'b' => [], 'c' => []]));
        self::assertSame(['no-test-judges'], $codes(['a' => ['needs' => ['b']], 'b' => []], []));
    }

    private static function knee(): Condition
    {
        return new Condition('knee-surgery', 'Knee surgery', Effect::Clinician, ['deep-turn', 'knee-fold'], ['hip-end' => 'Straight knees.']);
    }

    /** @param array<string, array<string, list<string>>> $relations */
    private static function graph(array $relations): PrerequisiteGraph
    {
        return new PrerequisiteGraph($relations, ['a'], array_map(static fn (): array => ['turn'], $relations));
    }
}
