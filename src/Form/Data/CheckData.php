<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use Symfony\Component\Validator\Constraints as Assert;

/** The readiness check as it is answered after practising a rung. */
final class CheckData
{
    #[Assert\NotNull(message: 'check.day.missing')]
    public ?\DateTimeImmutable $practisedOn = null;

    #[Assert\NotNull(message: 'check.yes_no')]
    public ?bool $holdReached = null;

    #[Assert\NotNull(message: 'check.yes_no')]
    public ?bool $evenBreath = null;

    #[Assert\Valid]
    public PainData $pain;

    #[Assert\Valid]
    public FeltData $felt;

    /** cm; null when nobody measured it */
    public ?float $height = null;
    /** @var list<string> ids of the rung's compensations */
    public array $compensations = [];

    public bool $soreAtNight = false;

    #[Assert\Length(max: 2000, maxMessage: 'note.long')]
    public ?string $note = null;

    public function __construct()
    {
        $this->pain = new PainData();
        $this->felt = new FeltData();
    }
}
