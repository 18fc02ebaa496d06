<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Data;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Practice\ElsewhereKind;
use Symfony\Component\Validator\Constraints as Assert;

/** What was done elsewhere, as it is typed. */
final class ElsewhereData
{
    #[Assert\NotNull(message: 'elsewhere.what.missing')]
    public ?ElsewhereKind $what = null;

    #[Assert\NotNull(message: 'elsewhere.minutes.missing')]
    #[Assert\Range(min: 1, max: Elsewhere::MOST_MINUTES, notInRangeMessage: 'elsewhere.minutes.range')]
    public ?int $minutes = null;

    #[Assert\NotNull(message: 'check.day.missing')]
    public ?\DateTimeImmutable $doneOn = null;

    /** @throws InvalidValue when it was not checked before */
    public function elsewhere(): Elsewhere
    {
        return new Elsewhere(
            $this->what ?? throw InvalidValue::missing('what'),
            (int) $this->minutes,
            Day::midnight($this->doneOn ?? throw InvalidValue::missing('on')),
        );
    }
}
