<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\CatalogueDemand;
use LucidAscent\App\Catalogue\DrawnShape;
use LucidAscent\App\Catalogue\StandardBody;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\DrawnAngles;
use LucidAscent\Core\Figure\Leg\AsDemanded;
use LucidAscent\Core\Figure\Physique;

/** Where a picture shows another angle than its shape asks for, on a standard body. */
final class DemandGaps
{
    /** A picture may be off by so much, in degrees. */
    private const MOST = 3.0;

    /**
     * @param array<string, mixed> $shape a rung or a form
     * @param callable(string, string): array<string, mixed> $find
     *
     * @return list<string>
     */
    public static function of(array $shape, callable $find): array
    {
        $body = Physique::of(Proportions::of(Length::cm(StandardBody::STATURE)));
        try {
            $drawn = DrawnShape::of($shape, $body, Side::Left, $find);
        } catch (\Throwable) {
            // That it cannot be drawn is said already, and why.
            return [];
        }
        $faults = [];
        foreach (
            [
                ['demand', Side::Left, $drawn->pose->leg, ''],
                ['other_leg', Side::Right, $drawn->pose->otherLeg, ' of the other leg'],
            ] as [$part, $side, $leg, $whose]
        ) {
            $contact = CatalogueDemand::find($shape[$part]['contact'] ?? '', $shape[$part]['values'] ?? []);
            $asked = array_map(
                static fn (array $least): float => (float) $least['value'],
                array_column($shape[$part]['thresholds'] ?? [], 'at_least', 'component'),
            );
            if (null !== $contact && $leg instanceof AsDemanded && $leg->isOf($contact)) {
                // It is the computation; but the pelvis that it hangs on may be tipped otherwise.
                $tilt = $contact->values()['pelvicTilt'] ?? $drawn->pose->tilt;
                if (!$leg->isInPelvis && abs($drawn->pose->tilt - $tilt) > self::MOST) {
                    $faults[] = sprintf(
                        'asks for a pelvis tipped by %.0f°%s, and is drawn with %.0f°',
                        $tilt,
                        $whose,
                        $drawn->pose->tilt,
                    );
                }
            } elseif (null !== $contact) {
                // Less than nothing is asked of nobody.
                $asked += array_filter($contact->angles(), static fn (float $degrees): bool => $degrees > 0.0);
            }
            $angles =
                DrawnAngles::asAbilities($drawn->figure, $side) +
                DrawnAngles::ofTrunk($drawn->figure, $drawn->pose, $side);
            foreach (array_intersect_key($angles, $asked) as $ability => $shown) {
                if (abs($shown - $asked[$ability]) > self::MOST) {
                    $faults[] = sprintf('asks %.0f° of %s%s, and is drawn with %.0f°', $asked[$ability], $ability,
                        $whose, $shown);
                }
            }
        }

        return $faults;
    }
}
