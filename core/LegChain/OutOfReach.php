<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

/** The position asked for cannot be made with legs of these lengths, or within these angles. */
class OutOfReach extends \DomainException
{
    final protected function __construct(string $message)
    {
        parent::__construct($message);
    }

    /** Of a knee that no leg of these lengths brings to this height, in cm. */
    public static function kneeHeight(float $kneeHeight): self
    {
        return new self(sprintf(
            'With the ankle where it is, the knee of this leg cannot be %.1f cm above the floor.',
            $kneeHeight,
        ));
    }

    public static function ankle(): self
    {
        return new self('The ankle is further from the hip, or nearer to it, than this leg can fold.');
    }

    public static function because(string $reason): self
    {
        return new self($reason);
    }
}
