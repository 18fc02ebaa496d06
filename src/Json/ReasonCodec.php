<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** A reason as it is kept: its code and numbers, so that what it says can be worded anew. */
final readonly class ReasonCodec
{
    /** What was written down as a text, before reasons were kept by their codes. */
    private const WRITTEN = 'plan.written';

    /** @return array{code: string, source: string, numbers: array<string, float|int|string|list<string>>} */
    public static function write(Reason $reason): array
    {
        return ['code' => $reason->code, 'source' => $reason->source->value, 'numbers' => $reason->numbers];
    }

    /**
     * @param mixed $written what was written, or the text that once stood for it
     *
     * @throws InvalidValue when it is neither
     */
    public static function read(mixed $written, string $name = 'because'): Reason
    {
        if (is_string($written)) {
            return new Reason(self::WRITTEN, Source::Own, ['text' => $written]);
        }
        $reason = Fields::of($written, $name);
        $numbers = [];
        foreach ([] === $reason->raw('numbers') ? [] : $reason->object('numbers')->all() as $number => $value) {
            $isText =
                is_string($value)
                || (is_array($value) && array_is_list($value) && $value === array_filter($value, is_string(...)));
            $isText
                || is_int($value)
                || is_float($value)
                || throw InvalidValue::because("$name.numbers", 'are numbers, texts and lists of texts.');
            $numbers[(string) $number] = $value;
        }

        return new Reason(
            $reason->text('code'),
            Source::tryFrom($reason->text('source')) ?? throw InvalidValue::because("$name.source", 'is none.'),
            $numbers,
        );
    }
}
