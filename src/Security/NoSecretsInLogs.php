<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Monolog\Attribute\AsMonologProcessor;
use Monolog\LogRecord;

/** The secret of a calendar's address opens it for whoever reads it: no log has one. */
#[AsMonologProcessor]
final class NoSecretsInLogs
{
    public function __invoke(LogRecord $record): LogRecord
    {
        return $record->with(
            message: self::without($record->message),
            context: array_map(self::without(...), $record->context),
            extra: array_map(self::without(...), $record->extra),
        );
    }

    /**
     * @template T
     *
     * @param T $value
     *
     * @return T|string|array<mixed>
     */
    private static function without(mixed $value): mixed
    {
        return match (true) {
            is_string($value) => (string) preg_replace('/[0-9a-f]{48}/', '…', $value),
            is_array($value) => array_map(self::without(...), $value),
            default => $value,
        };
    }
}
