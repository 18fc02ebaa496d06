<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\PlausibleRange;
use LucidAscent\Core\Body\Proportions;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** The body's lengths as they are taken down, in cm. What is left empty is estimated from stature. */
final class BodyData
{
    /** Form field by the name a length has in Proportions. */
    public const FIELDS = [
        'thigh.left' => 'thighLeft',
        'thigh.right' => 'thighRight',
        'shin.left' => 'shinLeft',
        'shin.right' => 'shinRight',
        'hipSpacing' => 'hipSpacing',
        'seatedHipHeight' => 'seatedHipHeight',
        'ankleAboveSole' => 'ankleAboveSole',
        'lyingHipHeight' => 'lyingHipHeight',
        'kneelingHands' => 'kneelingHands',
        'seatToShoulder' => 'seatToShoulder',
        'shoulderToFingertips.left' => 'shoulderToFingertipsLeft',
        'shoulderToFingertips.right' => 'shoulderToFingertipsRight',
        'elbowToFingertips.left' => 'elbowToFingertipsLeft',
        'elbowToFingertips.right' => 'elbowToFingertipsRight',
    ];

    #[Assert\NotNull(message: 'body.stature.missing')]
    #[Assert\Range(
        min: Proportions::LEAST_STATURE,
        max: Proportions::GREATEST_STATURE,
        notInRangeMessage: 'body.stature.range',
    )]
    public ?float $stature = null;

    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $thighLeft = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $thighRight = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $shinLeft = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $shinRight = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $hipSpacing = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $seatedHipHeight = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $ankleAboveSole = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $lyingHipHeight = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $kneelingHands = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $seatToShoulder = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $shoulderToFingertipsLeft = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $shoulderToFingertipsRight = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $elbowToFingertipsLeft = null;
    #[Assert\Positive(message: 'body.length.positive')]
    public ?float $elbowToFingertipsRight = null;

    public bool $confirmed = false;

    /** @param array<string, float> $measured in cm, by the name a length has in Proportions */
    public static function of(Proportions $proportions, array $measured): self
    {
        $data = new self();
        $data->stature = $proportions->stature->cm;
        foreach (self::FIELDS as $name => $field) {
            $data->{$field} = $measured[$name] ?? null;
        }

        return $data;
    }

    /** @return array<string, float> the measured ones, in cm, by the name a length has in Proportions */
    public function lengths(): array
    {
        return array_filter(
            array_map(fn (string $field): ?float => $this->{$field}, self::FIELDS),
            static fn (?float $cm): bool => null !== $cm,
        );
    }

    public function proportions(): Proportions
    {
        return Proportions::of(Length::cm((float) $this->stature), array_map(Length::cm(...), $this->lengths()));
    }

    /** @return array<string, string> what is odd about these lengths, by the name of the length */
    public function doubts(): array
    {
        return PlausibleRange::doubts($this->proportions());
    }

    #[Assert\Callback]
    public function isPlausible(ExecutionContextInterface $context): void
    {
        if ($this->confirmed || null === $this->stature) {
            return;
        }
        try {
            $doubts = $this->doubts();
        } catch (InvalidValue) {
            // Said beside the number itself.
            return;
        }
        foreach ($doubts as $name => $doubt) {
            $context
                ->buildViolation($doubt.' Measure again, or confirm below that it is so.')
                ->atPath(self::FIELDS[$name])
                ->addViolation();
        }
    }
}
