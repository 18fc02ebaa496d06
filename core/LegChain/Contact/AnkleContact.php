<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * A contact that says where the hip and the ankle are, and leaves the knee free on the circle
 * about the line between them.
 */
interface AnkleContact
{
    public function sitting(): Sitting;

    public function hip(Body $body): Vector;

    public function ankle(Body $body): Vector;

    /** @return array<string, float> one SD of each value that was read, by its name */
    public function readingErrors(): array;

    /** @return array<string, float> what can be changed, and what it is now; `shifted()` takes these names too */
    public function props(): array;

    /** The same contact with one of its values more by so much. */
    public function shifted(string $name, float $by): static;

    /** The same contact with the pelvis placed otherwise. */
    public function seated(Sitting $sitting): static;
}
