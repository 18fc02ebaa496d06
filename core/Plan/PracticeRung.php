<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Posture\Purpose;
use LucidAscent\Core\Posture\RungDefinition;

/** A rung as something to practise. */
final readonly class PracticeRung
{
    /** The range of a rung in whatever school says nothing else. */
    public const ANY = '';
    private const APART = ['rest', Purpose::Knee->value, Purpose::Show->value];
    /** Degrees within which legs do the same, and an effort below which arms and back may make another shape of it. */
    private const ALIKE = 15.0;
    private const ASKS_LITTLE = 0.3;

    /**
     * @param list<string> $counters ids of postures that undo it
     * @param array<string, int> $props how many of what it needs, by the names of Equipment
     * @param bool $isSymmetric both sides at once
     * @param int|null $warmUp its place among what warms up; null when it does not
     * @param int|null $rest its place among what one rests in; null when one does not
     * @param array<string, HoldRange> $holds by school, or for ANY
     * @param list<string> $remedies what its posture helps with, by the names of Remedy
     * @param list<string> $instead what may be there for it where a side may not do it: "posture/rung", the safest
     *     first
     * @param bool $isLotus whether a foot goes onto the other thigh
     * @param list<self> $forms beside it: no step of the ladder waits for them
     * @param string $purpose what a form is for; empty for a rung of the ladder
     * @param string $beside the rung that a form stands beside; empty for one of the ladder
     * @param int|null $daily its place among what one does for a minute between sessions; null when it is none of it
     * @param string $drawnAs the shape that it is drawn as, "posture/rung"; empty for its own
     */
    public function __construct(
        public string $posture,
        public string $name,
        public RungDefinition $rung,
        public Stance $stance,
        public array $counters,
        public array $props,
        public bool $isSymmetric,
        public ?int $warmUp = null,
        public ?int $rest = null,
        public array $holds = [],
        public array $remedies = [],
        public PracticeLevel $level = PracticeLevel::Anyone,
        public array $instead = [],
        public bool $isLotus = false,
        public array $forms = [],
        public string $purpose = '',
        public string $beside = '',
        public ?int $daily = null,
        private string $drawnAs = '',
    ) {
    }

    /** What was planned, and is in the catalogue no more: nobody can say that it may be done. */
    public static function gone(string $posture, string $rung): self
    {
        return new self(
            $posture,
            $posture,
            new RungDefinition($rung, $rung, null, [], new Work([])),
            Stance::Lying,
            [],
            [],
            false,
        );
    }

    /**
     * Whether it takes turns with its rung from session to session; what is for rest, for a tender knee or for show
     * does not.
     */
    public function takesTurns(): bool
    {
        return !in_array($this->purpose, self::APART, true);
    }

    /**
     * The shapes of this rung for somebody who wants the pose for something: the rung and the forms for that take
     * turns. For a knee's sake the forms that spare it are all; where nobody said what for, what is apart stays so.
     *
     * @return non-empty-list<self> the rung, or what stands for it, first
     */
    public function shapesFor(?Purpose $purpose): array
    {
        $forms = array_values(
            array_filter(
                $this->forms,
                static fn (self $form): bool => null === $purpose
                    ? $form->takesTurns()
                    : $form->purpose === $purpose->value,
            ),
        );

        return Purpose::Knee === $purpose && [] !== $forms ? $forms : [$this, ...$forms];
    }

    public function isForShow(): bool
    {
        return Purpose::Show->value === $this->purpose;
    }

    /**
     * A rung or a form by its name; null where there is none.
     *
     * @param array<string, list<self>> $ladders by posture
     */
    public static function named(string $name, array $ladders): ?self
    {
        [$posture, $id] = explode('/', $name, 2) + [1 => ''];
        foreach ($ladders[$posture] ?? [] as $rung) {
            foreach ([$rung, ...$rung->forms] as $one) {
                if ($one->rung->id === $id) {
                    return $one;
                }
            }
        }

        return null;
    }

    /** What it looks like: rungs of several ladders are one shape, and done once a session. */
    public function shape(): string
    {
        return null === $this->rung->demand
            ? ('' === $this->drawnAs ? $this->posture.'/'.$this->rung->id : $this->drawnAs)
            : $this->rung->demand->contact().' '.$this->stance->value;
    }

    /** Whether it is one shape with another, or the legs do the same in it for the same: done once a session. */
    public function isLike(self $other): bool
    {
        return $this->shape() === $other->shape()
            || ($this->stance === $other->stance
                && $this->isSymmetric === $other->isSymmetric
                && [] !== array_intersect($this->remedies, $other->remedies)
                && Effort::of($this) > self::ASKS_LITTLE
                && self::areAlike($this->rung->work->angles, $other->rung->work->angles)
                && self::areAlike($this->rung->work->otherLegAngles, $other->rung->work->otherLegAngles));
    }

    /**
     * @param array<string, float> $angles degrees by ability
     * @param array<string, float> $others likewise
     */
    private static function areAlike(array $angles, array $others): bool
    {
        foreach ($angles + $others as $ability => $degrees) {
            if (abs(($angles[$ability] ?? INF) - ($others[$ability] ?? INF)) > self::ALIKE) {
                return false;
            }
        }

        return [] !== array_keys($angles);
    }

    /**
     * Whether it is nothing for one side alone: both do it at once, and neither only lies there with its leg long.
     */
    public function needsBothSides(): bool
    {
        return $this->isSymmetric && !$this->rung->work->leavesLegsLong();
    }

    /** What stands at the end of a session, when the joints are warm, where the school has it so. */
    public function isLyingLotus(): bool
    {
        return $this->isLotus && Stance::Lying === $this->stance;
    }
}
