<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/**
 * A posture as it was read beside the mat, which a body of known lengths turns into joint angles.
 */
interface Reading
{
    /** One standard deviation of a height or distance read by tape, in cm: the product's own figure. */
    public const TAPE_ERROR = 0.7;
    /** Likewise of an angle read by inclinometer, in degrees. */
    public const ANGLE_ERROR = 2.5;

    /**
     * @return array<string, float> degrees by component
     *
     * @throws OutOfReach when legs of these lengths cannot be there
     * @throws StraightKnee when rotation cannot be read
     */
    public function angles(Body $body): array;

    /** @return array<string, float> one SD of each value that was read, by its name */
    public function readingErrors(): array;

    /** The same posture with one of its read values more by so much. */
    public function shifted(string $name, float $by): static;
}
