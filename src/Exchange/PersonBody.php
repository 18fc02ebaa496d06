<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;

/** A person's lengths out of JSON: each a number in cm, or {"left", "right"} where the legs have one each. */
final class PersonBody
{
    /**
     * What was not measured is estimated from stature. Without a stature every length has to be
     * there; a stature for what hangs on nothing else is then reckoned back from thigh and shin.
     *
     * @throws InvalidValue when a length is missing, no number, or not more than zero
     */
    public static function of(Fields $body): Proportions
    {
        $measured = [];
        foreach (Segment::cases() as $segment) {
            if (!$body->has($segment->value)) {
                // What only some tests need can be reckoned.
                if (
                    !$body->has('stature')
                    && Segment::LyingHipHeight !== $segment
                    && in_array($segment, Segment::ofLeg(), true)
                ) {
                    throw InvalidValue::missing('body.'.$segment->value);
                }
                continue;
            }
            foreach (Side::cases() as $side) {
                $key = Proportions::key($segment, $side);
                $measured[$key] = Length::cm(
                    $body->isNumber($segment->value)
                        ? $body->number($segment->value)
                        : $body->object($segment->value)->number($side->value),
                );
            }
        }
        if ($body->has('stature')) {
            return Proportions::of(Length::cm($body->number('stature')), $measured);
        }
        $leg = 0.0;
        foreach (Side::cases() as $side) {
            $leg +=
                $measured[Proportions::key(Segment::Thigh, $side)]->cm +
                $measured[Proportions::key(Segment::Shin, $side)]->cm;
        }
        $stature = $leg / 2 / (Segment::Thigh->shareOfStature() + Segment::Shin->shareOfStature());

        return Proportions::of(
            Length::cm(min(Proportions::GREATEST_STATURE, max(Proportions::LEAST_STATURE, $stature))),
            $measured,
        );
    }
}
