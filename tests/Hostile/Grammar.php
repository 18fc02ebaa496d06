<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Hostile;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Things made wrong at random: shapes, sizes, encodings, numbers at the edge, days far away, missing and doubled parts.
 */
final class Grammar
{
    public readonly Randomizer $random;

    public function __construct(public readonly int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public static function seed(): int
    {
        return (int) (getenv('HOSTILE_SEED') ?: 20261125);
    }

    /** What is drawn at random: documents of six commands, pages, forms, and what scripts send. */
    private const KINDS = 9;

    /** How many of a kind are made: so many in the suite; with HOSTILE=100000 so many in all. */
    public static function count(int $usual, int $among = 1): int
    {
        return self::isAll() ? (int) ceil((int) getenv('HOSTILE') / self::KINDS / $among) : $usual;
    }

    /** Whether all that can be listed is tried, and not some of it. */
    public static function isAll(): bool
    {
        return (int) getenv('HOSTILE') > 0;
    }

    public function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $of
     *
     * @return T
     */
    public function one(array $of): mixed
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }

    public function text(): string
    {
        return $this->one([
            '', ' ', '0', '-0', '00', '-1', '1e308', '1e999', '-1e999', '1e-320', 'NaN', 'INF', '99999999999999999999',
            '0x10', '3.5', '3,5', '1/2', '12 3/4', "1\u{a0}000", '٣', '½',
            "\0", "a\0b", "2026-03-01\0", '2026-02-30', '0000-00-00', '9999-12-31', '99999-01-01', '-2026-01-01',
            '2026-03-01T25:61', 'tomorrow', 'now', '@0', 'P1Y',
            "\u{1f9d8}\u{200d}", "\u{202e}abc", "\u{feff}", "\xff\xfe", "\xc3\x28", str_repeat('x', 70_000),
            str_repeat("\u{e9}", 300), "a\r\nX: y", '../../etc/passwd', '%00', '%s%n', '${1+1}', '{{7*7}}',
            '<script>alert(1)</script>', "'; DROP TABLE test; --", '"', '\\', '/', '//', 'null', 'true', '[]', '{}',
            'left', 'both', 'knee', 'half-lotus', 'soles-together', 'open', '00000000-0000-0000-0000-000000000000',
            '01a2143a-2f8b-7090-8fe2-5e0cc733b04a',
        ]);
    }

    public function value(int $depth = 0): mixed
    {
        return match ($this->random->getInt(0, $depth > 3 ? 4 : 7)) {
            0 => $this->text(),
            1 => $this->one([0, 1, -1, 2, 10, 250, 251, 1_000_000, PHP_INT_MAX, PHP_INT_MIN]),
            2 => $this->one([0.5, -0.0, 1e308, -1e308, 1e-308, 1e6, 3.0000001, 39.99]),
            3 => null,
            4 => $this->chance(50),
            5 => [],
            6 => array_map(fn (): mixed => $this->value($depth + 1), range(1, $this->random->getInt(1, 3))),
            default => [$this->one(['', '0', '5', 'id', 'level', 'place', 'on', "\0", 'left',
                'kneeHeight']) => $this->value($depth + 1)],
        };
    }

    /**
     * A thing with some of its parts made wrong.
     *
     * @param array<mixed> $whole
     *
     * @return array<mixed>
     */
    public function broken(array $whole): array
    {
        for ($i = $this->random->getInt(1, 3); $i > 0; --$i) {
            $this->break($whole, 0);
        }

        return $whole;
    }

    /** @param array<mixed> $part */
    private function break(array &$part, int $depth): void
    {
        if ([] === $part) {
            $part[] = $this->value($depth);

            return;
        }
        $key = $this->one(array_keys($part));
        if (is_array($part[$key]) && $this->chance(70)) {
            $this->break($part[$key], $depth + 1);

            return;
        }
        switch ($this->random->getInt(0, 6)) {
            case 0:
                unset($part[$key]);
                break;
            case 1:
                $part[$this->one(['', '0', '7', "\0", 'id', 'on', 'pain', 'é'])] = $part[$key];
                break;
            case 2:
                $part[$key] = [$part[$key], $part[$key]];
                break;
            case 3:
                for ($deep = $this->value(3), $i = 0; $i < 60; ++$i) {
                    $deep = [$deep];
                }
                $part[$key] = $deep;
                break;
            default:
                $part[$key] = $this->value($depth);
        }
    }
}
