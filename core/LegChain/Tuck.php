<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

/**
 * How the pelvis gets out of the way where no knee height fits with it as it is: the least it has
 * to tuck (degrees, posterior), and the least seat that takes the tuck away (cm, in all).
 */
final readonly class Tuck
{
    public const MOST_DEGREES = 60.0;
    public const HIGHEST_SEAT = 60.0;

    private const FINE = 1e-4;
    private const SEAT_STEP = 2.0;

    /** @param float|null $seat null when no seat helps: the ankle may be carried up with the hip */
    private function __construct(public ?float $degrees, public ?float $seat)
    {
    }

    public static function of(AnkleContact $contact, Body $body, Capacity $capacity): self
    {
        $sitting = $contact->sitting();
        $fits = static fn (Sitting $placed): bool => null !==
            LowestKnee::search($contact->seated($placed), $body, $capacity);

        return new self(
            // Tucking takes off flexion and nothing else, so more of it never fits less: one step is enough.
            self::least(
                0.0,
                $most = min(self::MOST_DEGREES, 90.0 + $sitting->pelvicTilt),
                $most,
                static fn (float $degrees): bool => $fits($sitting->tucked($degrees)),
            ),
            self::least(
                $sitting->seat,
                self::HIGHEST_SEAT,
                self::SEAT_STEP,
                static fn (float $seat): bool => $fits($sitting->withSeat($seat)),
            ),
        );
    }

    /**
     * The least value above another that is enough: found step by step, then closed in on.
     *
     * @param callable(float): bool $isEnough
     */
    private static function least(float $from, float $most, float $step, callable $isEnough): ?float
    {
        for ($low = $from; $low < $most; $low += $step) {
            $high = min($most, $low + $step);
            if (!$isEnough($high)) {
                continue;
            }
            while ($high - $low > self::FINE) {
                $middle = ($low + $high) / 2;
                if ($isEnough($middle)) {
                    $high = $middle;
                } else {
                    $low = $middle;
                }
            }

            return $high;
        }

        return null;
    }
}
