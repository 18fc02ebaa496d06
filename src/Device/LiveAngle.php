<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use LucidAscent\Core\Testing\SteadyAngle;

/**
 * An inclinometer's samples as the page shows them: the angle now, whether it has settled and where, or that the line
 * is gone.
 */
final class LiveAngle
{
    /** @return iterable<array{state: string, angle?: float, steady?: float|null}> */
    public static function events(Inclinometer $inclinometer): iterable
    {
        $steady = new SteadyAngle();
        foreach ($inclinometer->samples() as $sample) {
            if (null === $sample) {
                $steady->lost();
                yield ['state' => 'lost'];
            } elseif (false === $sample) {
                yield ['state' => 'garbled'];
            } else {
                $settled = $steady->feed($sample->ms, $sample->angle);
                yield [
                    'state' => 'live',
                    'angle' => $sample->angle,
                    'steady' => null === $settled ? null : round($settled, 1),
                ];
            }
        }
    }
}
