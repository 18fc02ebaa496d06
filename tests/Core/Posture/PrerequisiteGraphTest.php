<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Posture;

use LucidAscent\Core\Posture\PrerequisiteGraph;
use PHPUnit\Framework\TestCase;

final class PrerequisiteGraphTest extends TestCase
{
    public function testPrerequisitesComeDeepestFirst(): void
    {
        $graph = self::graph(['a' => ['needs' => ['b', 'c']], 'b' => ['needs' => ['d']], 'c' => ['needs' => ['d']],
            'd' => []]);
        self::assertSame(['d', 'b', 'c'], $graph->prerequisites('a'));
        self::assertSame(['b', 'c'], $graph->from('needs', 'd'));
        self::assertSame([], $graph->faults(['turn']));
    }

    public function testFaultsOfTheGraphAreFound(): void
    {
        $codes = static fn (array $relations, array $judged =
            ['turn']): array => array_values(array_unique(array_column(self::graph($relations)->faults($judged),
                'code')));
        self::assertSame(['cycle'], $codes(['a' => ['needs' => ['b']], 'b' => ['needs' => ['c']],
            'c' => ['needs' => ['a']]]));
        self::assertSame(['unknown-posture'], $codes(['a' => ['needs' => ['z']]]));
        self::assertSame(['related-to-itself'], $codes(['a' => ['counters' => ['a']]]));
        self::assertContains('unreachable', $codes(['a' => ['needs' => ['b']], 'b' => [], 'c' => []]));
        self::assertSame(['no-test-judges'], $codes(['a' => ['needs' => ['b']], 'b' => []], []));
    }

    /** @param array<string, array<string, list<string>>> $relations */
    private static function graph(array $relations): PrerequisiteGraph
    {
        return new PrerequisiteGraph($relations, ['a'], array_map(static fn (): array => ['turn'], $relations));
    }
}
