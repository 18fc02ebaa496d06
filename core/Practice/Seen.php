<?php

declare(strict_types=1);

namespace LucidAscent\Core\Practice;

use LucidAscent\Core\Body\Side;

/**
 * A rung as somebody was seen trying it. Seen clean (held, even breath, no pain, no compensation,
 * nobody's hands) it is proof of that position on that side.
 */
final readonly class Seen
{
    /**
     * @param \DateTimeImmutable $on the day
     * @param \DateTimeImmutable|null $at when it was entered; null where only the day is known
     * @param array<string, float> $values heights that were read, in cm, by the names of the leg chain
     * @param bool $hangsFree whether the limb hung on nothing but the prop that was read
     * @param bool $showsAngles whether it was this very position: a deeper one shows the rung, and other angles
     * @param bool $isPractice whether it was practised: evidence as any other, but what is practised is left after
     *     three sessions
     */
    public function __construct(
        public string $posture,
        public string $rung,
        public Side $side,
        public bool $isClean,
        public \DateTimeImmutable $on,
        public ?\DateTimeImmutable $at = null,
        public array $values = [],
        public bool $hangsFree = false,
        public bool $showsAngles = true,
        public bool $isPractice = false,
    ) {
    }

    /**
     * What a readiness check says of a rung; null where it proves neither.
     *
     * @param array<string, float> $values heights that were read, in cm
     */
    public static function ofCheck(string $posture, Side $side, ReadinessCheck $check, array $values = []): ?self
    {
        $isClean = $check->isClean() && !$check->pain->spoils();

        return $isClean || !$check->isClean()
            ? new self($posture, $check->rung, $side, $isClean, $check->on, $check->at, $values, isPractice: true)
            : null;
    }
}
