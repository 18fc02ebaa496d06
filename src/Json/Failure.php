<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\NoUprightKnee;
use LucidAscent\Core\LegChain\OutOfReach;
use LucidAscent\Core\LegChain\StraightKnee;

/** What the core refuses, as the JSON that every answer gives in place of a result. */
final class Failure
{
    /**
     * @template T of array<string, mixed>|null
     *
     * @param callable(): T $answer
     *
     * @return T|array{error: array<string, float|string|null>} the answer, or {"error": {"code", "message"}}
     */
    public static function orAnswer(callable $answer): ?array
    {
        try {
            return $answer();
        } catch (InvalidValue $e) {
            return self::of('bad-input', $e->getMessage());
        } catch (NoUprightKnee $e) {
            return self::of('out-of-reach', $e->getMessage(), ['tuck' => $e->tuck->degrees, 'seat' => $e->tuck->seat]);
        } catch (OutOfReach $e) {
            return self::of('out-of-reach', $e->getMessage());
        } catch (StraightKnee $e) {
            return self::of('straight-knee', $e->getMessage());
        }
    }

    /**
     * @param array<string, float|null> $beside
     *
     * @return array{error: array<string, float|string|null>}
     */
    public static function of(string $code, string $message, array $beside = []): array
    {
        return ['error' => ['code' => $code, 'message' => $message] + $beside];
    }
}
