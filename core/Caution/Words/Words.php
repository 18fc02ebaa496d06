<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Words;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Load;

/** What free words say, as far as a caution has to know it. */
final readonly class Words
{
    /**
     * What the naming of a part holds until somebody has said what it touches: this product's own, after what the
     * conditions of that part hold.
     */
    private const HOLDS = [
        'knee' => [Load::KneeFolded, Load::TurnOut],
        'hip' => [Load::HipFlexedEnd, Load::TurnIn, Load::TurnOut, Load::Crossing],
        'back' => [Load::LoadedFold, Load::Twist],
        'neck' => [Load::Neck, Load::HeadLow],
        'pregnancy' => [
            Load::Prone,
            Load::Twist,
            Load::Abdomen,
            Load::OnTheBack,
            Load::HipFlexedEnd,
            Load::HipExtendedEnd,
            Load::LegsWideEnd,
            Load::HamstringEnd,
        ],
    ];

    /**
     * @param list<string> $places that are named: knee, hip, back, neck, pregnancy
     * @param Side|null $side that is named; null where none is, or both are
     */
    public function __construct(public Meaning $meaning, public array $places = [], public ?Side $side = null)
    {
    }

    /** Whether somebody has to say where and how it is. */
    public function ask(): bool
    {
        return Meaning::Nothing !== $this->meaning;
    }

    /** Whether nothing deep is done until somebody has. */
    public function hold(): bool
    {
        return $this->ask() && Meaning::Question !== $this->meaning;
    }

    /**
     * The side that they are of, said where another is: what is in the middle of the body is of both, whatever is said
     * beside it.
     *
     * @param Side|null $beside the side of what they are said of; null where it has none
     */
    public function of(?Side $beside): ?Side
    {
        return $this->areOfASide() ? $this->side ?? $beside : null;
    }

    /** Whether they name nothing that is in the middle of the body. */
    public function areOfASide(): bool
    {
        return [] === array_diff($this->places, ['knee', 'hip']);
    }

    /** @return list<Load> what is held, beside everything deep, until somebody has */
    public function loads(): array
    {
        $loads = [];
        foreach ($this->places as $place) {
            array_push($loads, ...self::HOLDS[$place] ?? []);
        }

        return array_values(array_unique($loads, SORT_REGULAR));
    }
}
