<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The languages that there are texts of, each with the ways in which numbers are written. */
final readonly class Languages
{
    public const USUAL = 'en';
    /** English, with a decimal comma. */
    private const COMMA = 'en_DE';

    public function __construct(#[Autowire('%kernel.project_dir%')] private string $root)
    {
    }

    /** @return list<string> */
    public function all(): array
    {
        return [
            self::USUAL,
            self::COMMA,
            ...is_file("$this->root/translations/messages+intl-icu.".PseudoLanguage::LOCALE.'.yaml')
                ? [PseudoLanguage::LOCALE]
                : [],
        ];
    }

    /** @return string one that there is: where none was chosen, or it is there no more, the usual one */
    public function known(?string $locale): string
    {
        return null !== $locale && in_array($locale, $this->all(), true) ? $locale : self::USUAL;
    }

    /** How a page names its language: "en-DE". */
    public static function tag(string $locale): string
    {
        return str_replace('_', '-', $locale);
    }

    /** The sign before the decimals. */
    public static function decimalSign(string $locale): string
    {
        return self::USUAL === $locale ? '.' : (string) (new \NumberFormatter($locale, \NumberFormatter::DECIMAL))
            ->getSymbol(\NumberFormatter::DECIMAL_SEPARATOR_SYMBOL);
    }
}
