<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Component;

/** What is to be known of a contact beside its geometry. */
final readonly class About
{
    /**
     * @param string $label its English name, the translator's key
     * @param list<Control> $controls what can be set, in the order in which it is asked for; none where it cannot be
     *     set up by hand
     * @param float|null $lies how the torso is drawn, in degrees forward of upright; as the pelvis is tipped where
     *     nothing is said
     * @param array<string, array{Ability, float}|null> $shows by component, where it is not the ability of the same
     *     name: which
     *     one, and the sign with which it counts; null where the
     *     person can yield there
     * @param bool $putsFootOnThigh whether the foot lies on top of the other thigh, the knee turned as far as the hip
     *     lets it
     * @param TestReading|null $test how a test reads it; null where none does
     */
    public function __construct(
        public string $label,
        public array $controls,
        public OtherLeg $other = OtherLeg::Ahead,
        public ?float $lies = null,
        private array $shows = [],
        public ?TestReading $test = null,
        public bool $putsFootOnThigh = false,
    ) {
    }

    /**
     * What one of its angles asks of a person, and the sign with which it counts.
     *
     * @return array{Ability, float}|null
     */
    public function ability(Component $component): ?array
    {
        return array_key_exists($component->value, $this->shows)
            ? $this->shows[$component->value]
            : [Ability::ofComponent($component), 1.0];
    }

    /**
     * Which of its angles shows an ability, and the sign with which it does.
     *
     * @return array{Component, float}|null null when none does
     */
    public function component(Ability $ability): ?array
    {
        foreach (Component::cases() as $component) {
            [$shown, $sign] = $this->ability($component) ?? [null, 1.0];
            if ($shown === $ability) {
                return [$component, $sign];
            }
        }

        return null;
    }
}
