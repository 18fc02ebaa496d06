<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

use Symfony\Component\Translation\LocaleSwitcher;

/** A day or a moment in the words of the page's language. */
final class DayText
{
    /** What PHP calls it, and Unicode. */
    private const PARTS = [
        'D' => 'EEE', 'l' => 'EEEE', 'j' => 'd', 'd' => 'dd', 'M' => 'MMM', 'F' => 'MMMM', 'm' => 'MM', 'Y' => 'y',
        'H' => 'HH', 'i' => 'mm', 'e' => 'VV',
    ];

    /** @var array<string, \IntlDateFormatter> each is made once: a page has hundreds of days */
    private array $formatters = [];

    public function __construct(private readonly LocaleSwitcher $locale)
    {
    }

    /** @param string $format in the letters of PHP */
    public function text(\DateTimeImmutable $at, string $format): string
    {
        $locale = $this->locale->getLocale();
        $zone = $at->getTimezone();
        $formatter = $this->formatters["$locale {$zone->getName()} $format"] ??= new \IntlDateFormatter(
            $locale,
            \IntlDateFormatter::NONE,
            \IntlDateFormatter::NONE,
            $zone,
            null,
            strtr($format, self::PARTS),
        );

        return (string) $formatter->format($at);
    }
}
