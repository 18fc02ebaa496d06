<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\InvalidValue;

/**
 * Whether a soles-together reading tells much of the hip. A knee folded beyond 155° reads it poorly;
 * then the heels have to come further out, and this says how far: until the knee opens to 145° with
 * the hip as far open as it was.
 */
final readonly class Conditioning
{
    public const TIGHT_KNEE = 155.0;
    public const TELLING_KNEE = 145.0;

    private const FURTHEST_HEELS = 60.0;

    /** @param float|null $betterHeels in cm; null when the reading is good, or no distance is better */
    private function __construct(public bool $isPoor, public ?float $betterHeels, public float $rotationError)
    {
    }

    public static function of(KneeAtHeight $reading, Body $body, BodyError $error): self
    {
        $pose = $reading->pose($body);
        $sd = Sensitivity::of($reading, $body)->error(Component::ExternalRotation, $error);
        $heels = $reading->contact->props()['heelDistance'] ?? null;
        if (null === $heels || $pose->angles->kneeFlexion <= self::TIGHT_KNEE) {
            return new self(false, null, $sd);
        }
        for ($further = ceil($heels); $further <= self::FURTHEST_HEELS; ++$further) {
            try {
                $opened = $reading->shifted('heelDistance', $further - $heels)->pose($body)->angles->kneeFlexion;
            } catch (OutOfReach|StraightKnee|InvalidValue) {
                break;
            }
            if ($opened <= self::TELLING_KNEE) {
                return new self(true, $further, $sd);
            }
        }

        return new self(true, null, $sd);
    }
}
