<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

/** How a test reads a contact. */
final readonly class TestReading
{
    /**
     * @param float $usualError what one careful reading is usually off by, in degrees: of a body of middle size, this
     *     product's own reckoning
     * @param bool $isSeated sitting on a prop whose height is part of the reading
     * @param bool $takesAngle whether the angle itself, by inclinometer, can stand for the tape
     * @param list<string>|null $needs the values that it cannot do without; null for all of them
     * @param bool $mayRest whether somebody can say that the leg came to rest
     * @param bool $mayLack whether it is worth keeping without what it needs: as numbers that are followed, and prove
     *     nothing
     */
    public function __construct(
        public float $usualError,
        public bool $isSeated = false,
        public bool $takesAngle = false,
        public ?array $needs = null,
        public bool $mayRest = false,
        public bool $mayLack = false,
    ) {
    }
}
