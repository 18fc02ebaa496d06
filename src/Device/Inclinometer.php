<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

/** An instrument that sends angles for as long as it is listened to. */
interface Inclinometer
{
    /**
     * What comes next: a sample; false for a line that could not be read; null when nothing came for
     * a while, or the line is broken and is being taken up again.
     *
     * @return iterable<AngleSample|false|null>
     */
    public function samples(): iterable;
}
