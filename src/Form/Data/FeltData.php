<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use LucidAscent\App\Json\FeltFields;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Posture\FeltPlace;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** Where something was felt, as it was tapped: a place, and what it was like there. */
final class FeltData
{
    public ?string $place = null;

    public ?PainKind $kind = null;

    #[Assert\Callback]
    public function isWhole(ExecutionContextInterface $context): void
    {
        if (null === $this->place && null !== $this->kind) {
            $context->buildViolation('felt.place.missing')->atPath('place')->addViolation();
        }
        if (null !== $this->place && FeltPlace::NOTHING !== $this->place && null === $this->kind) {
            $context->buildViolation('felt.kind.missing')->atPath('kind')->addViolation();
        }
    }

    /** @return array{string, PainKind}|null place and kind; null when nothing was said */
    public function felt(): ?array
    {
        return FeltFields::said(['place' => $this->place ?? '', 'kind' => $this->kind->value ?? '']);
    }
}
