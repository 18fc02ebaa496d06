<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** How the height of a rung's prop is found. */
enum PropRule: string
{
    case None = 'none';
    /** Under the seat, until the knees are no higher than the hips in soles-together sitting. */
    case LevelSeat = 'level-seat';
    /** Under the knee: the lowest knee height that this side's angles allow, foot on the mid-thigh. */
    case KneeBlock = 'knee-block';
}
