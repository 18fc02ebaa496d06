<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

/** All gates there are. */
final class Gates
{
    /** @return list<Gate> those before a posture */
    public static function before(string $posture): array
    {
        $all = [new Lotus(), new HalfLotusFirst(), new CradleFirst(), new ParallelPigeonFirst(), new BackbendFirst(), new ApartFirst(), new NavelFirst()];

        return array_values(array_filter($all, static fn (Gate $gate): bool => in_array($posture, $gate->postures(), true)));
    }
}
