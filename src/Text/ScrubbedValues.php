<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

use Symfony\Component\DependencyInjection\Attribute\AsDecorator;
use Symfony\Component\Translation\Formatter\IntlFormatterInterface;
use Symfony\Component\Translation\Formatter\MessageFormatter;
use Symfony\Component\Translation\Formatter\MessageFormatterInterface;

/** A value that is no text breaks no sentence: what a browser sends may be any bytes, and is said back of a field. */
#[AsDecorator('translator.formatter.default')]
final readonly class ScrubbedValues implements MessageFormatterInterface, IntlFormatterInterface
{
    public function __construct(private MessageFormatter $inner)
    {
    }

    /** @param array<mixed> $parameters */
    public function format(string $message, string $locale, array $parameters = []): string
    {
        return $this->inner->format($message, $locale, self::scrubbed($parameters));
    }

    /** @param array<mixed> $parameters */
    public function formatIntl(string $message, string $locale, array $parameters = []): string
    {
        // A text of the language itself, with numbers in the way of the place whose they are.
        $here = \Locale::getDefault();
        $locale = \Locale::getPrimaryLanguage($here) === $locale ? $here : $locale;

        return $this->inner->formatIntl(
            $message,
            $locale,
            self::spelt($message, $locale, self::scrubbed($parameters)),
        );
    }

    /**
     * A number with decimals that a message takes as it is, in the way of the language.
     *
     * @param array<mixed> $values
     *
     * @return array<mixed>
     */
    private static function spelt(string $message, string $locale, array $values): array
    {
        foreach ($values as $name => $value) {
            if (is_float($value) && str_contains($message, '{'.$name.'}')) {
                $values[$name] = str_replace('.', Languages::decimalSign($locale), (string) $value);
            }
        }

        return $values;
    }

    /**
     * @param array<mixed> $values
     *
     * @return array<mixed>
     */
    private static function scrubbed(array $values): array
    {
        return array_map(
            static fn (mixed $value): mixed => is_string($value) ? mb_scrub($value, 'UTF-8') : $value,
            $values,
        );
    }
}
