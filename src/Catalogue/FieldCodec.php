<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** Between a part of an entry and what stands in its field. */
final class FieldCodec
{
    public static function toField(Field $field, mixed $value): mixed
    {
        if (null === $value) {
            return FieldKind::Choices === $field->kind ? [] : (FieldKind::Flag === $field->kind ? false : null);
        }

        return match ($field->kind) {
            FieldKind::Line, FieldKind::Choice, FieldKind::Choices, FieldKind::Flag => $value,
            FieldKind::Number => (string) $value,
            FieldKind::Lines => implode("\n", $value),
            FieldKind::Pairs => implode(
                "\n",
                array_map(static fn (mixed $id, mixed $why): string => "$id: $why", array_keys($value), $value),
            ),
            FieldKind::Compensations => implode(
                "\n",
                array_map(static fn (array $c): string => "{$c['text']} | {$c['see']}", $value),
            ),
            FieldKind::Props => implode("\n", array_map(self::propText(...), $value)),
            FieldKind::Quantity => "{$value['value']} {$value['unit']}",
            FieldKind::Range => ($value['least'] === $value['most'] ? '' : "{$value['least']} to ").
                "{$value['most']} {$value['unit']}",
            FieldKind::Demand => self::demandText($value),
            FieldKind::Measured => implode(
                "\n",
                array_map(static fn (array $m): string => "{$m['name']} | {$m['label']} | {$m['unit']}", $value),
            ),
        };
    }

    /** @throws \DomainException when it cannot be read; the message stands beside the field */
    public static function fromField(Field $field, mixed $typed): mixed
    {
        if (FieldKind::Flag === $field->kind) {
            return true === $typed;
        }
        if (FieldKind::Choices === $field->kind) {
            return is_array($typed) && [] !== $typed ? array_values($typed) : ($field->optional ? null : []);
        }
        $text = trim(is_scalar($typed) ? (string) $typed : '');
        $lines = array_values(
            array_filter(
                array_map(trim(...), explode("\n", $text)),
                static fn (string $line): bool => '' !== $line,
            ),
        );
        if ([] === $lines) {
            if ($field->optional) {
                return FieldKind::Props === $field->kind ? [] : null;
            }
            throw new \DomainException('This is needed.');
        }

        return match ($field->kind) {
            FieldKind::Line, FieldKind::Choice => $text,
            FieldKind::Lines => $lines,
            FieldKind::Number => 1 === preg_match('/^\d{1,4}$/', $text)
                ? (int) $text
                : throw new \DomainException('number.whole'),
            FieldKind::Pairs => self::pairs($lines),
            FieldKind::Compensations => array_map(self::compensation(...), $lines),
            FieldKind::Props => array_map(self::prop(...), $lines),
            FieldKind::Quantity => self::quantity($text, 'trade') ??
                throw new \DomainException('Write a number and a unit, such as "10 breaths".'),
            FieldKind::Range => self::range($text) ??
                throw new \DomainException('Write two numbers and a unit, such as "5 to 10 breaths".'),
            FieldKind::Demand => self::demand($lines),
            FieldKind::Measured => array_map(self::measured(...), $lines),
        };
    }

    /**
     * @param list<string> $lines
     *
     * @return array<string, string>
     */
    private static function pairs(array $lines): array
    {
        $pairs = [];
        foreach ($lines as $line) {
            [$id, $why] = array_map(trim(...), explode(':', $line, 2)) + [1 => ''];
            if ('' === $why) {
                throw new \DomainException(sprintf('"%s" lacks a colon and a word on why.', $line));
            }
            $pairs[$id] = $why;
        }

        return $pairs;
    }

    /** @return array{id: string, text: string, see: string} */
    private static function compensation(string $line): array
    {
        [$text, $see] = array_map(trim(...), explode('|', $line, 2)) + [1 => ''];
        if ('' === $see) {
            throw new \DomainException(sprintf('"%s" lacks a | and how to see it.', $line));
        }

        return ['id' => self::id($text), 'text' => $text, 'see' => $see];
    }

    /** @param array<string, mixed> $prop */
    private static function propText(array $prop): string
    {
        $takes = [];
        foreach ($prop['takes'] ?? [] as $kind => $many) {
            $takes[] = "$many $kind";
        }

        return implode(' | ', [
            $prop['what'],
            $prop['found'],
            ...isset($prop['at']) ? ['at '.$prop['at']] : [],
            ...isset($prop['rule']) ? [$prop['rule']] : [],
            ...[] === $takes ? [] : ['takes '.implode(', ', $takes)],
        ]);
    }

    /** @return array<string, mixed> */
    private static function prop(string $line): array
    {
        $parts = array_map(trim(...), explode('|', $line));
        if (count($parts) < 2 || '' === $parts[1]) {
            throw new \DomainException(sprintf('"%s" lacks a | and how its height is found.', $line));
        }

        $prop = ['what' => $parts[0], 'found' => $parts[1]];
        foreach (array_slice($parts, 2) as $part) {
            if (str_starts_with($part, 'takes ')) {
                $prop['takes'] = self::takes(substr($part, 6));
            } elseif (str_starts_with($part, 'at ')) {
                $prop['at'] = trim(substr($part, 3));
            } else {
                $prop['rule'] = $part;
            }
        }

        return $prop;
    }

    /** @return array<string, int> how many of what one has at home */
    private static function takes(string $text): array
    {
        $takes = [];
        foreach (explode(',', $text) as $part) {
            if (
                1 !==
                preg_match(
                    '/^\s*([1-9]|10)\s+(block|blanket|bolster|cushion|strap|wall|chair|bed-edge)s?\s*$/',
                    $part,
                    $m,
                )
            ) {
                throw new \DomainException(
                    sprintf(
                        '"%s" is no number of blocks, blankets, straps or what else there may be at home, '.
                            'such as "takes 2 block, 1 strap".',
                        trim($part),
                    ),
                );
            }
            $takes[$m[2]] = (int) $m[1];
        }

        return $takes;
    }

    /** @return array<string, string> */
    private static function measured(string $line): array
    {
        $parts = array_map(trim(...), explode('|', $line));

        return 3 === count($parts)
            ? array_combine(['name', 'label', 'unit'], $parts)
            : throw new \DomainException(
                sprintf('"%s" needs a name, a label and a unit, with | between them.', $line),
            );
    }

    /** @return array{value: float|int, unit: string, source: string}|null */
    private static function quantity(string $text, string $source): ?array
    {
        if (1 !== preg_match('/^(-?\d+(?:[.,]\d+)?)\s+([a-z]+)$/', $text, $m)) {
            return null;
        }

        return ['value' => self::number($m[1]), 'unit' => $m[2], 'source' => $source];
    }

    private static function number(string $text): float|int
    {
        $value = (float) str_replace(',', '.', $text);

        return floor($value) === $value ? (int) $value : $value;
    }

    /** @return array{least: float|int, most: float|int, unit: string, source: string}|null */
    private static function range(string $text): ?array
    {
        if (1 !== preg_match('/^(?:(\d+(?:[.,]\d+)?)\s*(?:to|-)\s*)?(\d+(?:[.,]\d+)?)\s+([a-z]+)$/', $text, $m)) {
            return null;
        }

        return [
            'least' => self::number('' === $m[1] ? $m[2] : $m[1]),
            'most' => self::number($m[2]),
            'unit' => $m[3],
            'source' => 'trade',
        ];
    }

    /**
     * @param list<string> $lines
     *
     * @return array<string, mixed>
     */
    private static function demand(array $lines): array
    {
        $leg = [];
        if (1 === preg_match('/^leg\s+([a-z-]+)\s*(?::\s*(.*))?$/', $lines[0] ?? '', $m)) {
            array_shift($lines);
            $values = [];
            foreach (
                array_filter(
                    array_map(trim(...), explode(',', $m[2] ?? '')),
                    static fn (string $v): bool => '' !== $v,
                ) as $pair
            ) {
                if (1 !== preg_match('/^([A-Za-z]+)\s+(-?\d+(?:\.\d+)?)$/', $pair, $value)) {
                    throw new \DomainException(
                        sprintf('"%s" is no name and number, such as "kneeHeight 12".', $pair),
                    );
                }
                $values[$value[1]] = (float) $value[2];
            }

            $leg = ['contact' => $m[1], 'values' => $values, 'unit' => 'cm and degrees', 'source' => 'own'];
        }
        $thresholds = [];
        foreach ($lines as $line) {
            [$component, $rest] = explode(' ', $line, 2) + [1 => ''];
            $thresholds[] = [
                'component' => $component,
                'at_least' => self::quantity(trim($rest), 'own') ??
                    throw new \DomainException(
                        sprintf('"%s" is no component, number and unit, such as "rotation 90 degrees".', $line),
                    ),
            ];
        }

        return $leg + ([] === $thresholds && [] !== $leg ? [] : ['thresholds' => $thresholds]);
    }

    /** @param array<string, mixed> $demand */
    private static function demandText(array $demand): string
    {
        $lines = [];
        if (isset($demand['contact'])) {
            $values = [];
            foreach ($demand['values'] as $name => $value) {
                $values[] = "$name $value";
            }

            $lines[] = "leg {$demand['contact']}".([] === $values ? '' : ': '.implode(', ', $values));
        }

        return implode("\n", [
            ...$lines,
            ...array_map(
                static fn (
                    array $t,
                ): string => "{$t['component']} {$t['at_least']['value']} {$t['at_least']['unit']}",
                $demand['thresholds'] ?? [],
            ),
        ]);
    }

    private static function id(string $text): string
    {
        $plain = \Transliterator::create('Any-Latin; Latin-ASCII; Lower')?->transliterate($text);
        $id = trim((string) preg_replace('/[^a-z0-9]+/', '-', (string) $plain), '-');

        return '' === $id || ctype_digit($id[0]) ? 'c-'.$id : substr($id, 0, 60);
    }
}
