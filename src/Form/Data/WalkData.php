<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** What was seen of one rung on one side. */
final class WalkData
{
    #[Assert\NotNull(message: 'try.seen.missing')]
    #[Assert\Choice(['clean', 'not-clean', 'not-tried'])]
    public ?string $seen = null;

    #[Assert\Valid]
    public PainData $pain;

    #[Assert\Valid]
    public FeltData $felt;

    /** @var list<string> ids of the rung's compensations */
    public array $compensations = [];

    /** cm to the middle of the knee; null when nobody measured it */
    public ?float $height = null;
    /** Whether the knee hung on nothing but the block. */
    public bool $hangs = false;

    #[Assert\Length(max: 2000)]
    public ?string $why = '';

    public function __construct()
    {
        $this->pain = new PainData();
        $this->felt = new FeltData();
    }

    #[Assert\Callback]
    public function isConsistent(ExecutionContextInterface $context): void
    {
        if (
            'clean' === $this->seen
            && ([] !== $this->compensations || (null !== $this->pain->level && $this->pain->pain()->spoils()))
        ) {
            $context
                ->buildViolation('try.not_clean.why')
                ->atPath('seen')
                ->addViolation();
        }
    }
}
