<?php

declare(strict_types=1);

namespace LucidAscent\Core\Progress;

/** Suppositions about the noise that lasts, before anything was read: this product's own. */
final readonly class Noise
{
    /** Its variance as a share of a reading's own, and how likely that is. */
    private const SHARES = [[0.0, 0.25], [0.25, 0.15], [1.0, 0.25], [4.0, 0.22], [16.0, 0.1], [256.0, 0.03]];
    /** Days after which a third of it is left. */
    private const MEMORY = [1.0, 7.0, 28.0];

    /** @param float $likely its weight before anything was read */
    private function __construct(public float $variance, public float $memory, public float $likely)
    {
    }

    /**
     * @param float $typical variance of a reading
     *
     * @return non-empty-list<self>
     */
    public static function suppositions(float $typical): array
    {
        $all = [new self(0.0, 1.0, self::SHARES[0][1])];
        foreach (array_slice(self::SHARES, 1) as [$share, $likely]) {
            foreach (self::MEMORY as $memory) {
                $all[] = new self($share * $typical, $memory, $likely / count(self::MEMORY));
            }
        }

        return $all;
    }
}
