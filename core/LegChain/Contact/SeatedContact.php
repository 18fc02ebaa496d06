<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/** What the contacts have in common whose ankle follows from the body and from how the pelvis is placed. */
abstract readonly class SeatedContact implements AnkleContact
{
    protected function __construct(protected Sitting $sitting)
    {
    }

    final public function sitting(): Sitting
    {
        return $this->sitting;
    }

    public function hip(Body $body): Vector
    {
        return $this->sitting->hip($body);
    }

    public function readingErrors(): array
    {
        return [];
    }

    public function props(): array
    {
        return $this->sitting->props();
    }

    public function shifted(string $name, float $by): static
    {
        return $this->seated($this->sitting->shifted($name, $by));
    }

    /** A point given in the pelvis's frame from the point between the hip joints, in the ground's frame. */
    final protected function fromPelvis(Body $body, Vector $point): Vector
    {
        return (new Vector(0.0, 0.0, $this->sitting->hipHeight($body)))->plus($this->sitting->toGround($point));
    }
}
