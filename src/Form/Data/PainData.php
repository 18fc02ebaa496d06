<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

final class PainData
{
    #[Assert\NotNull(message: 'session.ask')]
    #[Assert\Range(min: 0, max: 10)]
    public ?int $level = null;

    public PainPlace $place = PainPlace::None;

    public PainKind $kind = PainKind::Ache;

    #[Assert\Callback]
    public function placeIsNamed(ExecutionContextInterface $context): void
    {
        if (null !== $this->level && ($this->level > 0 || $this->kind->isNumb()) && PainPlace::None === $this->place) {
            $context->buildViolation('pain.where.missing')->atPath('place')->addViolation();
        }
        if (0 === $this->level && PainPlace::None !== $this->place && !$this->kind->isNumb()) {
            $context
                ->buildViolation('pain.level.zero')
                ->atPath('level')
                ->addViolation();
        }
    }

    public function pain(): Pain
    {
        return new Pain((int) $this->level, $this->place, $this->kind);
    }

    public static function of(Pain $pain): self
    {
        $data = new self();
        $data->level = $pain->level;
        $data->place = $pain->place;
        $data->kind = $pain->kind;

        return $data;
    }
}
