<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

use Symfony\Component\Translation\LocaleSwitcher;

/** A day or a moment in the words of the page's language. */
final readonly class DayText
{
    /** What PHP calls it, and Unicode. */
    private const PARTS = [
        'D' => 'EEE', 'l' => 'EEEE', 'j' => 'd', 'd' => 'dd', 'M' => 'MMM', 'F' => 'MMMM', 'm' => 'MM', 'Y' => 'y',
        'H' => 'HH', 'i' => 'mm', 'e' => 'VV',
    ];

    public function __construct(private LocaleSwitcher $locale)
    {
    }

    /** @param string $format in the letters of PHP */
    public function text(\DateTimeImmutable $at, string $format): string
    {
        $formatter = new \IntlDateFormatter(
            $this->locale->getLocale(),
            \IntlDateFormatter::NONE,
            \IntlDateFormatter::NONE,
            $at->getTimezone(),
            null,
            strtr($format, self::PARTS),
        );

        return (string) $formatter->format($at);
    }
}
