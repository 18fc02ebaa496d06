<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Text\ConditionName;
use LucidAscent\App\Text\Languages;
use LucidAscent\App\Text\ReasonText;
use Symfony\Component\Translation\LocaleSwitcher;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use Twig\TwigFunction;

/** Reasons and numbers as a teacher reads them. */
final class ReasonExtension extends AbstractExtension
{
    public function __construct(
        private readonly ReasonText $reasons,
        private readonly ConditionName $conditions,
        private readonly LocaleSwitcher $locale,
    ) {
    }

    public function getFilters(): array
    {
        return [
            new TwigFilter('condition_name', $this->conditions->of(...)),
            new TwigFilter('reason_text', $this->reasons->text(...)),
            new TwigFilter('bar_texts', $this->reasons->bars(...)),
            new TwigFilter('cm', fn (float $cm): string => $this->rounded($cm, 1)."\u{a0}cm"),
            new TwigFilter('decimal', $this->decimal(...)),
            new TwigFilter('degrees', fn (float $degrees): string => $this->rounded($degrees, 0).'°'),
        ];
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('language_tag', Languages::tag(...)),
            new TwigFunction('unit', static fn (string $unit): string => match ($unit) {
                'degrees' => '°',
                'seconds' => "\u{a0}s",
                default => "\u{a0}".$unit,
            }),
        ];
    }

    /** With one decimal, or none where that is zero. */
    private function decimal(float $value): string
    {
        return $this->rounded($value, round($value, 1) === round($value) ? 0 : 1);
    }

    private function rounded(float $value, int $digits): string
    {
        $text = number_format($value, $digits, '.', '');
        $sign = 0 === $digits ? '.' : Languages::decimalSign($this->locale->getLocale());

        // A minus sign, not a hyphen; and no minus before a zero.
        return strtr(0.0 === (float) $text ? ltrim($text, '-') : $text, ['-' => "\u{2212}", '.' => $sign]);
    }
}
