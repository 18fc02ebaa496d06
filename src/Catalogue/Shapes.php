<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** The rungs of a posture and the forms that stand beside them, as they are written. */
final readonly class Shapes
{
    /**
     * @param array<string, mixed> $posture
     *
     * @return array<string, array<string, mixed>> by their place in the entry, "rungs/0" or "forms/2"
     */
    public static function of(array $posture): array
    {
        $shapes = [];
        foreach (['rungs', 'forms'] as $part) {
            foreach ($posture[$part] ?? [] as $i => $shape) {
                $shapes["$part/$i"] = $shape;
            }
        }

        return $shapes;
    }
}
