<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Safety;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use PHPUnit\Framework\TestCase;

/**
 * The judge of holds against a statement of its own, over histories in any order: 200,000 of them, or as many
 * as SAFETY_HISTORIES says, out of SAFETY_SEED.
 */
final class HoldsSearchTest extends TestCase
{
    private const SHAPES = ['turn', 'fold', 'backbend', 'head-back', 'leg raise', 'child', 'rest'];
    private const HISTORIES = 200_000;
    private const SEED = 20261125;

    public function testNoHistoryGetsPastAStopAndNoneIsHeldForNothing(): void
    {
        $seed = (int) ($_SERVER['SAFETY_SEED'] ?? self::SEED);
        $many = (int) ($_SERVER['SAFETY_HISTORIES'] ?? self::HISTORIES);
        $histories = new Histories($seed);
        $held = 0;
        for ($i = 0; $i < $many; ++$i) {
            $history = $histories->next();
            $now = $histories->day();
            $fault = self::fault($history, $now, $held);
            if (null !== $fault) {
                self::fail("Seed $seed, history $i, on day $now: $fault\n".json_encode(self::shrunk($history, $now),
                    JSON_PRETTY_PRINT));
            }
        }
        // A search that met only one of the two answers would have shown nothing.
        self::assertGreaterThan($many, $held);
        self::assertLessThan($many * 12, $held);
    }

    public function testAFaultInTheStatementWouldBeSeen(): void
    {
        $pain = ['type' => 'pain', 'id' => 'e', 'at' => 1, 'on' => 1, 'side' => 'left', 'by' => 't', 'place' => 'knee',
            'kind' => 'ache', 'level' => 1, 'during' => null];
        self::assertTrue(Statement::isHeld([$pain], 1, 'rest', 'left'));
        self::assertFalse(Statement::isHeld([$pain], 0, 'rest', 'left'));
        self::assertFalse(Statement::isHeld([$pain], 1, 'turn', 'right'));
    }

    /** @param list<array<string, mixed>> $history */
    private static function fault(array $history, int $now, int &$held = 0): ?string
    {
        $holds = Holds::of(Histories::entries($history), Histories::moment($now));
        foreach (self::SHAPES as $shape) {
            $work = Histories::work($shape);
            foreach (Side::cases() as $side) {
                $expected = Statement::isHeld($history, $now, $shape, $side->value);
                $held += $expected ? 1 : 0;
                if ($expected !== ([] !== $holds->on($work, $side))) {
                    return sprintf('%s on the %s side is %s', $shape, $side->value, $expected ? 'let through'
                        : 'held for nothing');
                }
            }
        }

        return null;
    }

    /**
     * The shortest part of a history that shows the same.
     *
     * @param list<array<string, mixed>> $history
     *
     * @return list<array<string, mixed>>
     */
    private static function shrunk(array $history, int $now): array
    {
        foreach (array_keys($history) as $i) {
            $less = array_values(array_diff_key($history, [$i => true]));
            if (null !== self::fault($less, $now)) {
                return self::shrunk($less, $now);
            }
        }

        return $history;
    }
}
