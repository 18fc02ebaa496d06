<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Progress;

use LucidAscent\Core\Progress\Movement;
use PHPUnit\Framework\TestCase;

final class MovementTest extends TestCase
{
    public function testWhatIsLostIsSaidBeforeWhatIsWon(): void
    {
        $of = static fn (float $month, float $chance, float $sd = 0.2): array => ['month' => $month, 'sd' => $sd,
            'chance' => $chance];
        self::assertNull(Movement::of([]));
        self::assertSame(Movement::Moves, Movement::of([$of(0.9, 0.95), $of(-0.1, 0.6)]));
        self::assertSame(Movement::Back, Movement::of([$of(0.9, 0.99), $of(-0.5, 0.95)]));
        self::assertSame(Movement::Still, Movement::of([$of(0.1, 0.6), $of(-0.5, 0.94)]));
        self::assertNull(Movement::of([$of(0.1, 0.6), $of(0.1, 0.6, 0.4)]), 'The usual rate could be there as well.');
        self::assertNull(Movement::of([$of(0.31, 0.94)]), 'Just so.');
        self::assertSame(Movement::Still, Movement::of([$of(0.3, 0.94)]));
    }
}
