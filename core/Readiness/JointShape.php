<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * What both turns of a straight thigh together let one suppose of a joint's shape: a small arc in all, or little one
 * way beside much the other. Only a picture shows bone; until a clinician has looked, the short way is stretched no
 * further. The limits are this product's own.
 */
final readonly class JointShape
{
    /** An arc of less than this is small, in degrees. */
    private const SMALL_ARC = 60.0;
    /** One way of no more than this is little, beside the other with so much more, in degrees. */
    private const LITTLE = 20.0;
    private const MORE = 30.0;
    /** So many of its SD an arc has to be under the limit. */
    private const SURE = 1.96;

    /** @param Ability $shortWay the turn, hip folded, that is stretched no further */
    private function __construct(public Ability $shortWay, public Reason $reason)
    {
    }

    /** @return list<self> of both sides, where something says so */
    public static function all(Snapshot $person): array
    {
        return array_values(
            array_filter(array_map(static fn (Side $side): ?self => self::of($person, $side), Side::cases())),
        );
    }

    /** @return self|null null where nothing says so, or both turns were not read */
    public static function of(Snapshot $person, Side $side): ?self
    {
        $known = $person->capacities($side);
        $in = $known->get(Ability::NeutralInward);
        $out = $known->get(Ability::NeutralOutward);
        if (
            null === $in
            || null === $out
            || $person->isTooOld($in->on())
            || $person->isTooOld($out->on())
        ) {
            return null;
        }
        $arc = $in->value + $out->value;
        $code = match (true) {
            $arc + self::SURE * hypot($in->error, $out->error) < self::SMALL_ARC => 'shape.small-arc',
            min($in->value, $out->value) <= self::LITTLE
                && abs($in->value - $out->value) >= self::MORE => 'shape.one-way',
            default => null,
        };

        return null === $code
            ? null
            : new self(
                $in->value <= $out->value ? Ability::InternalRotation : Ability::ExternalRotation,
                new Reason($code, Source::Own, [
                    'side' => $side->value,
                    'inward' => $in->value,
                    'outward' => $out->value,
                    'arc' => $arc,
                    'short' => $in->value <= $out->value ? 'in' : 'out',
                ]),
            );
    }
}
