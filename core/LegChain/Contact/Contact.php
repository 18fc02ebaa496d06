<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Posture;

/**
 * A way in which the leg is placed that has a name: `soles-together` is SolesTogether in this folder. Its class is
 * all that there is of it; nothing else lists contacts.
 */
interface Contact
{
    public static function about(): About;

    /** @throws InvalidValue when a number is missing, or out of its range */
    public static function of(SetUp $set): Posture;
}
