<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use LucidAscent\Core\Testing\SolesTogetherTest;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** One trial of soles-together sitting: both knees and, between them, the heels; in cm. */
final class TrialData
{
    #[Assert\Range(min: 0, max: SolesTogetherTest::FURTHEST, notInRangeMessage: 'A knee height is from {{ min }} to {{ max }} cm.')]
    public ?float $left = null;

    #[Assert\Range(min: 0, max: SolesTogetherTest::FURTHEST, notInRangeMessage: 'A heel distance is from {{ min }} to {{ max }} cm.')]
    public ?float $heels = null;

    #[Assert\Range(min: 0, max: SolesTogetherTest::FURTHEST, notInRangeMessage: 'A knee height is from {{ min }} to {{ max }} cm.')]
    public ?float $right = null;

    public function isEmpty(): bool
    {
        return null === $this->left && null === $this->heels && null === $this->right;
    }

    #[Assert\Callback]
    public function isWhole(ExecutionContextInterface $context): void
    {
        if ($this->isEmpty()) {
            return;
        }
        foreach (['left', 'heels', 'right'] as $field) {
            if (null === $this->{$field}) {
                $context->buildViolation('This trial lacks a number here.')->atPath($field)->addViolation();
            }
        }
    }
}
