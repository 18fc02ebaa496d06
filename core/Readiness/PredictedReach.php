<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\Posture\ReachKind;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\SmallestChange;

/** How far a hand will get, what that errs by, and what keeps it from getting further. Lengths in cm. */
final readonly class PredictedReach
{
    /** Less than this is not worth naming as a cause, in cm. This product's own. */
    private const WORTH_NAMING = 2.0;

    /**
     * @param float $gap what is missing; below zero by how much the hand gets past
     * @param float $error one SD
     * @param float $hand from wrist to fingertips
     * @param float|null $ofArms how much of the gap comes of trunk and arms that are not as usual; null while neither
     *     was measured
     * @param array<string, float> $ofJoints likewise of each ability that falls short, the largest first
     * @param list<Ability> $unread what is taken to be enough, for nobody has read it
     */
    public function __construct(
        public ReachKind $kind,
        public float $gap,
        public float $error,
        public float $hand,
        public ?float $ofArms,
        public array $ofJoints,
        public array $unread,
    ) {
    }

    public function grip(): Grip
    {
        return Grip::of($this->kind, $this->gap, $this->hand);
    }

    /** What it errs by, 19 times of 20, in cm. */
    public function noise(): float
    {
        return SmallestChange::between($this->error);
    }

    /** @return float|null the strap or the block that makes up for it, in cm; null where none does */
    public function strap(): ?float
    {
        return Grip::strap($this->kind, $this->gap, $this->hand);
    }

    /** Whether trunk and arms, and not joints, keep the hand away. */
    public function isOfArms(): bool
    {
        return $this->gap > 0.0 && ($this->ofArms ?? 0.0) >= self::WORTH_NAMING;
    }

    /** @return array<string, float> the abilities that keep the hand away, with the cm that each costs */
    public function stiff(): array
    {
        return $this->gap > 0.0
            ? array_filter($this->ofJoints, static fn (float $cm): bool => $cm >= self::WORTH_NAMING)
            : [];
    }

    /** @return non-empty-list<Reason> how far the hand gets, what keeps it away, and what nobody has read */
    public function reasons(): array
    {
        $reasons = [
            new Reason($this->kind->code(), Source::Computed, [
                'grip' => $this->grip()->value,
                'cm' => max(0.0, $this->gap),
                'error' => $this->noise(),
                'best' => [] === $this->unread ? 'no' : 'yes',
            ]),
        ];
        if ($this->isOfArms()) {
            $reasons[] = new Reason('reach.arms', Source::Computed, ['cm' => (float) $this->ofArms]);
        }
        foreach ($this->stiff() as $ability => $cm) {
            $reasons[] = new Reason('reach.stiff', Source::Computed, ['ability' => $ability, 'cm' => $cm]);
        }
        if (null === $this->ofArms) {
            $reasons[] = new Reason('reach.estimated', Source::Own);
        }
        if ([] !== $this->unread) {
            $reasons[] = new Reason('reach.unread', Source::Computed, [
                'ability' => array_map(static fn (Ability $ability): string => $ability->value, $this->unread),
            ]);
        }

        return $reasons;
    }

    /** What a strap or block that was used says of it; a height read by tape errs as well. */
    public function against(float $used): Reason
    {
        $difference = $used - max(0.0, $this->gap);
        $noise = SmallestChange::between(hypot($this->error, Reading::TAPE_ERROR));

        return new Reason('reach.used', Source::Computed, [
            'cm' => $used,
            'than' => abs($difference) <= $noise ? 'same' : ($difference > 0.0 ? 'more' : 'less'),
        ]);
    }
}
