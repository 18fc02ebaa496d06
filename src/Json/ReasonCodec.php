<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

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

    public static function read(mixed $written): Reason
    {
        return is_array($written) && isset($written['code'])
            ? new Reason($written['code'], Source::tryFrom($written['source'] ?? '') ?? Source::Own, $written['numbers'] ?? [])
            : new Reason(self::WRITTEN, Source::Own, ['text' => is_string($written) ? $written : '']);
    }
}
