<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;

/** The rung on which a side practises a posture now: where it stands, as far as there are the props. */
final class Stage
{
    /**
     * A rung that is missing its prop is not skipped upwards: the highest below it that was passed is
     * practised instead.
     *
     * @param array<string, list<PracticeRung>> $ladders by posture
     */
    public static function of(
        string $posture,
        Side $side,
        ReadPoses $poses,
        array $ladders,
        Equipment $equipment,
    ): ?PracticeRung {
        $now = $poses->of($posture, $side)->onLadder()->rung?->rung->id;
        $found = null;
        foreach (null === $now ? [] : $ladders[$posture] as $rung) {
            if ($equipment->has($rung) && May::practise($poses, $posture, $rung->rung->id, $side)->isYes()) {
                $found = $rung;
            }
            if ($rung->rung->id === $now) {
                break;
            }
        }

        return $found;
    }

    /**
     * Of both sides. A shape that is done on both at once is that of the side which is behind, and nobody's where one
     * of them may not do it.
     *
     * @param array<string, list<PracticeRung>> $ladders by posture
     *
     * @return array{left: PracticeRung|null, right: PracticeRung|null}
     */
    public static function ofBoth(string $posture, ReadPoses $poses, array $ladders, Equipment $equipment): array
    {
        $left = self::of($posture, Side::Left, $poses, $ladders, $equipment);
        $right = self::of($posture, Side::Right, $poses, $ladders, $equipment);
        if ($left === $right || true !== ($left ?? $right)?->isSymmetric) {
            return ['left' => $left, 'right' => $right];
        }
        if (null === $left || null === $right) {
            return ['left' => null, 'right' => null];
        }
        $isLeft = array_search($left, $ladders[$posture], true) < array_search($right, $ladders[$posture], true);
        $behind = $isLeft ? $left : $right;

        return May::practise($poses, $posture, $behind->rung->id, null)->isYes()
            ? ['left' => $behind, 'right' => $behind]
            : ['left' => null, 'right' => null];
    }
}
