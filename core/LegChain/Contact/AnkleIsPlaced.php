<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\InvalidValue;

/** A contact that says where the foot is, so that the knee's height can be read, set, or looked for. */
interface AnkleIsPlaced extends Contact
{
    /** @throws InvalidValue when a number is missing, or out of its range */
    public static function ankleOf(SetUp $set): AnkleContact;
}
