<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

enum PainPlace: string
{
    case None = 'none';
    case Knee = 'knee';
    case Groin = 'groin';
    case OuterHip = 'outer-hip';
    case InnerThigh = 'inner-thigh';
    case LowBack = 'low-back';
    case Ankle = 'ankle';
    case Elsewhere = 'elsewhere';
}
