<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

/** A contact whose numbers tell that the leg lies on something, so that it may be able to go further. */
interface ComesToRest
{
    public static function isResting(SetUp $set): bool;
}
