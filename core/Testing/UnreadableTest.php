<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

/** A test that cannot be turned into anything that a posture asks for. */
final class UnreadableTest extends \DomainException
{
    private function __construct(public readonly string $because, string $message)
    {
        parent::__construct($message);
    }

    public static function watched(): self
    {
        return new self('watched', 'This test is watched: its answer is no angle, and no capacity rests on it.');
    }

    public static function unknown(string $test): self
    {
        return new self('unknown-test', sprintf('There is no test "%s".', $test));
    }

    public static function unknownCompensation(string $id): self
    {
        return new self('unknown-compensation', sprintf('This test has no compensation "%s".', $id));
    }

    public static function inclinationAlone(): self
    {
        return new self(
            'inclination-alone',
            'An inclination alone shows no rotation. Measure the heights of knee and ankle.',
        );
    }

    /** @param float $hanging height at which the hands hang without any bend, in cm */
    public static function withoutABend(float $hanging): self
    {
        return new self(
            'no-bend',
            sprintf(
                'Kneeling upright, these hands hang at about %.1f cm: a block as high as that shows nothing of the '.
                    'back bend. Take a lower one.',
                $hanging,
            ),
        );
    }

    /** Whether a body can have given these numbers, and they only show nothing. */
    public function isOfBody(): bool
    {
        return 'no-bend' === $this->because;
    }

    /** Whether whoever took it was right to write it down, and would have had to take it otherwise. */
    public function showsNothing(): bool
    {
        return in_array($this->because, ['no-bend', 'inclination-alone'], true);
    }

    public static function noTrial(): self
    {
        return new self('no-trial', 'No trial was read.');
    }

    public static function seatsDiffer(): self
    {
        return new self(
            'seats-differ',
            'The trials were taken on seats of different heights: they are different tests.',
        );
    }

    public static function because(string $message): self
    {
        return new self('bad-input', $message);
    }

    public static function outOfReach(string $message): self
    {
        return new self('out-of-reach', $message);
    }
}
