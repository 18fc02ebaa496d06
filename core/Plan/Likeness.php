<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

/** Which shapes are alike, each two worked out once while a plan is made. */
final class Likeness
{
    /** @var array<int, array<int, bool>> by the objects' numbers */
    private array $known = [];

    public function of(PracticeRung $one, PracticeRung $other): bool
    {
        return $this->known[spl_object_id($one)][spl_object_id($other)] ??= $one->isLike($other);
    }

    /**
     * Whether a shape is like one of these.
     *
     * @param list<PracticeRung> $others
     */
    public function toAny(PracticeRung $one, array $others): bool
    {
        foreach ($others as $other) {
            if ($this->of($one, $other)) {
                return true;
            }
        }

        return false;
    }
}
