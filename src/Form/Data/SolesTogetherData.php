<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use LucidAscent\App\Entity\Test;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\StraightKnee;
use LucidAscent\Core\Testing\Pain;
use LucidAscent\Core\Testing\SolesTogetherTest;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** Soles-together sitting as it is taken down: two or three trials, both sides at once. */
final class SolesTogetherData
{
    public const FEWEST_TRIALS = 2;

    #[Assert\NotNull(message: 'Give the height of the seat, and 0 for the floor.')]
    #[Assert\Range(min: 0, max: SolesTogetherTest::HIGHEST_SEAT, notInRangeMessage: 'A seat is from {{ min }} to {{ max }} cm.')]
    public ?float $seat = 0.0;

    /** @var list<TrialData> */
    #[Assert\Valid]
    public array $trials;

    #[Assert\Valid]
    public PainData $painLeft;

    #[Assert\Valid]
    public PainData $painRight;

    public function __construct(private readonly ?Proportions $proportions = null)
    {
        $this->trials = [new TrialData(), new TrialData(), new TrialData()];
        $this->painLeft = new PainData();
        $this->painRight = new PainData();
    }

    /** @param list<Test> $entry both sides of an earlier entry */
    public static function of(array $entry, ?Proportions $proportions): self
    {
        $data = new self($proportions);
        foreach ($entry as $test) {
            $data->seat = $test->seat;
            foreach ($test->solesTogether()->trials as $i => $trial) {
                $data->trials[$i]->heels = $trial['heelDistance'];
                $data->trials[$i]->{$test->side->value} = $trial['kneeHeight'];
            }
            $data->{'pain'.ucfirst($test->side->value)} = PainData::of($test->pain());
        }

        return $data;
    }

    public function pain(Side $side): PainData
    {
        return Side::Left === $side ? $this->painLeft : $this->painRight;
    }

    /** @return list<array{kneeHeight: float, heelDistance: float}> */
    public function trialsOf(Side $side): array
    {
        $trials = [];
        foreach ($this->trials as $trial) {
            $knee = Side::Left === $side ? $trial->left : $trial->right;
            if (null !== $knee && null !== $trial->heels) {
                $trials[] = ['kneeHeight' => $knee, 'heelDistance' => $trial->heels];
            }
        }

        return $trials;
    }

    #[Assert\Callback]
    public function isReadable(ExecutionContextInterface $context): void
    {
        $filled = array_filter($this->trials, static fn (TrialData $trial): bool => !$trial->isEmpty());
        if (count($filled) < self::FEWEST_TRIALS) {
            $empty = array_key_first(array_filter($this->trials, static fn (TrialData $trial): bool => $trial->isEmpty()));
            $context->buildViolation('Measure at least twice: come up, sit down again, read again.')
                ->atPath("trials[$empty].heels")->addViolation();

            return;
        }
        if (null === $this->proportions || null === $this->seat) {
            return;
        }
        foreach (Side::cases() as $side) {
            foreach ($this->trials as $i => $trial) {
                $knee = Side::Left === $side ? $trial->left : $trial->right;
                if (null === $knee || null === $trial->heels) {
                    continue;
                }
                try {
                    $trial = [['kneeHeight' => $knee, 'heelDistance' => $trial->heels]];
                    (new SolesTogetherTest($side, $this->seat, $trial, Pain::none(), new \DateTimeImmutable()))
                        ->reading()->pose($this->proportions->body($side));
                } catch (OutOfReach|StraightKnee) {
                    $context->buildViolation('No leg of this length has its knee here with the heels so far out. Read knee, heels and seat again.')
                        ->atPath("trials[$i].{$side->value}")->addViolation();
                } catch (InvalidValue) {
                    // Said beside the number itself.
                }
            }
        }
    }
}
