<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

use Symfony\Contracts\Translation\TranslatorInterface;

/** How long, or how often, as the catalogue has it: "5 to 10 breaths". */
final readonly class HoldText
{
    public function __construct(private TranslatorInterface $translator)
    {
    }

    /** @param array{least: float|int, most: float|int, unit: string} $hold */
    public function of(array $hold): string
    {
        return $this->translator->trans(
            'duration.'.$hold['unit'],
            [
                'least' => $hold['least'],
                'most' => $hold['most'],
                'range' => $hold['least'] < $hold['most'] ? 'yes' : 'no',
            ],
            'labels',
        );
    }

    /** @param array{least: float|int, unit: string} $hold */
    public function least(array $hold): string
    {
        return $this->of(['most' => $hold['least']] + $hold);
    }
}
