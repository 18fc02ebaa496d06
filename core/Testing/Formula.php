<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\LegChain\Contact\About;
use LucidAscent\Core\LegChain\Contact\Contact;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\TestReading;

/** How a test's numbers become what they show: by the leg chain, in the contact of the same name, or by themselves. */
final readonly class Formula
{
    /** The angle that was read is the answer. */
    public const SHIN_INCLINATION = 'shin-inclination';
    /** The gap between the hands is the answer: a strap of that length closes it. */
    public const STRAP_GAP = 'strap-gap';
    /** The number that was read is the answer. */
    public const DIRECT = 'direct';
    /** Watched, not computed. */
    public const OBSERVATION = 'observation';

    /** Those that ask no leg chain. */
    public const PLAIN = [self::SHIN_INCLINATION, self::STRAP_GAP, self::DIRECT, self::OBSERVATION];

    /** @param class-string<Contact>|null $contact */
    private function __construct(public string $name, public ?string $contact, private TestReading $reading)
    {
    }

    /** @return self|null null when there is none of that name */
    public static function find(string $name): ?self
    {
        if (in_array($name, self::PLAIN, true)) {
            return new self(
                $name,
                null,
                match ($name) {
                    self::SHIN_INCLINATION => new TestReading(2.5, takesAngle: true, needs: ['angle']),
                    self::OBSERVATION => new TestReading(10.0),
                    default => new TestReading(2.5),
                },
            );
        }
        $contact = Contacts::find($name);
        $reading = null === $contact ? null : $contact::about()->test;

        return null === $reading ? null : new self($name, $contact, $reading);
    }

    /** @throws \OutOfBoundsException when there is none of that name */
    public static function named(string $name): self
    {
        return self::find($name) ?? throw new \OutOfBoundsException(sprintf('There is no formula "%s".', $name));
    }

    public function is(string $name): bool
    {
        return $this->name === $name;
    }

    /** What is known of its contact; null where it has none. */
    public function about(): ?About
    {
        return null === $this->contact ? null : Contacts::about($this->contact);
    }

    /** Sitting on a prop whose height is part of the reading. */
    public function isSeated(): bool
    {
        return $this->reading->isSeated;
    }

    /** The tape reading of one joint can be replaced by the angle itself. */
    public function takesAngle(): bool
    {
        return $this->reading->takesAngle;
    }

    /** Whether somebody can say that the leg came to rest. */
    public function mayRest(): bool
    {
        return $this->reading->mayRest;
    }

    /** Whether it is kept without what it needs, as numbers that prove nothing. */
    public function mayLack(): bool
    {
        return $this->reading->mayLack;
    }

    /**
     * Which of a test's values it cannot do without.
     *
     * @param list<string> $measured
     *
     * @return list<string>
     */
    public function needs(array $measured): array
    {
        return $this->reading->needs ?? $measured;
    }

    /**
     * What one careful reading is usually off by, in degrees: of a body of middle size, this product's own reckoning.
     */
    public function usualError(): float
    {
        return $this->reading->usualError;
    }
}
