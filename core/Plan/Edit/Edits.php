<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Readiness\ReadPoses;

/** The changes that can be made by hand, by name. */
final readonly class Edits
{
    public const NAMES = ['skip', 'earlier', 'later', 'longer', 'shorter', 'easier', 'harder', 'lock', 'unlock'];

    /**
     * @param array<string, list<PracticeRung>> $ladders by posture
     *
     * @return Edit|null null when there is none of that name
     */
    public static function named(string $name, array $ladders, ReadPoses $poses): ?Edit
    {
        return match ($name) {
            'skip' => new Skip(),
            'earlier', 'later' => new Shift('earlier' === $name),
            'longer', 'shorter' => new Hold('longer' === $name),
            'easier', 'harder' => new OtherRung('harder' === $name, $ladders, $poses),
            'lock', 'unlock' => new Lock('lock' === $name),
            default => null,
        };
    }
}
