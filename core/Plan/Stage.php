<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Posture\Purpose;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;

/** The rung on which a side practises a posture now: where it stands, as far as there are the props. */
final class Stage
{
    /**
     * A rung that is missing its prop is not skipped upwards: a form of it for which there are the props, or else the
     * highest below it that was passed, is practised instead.
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
        $purpose = $poses->person->purposes[$posture] ?? null;
        $found = null;
        foreach (null === $now ? [] : $ladders[$posture] as $rung) {
            $forms = array_filter($rung->forms, static fn (PracticeRung $form): bool => !$form->isForShow());
            foreach ([...$rung->shapesFor($purpose), $rung, ...$forms] as $shape) {
                // For a knee's sake nothing loaded takes the place of what spares it.
                if (Purpose::Knee === $purpose && null !== $found && !$shape->rung->isForAnybody()) {
                    continue;
                }
                if ($equipment->has($shape) && May::practise($poses, $posture, $shape->rung->id, $side)->isYes()) {
                    $found = $shape;
                    break;
                }
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
        if ($left === $right || true !== ($left ?? $right)?->needsBothSides()) {
            return ['left' => $left, 'right' => $right];
        }
        if (null === $left || null === $right) {
            return ['left' => null, 'right' => null];
        }
        $behind = self::place($left, $ladders) < self::place($right, $ladders) ? $left : $right;

        return May::practise($poses, $posture, $behind->rung->id, null)->isYes()
            ? ['left' => $behind, 'right' => $behind]
            : ['left' => null, 'right' => null];
    }

    /**
     * What is not there for the rung on which a side stands, where nothing else bars it.
     *
     * @param array<string, list<PracticeRung>> $ladders by posture
     *
     * @return list<string> by the names of Equipment
     */
    public static function missing(
        string $posture,
        ReadPoses $poses,
        array $ladders,
        Equipment $equipment,
    ): array {
        foreach (Side::cases() as $side) {
            $now = $poses->of($posture, $side)->onLadder()->rung?->rung->id;
            foreach (null === $now ? [] : $ladders[$posture] as $rung) {
                if ($rung->rung->id === $now && May::practise($poses, $posture, $now, $side)->isYes()) {
                    return $equipment->missing($rung);
                }
            }
        }

        return [];
    }

    /**
     * The shapes that take turns on a rung: its own forms, or, where none of them is for what the pose is wanted for,
     * those of the next rung below that has such.
     *
     * @param array<string, list<PracticeRung>> $ladders by posture
     *
     * @return non-empty-list<PracticeRung> the rung, or what stands for it, first
     */
    public static function shapes(PracticeRung $rung, ?Purpose $purpose, array $ladders): array
    {
        $shapes = $rung->shapesFor($purpose);
        if (null === $purpose || [$rung] !== $shapes || '' !== $rung->beside) {
            return $shapes;
        }
        $below = array_slice($ladders[$rung->posture], 0, self::place($rung, $ladders));
        foreach (array_reverse($below) as $lower) {
            $forms = array_filter(
                $lower->forms,
                static fn (PracticeRung $form): bool => $form->purpose === $purpose->value,
            );
            if ([] !== $forms) {
                return [$rung, ...array_values($forms)];
            }
        }

        return $shapes;
    }

    /**
     * How far up its ladder a shape stands, a form with its rung.
     *
     * @param array<string, list<PracticeRung>> $ladders by posture
     */
    private static function place(PracticeRung $shape, array $ladders): int
    {
        $id = '' === $shape->beside ? $shape->rung->id : $shape->beside;
        $ids = array_map(static fn (PracticeRung $rung): string => $rung->rung->id, $ladders[$shape->posture]);

        return (int) array_search($id, $ids, true);
    }
}
