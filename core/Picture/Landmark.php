<?php

declare(strict_types=1);

namespace LucidAscent\Core\Picture;

use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\LegChain\Vector;

/** What is marked on a picture of a rung: of the side that works, of the other, and of the trunk. */
enum Landmark: string
{
    case Hip = 'hip';
    case OtherHip = 'other-hip';
    case Knee = 'knee';
    case Ankle = 'ankle';
    case Toe = 'toe';
    case OtherKnee = 'other-knee';
    case OtherAnkle = 'other-ankle';
    case Shoulder = 'shoulder';
    case OtherShoulder = 'other-shoulder';
    case Pelvis = 'pelvis';
    case Back = 'chest';
    case Neck = 'neck';
    /** Two places that are level with one another. */
    case LevelA = 'levelA';
    case LevelB = 'levelB';

    /** Where it is on a figure; null for what is no part of a body. */
    public function on(Figure $figure): ?Vector
    {
        return match ($this) {
            self::LevelA, self::LevelB => null,
            self::Pelvis, self::Back, self::Neck => $figure->point($this->value),
            default => $figure->ofWorking($this->value),
        };
    }
}
