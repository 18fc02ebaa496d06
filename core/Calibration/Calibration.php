<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calibration;

/** What came of it. */
final readonly class Calibration
{
    /**
     * @param Tally $all every posture of everybody, after every test
     * @param Tally $asked the one pose that each came for, as soon as nothing more was worth measuring
     * @param float $proposed readings until then, in the proposed order; the mean of all people
     * @param float $inOrder in the taught order
     */
    public function __construct(public int $people, public int $seed, public Tally $all, public Tally $asked, public float $proposed, public float $inOrder)
    {
    }
}
