<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * The ankle on the other thigh: forward of the hip line, across the midline towards this leg
 * (negative when it has passed to the other side), and above the hip centre; all in cm, and
 * none of them read from a tape, so they carry no reading error.
 */
final readonly class AnkleOnThigh extends SeatedContact
{
    /** @throws InvalidValue when a number is not finite */
    public function __construct(
        public float $forward,
        public float $across,
        public float $above,
        Sitting $sitting,
    ) {
        parent::__construct($sitting);
        if (!is_finite($forward + $across + $above)) {
            Check::finite('contact.forward', $forward);
            Check::finite('contact.across', $across);
            Check::finite('contact.above', $above);
        }
    }

    public function ankle(Body $body): Vector
    {
        return new Vector($this->forward, $this->across, $this->sitting->hipHeight($body) + $this->above);
    }

    public function props(): array
    {
        return ['forward' => $this->forward, 'across' => $this->across, 'above' => $this->above] + parent::props();
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->forward + ('forward' === $name ? $by : 0.0),
            $this->across + ('across' === $name ? $by : 0.0),
            $this->above + ('above' === $name ? $by : 0.0),
            $this->sitting->shifted($name, $by),
        );
    }

    public function seated(Sitting $sitting): static
    {
        return new self($this->forward, $this->across, $this->above, $sitting);
    }
}
