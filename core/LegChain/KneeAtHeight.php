<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Contact\AnkleContact;

use function sqrt;

/**
 * An ankle contact whose knee was measured, or is held, at a height above the floor (the knee's
 * centre, in cm). Of the two points of the swivel at that height, the knee is at the outer one.
 */
final readonly class KneeAtHeight implements ChainReading, Posture
{
    /** Two circles that miss each other by no more than rounding touch: the leg is straight there. */
    private const TOUCHING = 1e-12;

    /** @throws InvalidValue when the height is negative or not finite */
    public function __construct(public AnkleContact $contact, public float $kneeHeight)
    {
        // Asked for at every step of a search, so the guard is called only when it has something to say.
        if (!($kneeHeight >= 0.0 && $kneeHeight <= Check::MOST)) {
            Check::notNegative('kneeHeight', $kneeHeight);
        }
    }

    public function pose(Body $body): LegPose
    {
        return $this->tryPose($body) ?? throw OutOfReach::kneeHeight($this->kneeHeight);
    }

    /**
     * The same pose, or null in place of OutOfReach: a search over heights passes many that no leg can make.
     *
     * @throws StraightKnee when rotation cannot be read
     */
    public function tryPose(Body $body): ?LegPose
    {
        $sitting = $this->contact->sitting();
        $hip = $this->contact->hip($body);
        $ankle = $this->contact->ankle($body);
        $knee = self::knee($hip, $ankle, $body->thigh, $body->shin, $this->kneeHeight);

        return null === $knee ? null : LegChain::inverse($hip, $knee, $ankle, $sitting->pelvicTilt);
    }

    public function angles(Body $body): array
    {
        return $this->pose($body)->angles->toArray();
    }

    public function readingErrors(): array
    {
        return ['kneeHeight' => Reading::TAPE_ERROR] + $this->contact->readingErrors();
    }

    public function props(): array
    {
        return ['kneeHeight' => $this->kneeHeight] + $this->contact->props();
    }

    public function shifted(string $name, float $by): static
    {
        return 'kneeHeight' === $name
            ? new self($this->contact, $this->kneeHeight + $by)
            : new self($this->contact->shifted($name, $by), $this->kneeHeight);
    }

    /**
     * The outer of the points at this height that are a thigh from the hip and a shin from the ankle;
     * null when there is none.
     */
    private static function knee(Vector $hip, Vector $ankle, float $thigh, float $shin, float $height): ?Vector
    {
        // At a given height each segment draws a circle on the level plane; the knee is where the two meet.
        $fromHip = $thigh * $thigh - ($height - $hip->z) * ($height - $hip->z);
        $fromAnkle = $shin * $shin - ($height - $ankle->z) * ($height - $ankle->z);
        $dx = $ankle->x - $hip->x;
        $dy = $ankle->y - $hip->y;
        $apart = $dx * $dx + $dy * $dy;
        if ($fromHip < 0.0 || $fromAnkle < 0.0 || 0.0 === $apart) {
            return null;
        }
        $along = ($fromHip - $fromAnkle + $apart) / (2 * $apart);
        $aside = $fromHip / $apart - $along * $along;
        if ($aside < -self::TOUCHING) {
            return null;
        }
        $aside = sqrt(max(0.0, $aside));
        // The outer point has the greater y, so it lies to that side of the line on which y grows.
        if ($dx < 0.0) {
            $aside = -$aside;
        }

        return new Vector($hip->x + $along * $dx - $aside * $dy, $hip->y + $along * $dy + $aside * $dx, $height);
    }
}
