<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\LegChain\Ability;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Range;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** How far a word in writing goes, as it is typed. */
final class AllowanceData
{
    public const ALL = 'all';
    public const GENTLE = 'gentle';
    public const PART = 'part';
    public const NOTHING = 'nothing';
    private const DEGREES = 'clearance.angle.range';

    #[NotNull(message: 'clearance.extent.choose')]
    public ?string $extent = null;
    /** @var list<string> loads */
    public array $without = [];
    #[Range(min: 0, max: 180, notInRangeMessage: self::DEGREES)]
    public ?float $kneeFlexion = null;
    #[Range(min: 0, max: 180, notInRangeMessage: self::DEGREES)]
    public ?float $flexion = null;
    #[Range(min: 0, max: 180, notInRangeMessage: self::DEGREES)]
    public ?float $rotation = null;
    #[Range(min: 0, max: 180, notInRangeMessage: self::DEGREES)]
    public ?float $abduction = null;

    public function allowance(): Allowance
    {
        return new Allowance(
            self::NOTHING === $this->extent,
            self::GENTLE === $this->extent,
            $this->without,
            $this->upTo(),
        );
    }

    #[Callback]
    public function saysOneThing(ExecutionContextInterface $context): void
    {
        $isLimited = [] !== $this->without || [] !== $this->upTo();
        $fault = match (true) {
            self::PART === $this->extent && !$isLimited => 'clearance.part.missing',
            $isLimited && self::ALL === $this->extent => 'clearance.part.all',
            $isLimited && self::NOTHING === $this->extent => 'clearance.part.nothing',
            default => null,
        };
        if (null !== $fault) {
            $context->buildViolation($fault)->atPath('extent')->addViolation();
        }
    }

    /** @return array<string, float> degrees by ability */
    private function upTo(): array
    {
        return array_filter(
            [
                Ability::KneeFlexion->value => $this->kneeFlexion,
                Ability::Flexion->value => $this->flexion,
                Ability::ExternalRotation->value => $this->rotation,
                Ability::Abduction->value => $this->abduction,
            ],
            is_float(...),
        );
    }
}
