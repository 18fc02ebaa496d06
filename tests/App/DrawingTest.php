<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\SheetFigure;
use LucidAscent\App\Catalogue\StandardBody;
use PHPUnit\Framework\TestCase;

/** What is drawn has the lengths of a body, and what is in reach follows from what is known. */
final class DrawingTest extends TestCase
{
    private const STATURE = 170.0;

    public function testEverySheetDrawsSegmentsOfTheirLength(): void
    {
        $body = StandardBody::leg();
        foreach ($this->postures() as $id => $posture) {
            $figure = SheetFigure::of($posture['figure']);
            foreach ($figure['legs'] as $side => $leg) {
                // The other leg of a lab posture is only sketched in; every other leg is the chain's.
                if ('right' === $side && isset($posture['figure']['lab'])) {
                    continue;
                }
                self::assertEqualsWithDelta($body->thigh, self::distance($leg['hip'], $leg['knee']), 1e-6, "$id, $side thigh");
                self::assertEqualsWithDelta($body->shin, self::distance($leg['knee'], $leg['ankle']), 1e-6, "$id, $side shin");
                self::assertGreaterThanOrEqual(0.0, min($leg['hip'][2], $leg['knee'][2], $leg['ankle'][2]), "$id, $side, below the floor");
            }
            self::assertCount(13, $figure['torso'], (string) $id);
            self::assertEqualsWithDelta(0.30 * self::STATURE, $this->arc($figure['torso']), 1.0, "$id, length of the torso");
        }
    }

    /** @return array<string, array<string, mixed>> */
    private function postures(): array
    {
        static $postures = null;

        return $postures ??= (new CatalogueFolder((string) realpath(__DIR__.'/../../catalogue')))->entries['posture'];
    }

    private static function distance(array $a, array $b): float
    {
        return sqrt(array_sum(array_map(static fn (float $p, float $q): float => ($p - $q) ** 2, $a, $b)));
    }

    private function arc(array $points): float
    {
        $length = 0.0;
        for ($i = 1; $i < count($points); ++$i) {
            $length += self::distance($points[$i - 1], $points[$i]);
        }

        return $length;
    }
}
