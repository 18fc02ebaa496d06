<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Text\ReasonText;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use Twig\TwigFunction;

/** Reasons and numbers as a teacher reads them. */
final class ReasonExtension extends AbstractExtension
{
    public function __construct(private readonly ReasonText $reasons)
    {
    }

    public function getFilters(): array
    {
        return [
            new TwigFilter('reason_text', $this->reasons->text(...)),
            new TwigFilter('bar_texts', $this->reasons->bars(...)),
            new TwigFilter('cm', static fn (float $cm): string => self::rounded($cm, 1)."\u{a0}cm"),
            new TwigFilter('degrees', static fn (float $degrees): string => self::rounded($degrees, 0).'°'),
        ];
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('unit', static fn (string $unit): string => match ($unit) {
                'degrees' => '°',
                'seconds' => "\u{a0}s",
                default => "\u{a0}".$unit,
            }),
        ];
    }

    private static function rounded(float $value, int $digits): string
    {
        $text = number_format($value, $digits, '.', '');

        // A minus sign, not a hyphen; and no minus before a zero.
        return str_replace('-', "\u{2212}", 0.0 === (float) $text ? ltrim($text, '-') : $text);
    }
}
