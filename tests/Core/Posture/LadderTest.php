<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Posture;

use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\Rung;
use PHPUnit\Framework\TestCase;

final class LadderTest extends TestCase
{
    public function testRungsKnowTheirNeighbours(): void
    {
        $ladder = self::ladder();
        self::assertSame('seat', $ladder->first()->id);
        self::assertSame('block', $ladder->after($ladder->rung('seat'))?->id);
        self::assertNull($ladder->after($ladder->rung('free')));
        self::assertNull($ladder->before($ladder->first()));
        self::assertFalse($ladder->has('roof'));
    }

    private static function ladder(): Ladder
    {
        return new Ladder('half-lotus', 'Half lotus', [
            new Rung('seat', 'Seat', PropRule::LevelSeat),
            new Rung('block', 'Block', PropRule::KneeBlock),
            new Rung('free', 'Free', PropRule::None),
        ]);
    }
}
