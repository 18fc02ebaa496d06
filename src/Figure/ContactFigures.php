<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\CatalogueDemand;
use LucidAscent\App\Catalogue\ContactPose;
use LucidAscent\App\Catalogue\DrawnShape;
use LucidAscent\App\Catalogue\PoseText;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Props;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;

/** The whole body in a contact of the leg chain, set up by hand. */
final class ContactFigures
{
    /**
     * @param array<string, float|int> $values the contact's own numbers, in cm and degrees
     * @param LegPose|null $leg as it was computed
     *
     * @return DrawnFigure|null null where nobody has said how the contact is drawn
     *
     * @throws \DomainException when a body of these lengths cannot be there
     */
    public static function of(
        string $contact,
        array $values,
        Physique $body,
        Side $side,
        ?LegPose $leg = null,
    ): ?DrawnFigure {
        $text = ContactPose::of($contact, $values);
        $demand = CatalogueDemand::find($contact, $values);
        if (null === $text || null === $demand) {
            return null;
        }
        $pose = PoseText::pose($text, $demand);
        $figure = Figure::of($pose, $body, $side, $leg);
        $props = [['at' => 'seat', 'what' => 'blanket']];
        if (isset($values['kneeHeight']) && $values['kneeHeight'] > 2 * LegChain::HALF_KNEE) {
            $props[] = ['at' => 'knee', 'what' => 'block'];
        }

        return new DrawnFigure(
            $figure,
            Props::of($figure, $figure->isSeated ? $props : array_slice($props, 1)),
            DrawnShape::isLying($pose),
            $text['view'],
        );
    }
}
