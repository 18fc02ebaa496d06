<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Load;

/** A condition as an assessment writes it down: "knee-surgery:left", "minor@2027-05-04", "other+twist+prone". */
final readonly class ToldCondition
{
    /** No condition: a parent or guardian has agreed that somebody under age practises. */
    public const GUARDIAN = 'guardian-consent';

    /**
     * @param \DateTimeImmutable|null $until the day on which it ends by itself
     * @param list<Load> $loads what it touches, where it was told in free words
     */
    public function __construct(
        public string $id,
        public ?Side $side = null,
        public ?\DateTimeImmutable $until = null,
        public array $loads = [],
    ) {
    }

    public static function read(string $text): self
    {
        if (1 !== preg_match('/^([^:@+]+)(?::(left|right))?(?:@(\d{4}-\d\d-\d\d))?((?:\+[a-z-]+)*)$/', $text, $m)) {
            return new self($text);
        }

        return new self(
            $m[1],
            Side::tryFrom($m[2]),
            '' === $m[3] ? null : new \DateTimeImmutable($m[3], new \DateTimeZone('UTC')),
            array_values(array_filter(array_map(Load::tryFrom(...), array_slice(explode('+', $m[4]), 1)))),
        );
    }

    public function write(): string
    {
        return $this->id.
            (null === $this->side ? '' : ":{$this->side->value}").
            (null === $this->until ? '' : '@'.$this->until->format('Y-m-d')).
            implode('', array_map(static fn (Load $load): string => "+$load->value", $this->loads));
    }
}
