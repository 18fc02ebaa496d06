<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Sitting;

/** What a contact is made of: its own numbers, how one sits, and of whom. */
final readonly class SetUp
{
    /**
     * @param Sitting|null $sitting how the pelvis is placed; by the numbers `seat` and `pelvicTilt` where nothing else
     *     is said
     * @param Capacity|null $capacity what this person's leg can do, where a free knee has to know
     * @param UpperLengths|null $upper of whom, above the hips, where those lengths are not among the numbers
     */
    public function __construct(
        private Numbers $numbers,
        private ?Sitting $sitting = null,
        private ?Capacity $capacity = null,
        private ?UpperLengths $upper = null,
    ) {
    }

    public function has(string $name): bool
    {
        return $this->numbers->has($name);
    }

    /** @throws InvalidValue when it is missing, or no finite number */
    public function number(string $name): float
    {
        return $this->numbers->number($name);
    }

    /** @throws InvalidValue when seat or tilt are out of range */
    public function sitting(): Sitting
    {
        return $this->sitting ??
            new Sitting($this->numbers->number('seat', 0.0), $this->numbers->number('pelvicTilt', 0.0));
    }

    /** @throws InvalidValue when nobody said what the leg can do */
    public function capacity(): Capacity
    {
        return $this->capacity ?? throw InvalidValue::missing('capacity');
    }

    /** @throws InvalidValue when it is not among the numbers, and nobody said of whom */
    public function upper(UpperBody $part): float
    {
        $name = $part->value;

        return $this->numbers->has($name) || null === $this->upper
            ? $this->numbers->number($name)
            : $this->upper->get($part);
    }

    /** @throws InvalidValue when nobody said */
    public function stature(): float
    {
        return $this->upper->stature ?? throw InvalidValue::missing('stature');
    }
}
