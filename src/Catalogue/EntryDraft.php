<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** Between an entry and the form in which a teacher writes it. */
final class EntryDraft
{
    /**
     * @param array<string, mixed> $entry
     *
     * @return array<string, mixed> what stands in the form's fields
     */
    public static function toForm(Kind $kind, array $entry): array
    {
        $data = self::fields(EntryFields::of($kind), $entry);
        if (Kind::Posture === $kind) {
            $data['rungs'] = [];
            foreach ($entry['rungs'] ?? [] as $i => $rung) {
                $data['rungs'][(string) $i] = self::fields(EntryFields::rung(), $rung);
            }
        }

        return $data;
    }

    /**
     * @param array<string, mixed> $typed
     * @param array<string, mixed> $base the entry that the form was opened with: what the form does not show stays
     *
     * @return array{array<string, mixed>, array<string, string>} the entry, and what could not be read, by the entry's
     *     path
     */
    public static function fromForm(Kind $kind, array $typed, array $base): array
    {
        $faults = [];
        $entry = array_diff_key($base, ['own' => true, 'adapts' => true]);
        $entry = self::put(EntryFields::of($kind), $typed, $entry, '', $faults);
        $entry['source'] = 'own';
        if (Kind::Test === $kind) {
            $entry['trials'] = ($entry['trials'] ?? []) + ['source' => 'own'];

            return [$entry, $faults];
        }
        if (Kind::Drill === $kind) {
            return [$entry, $faults];
        }
        $entry['relations'] ??= [];
        $figure = (string) ($typed['figure'] ?? '');
        $drawn = ContactList::toSetUp()[$figure] ?? null;
        if (null !== $drawn) {
            $values = [];
            foreach ($drawn->controls as $control) {
                $values[$control->name] = $control->start;
            }
            $entry['figure'] = ['lab' => $figure, 'values' => $values, 'unit' => 'cm and degrees', 'source' => 'own'];
        } elseif (!isset($entry['figure'])) {
            $faults['figure'] = 'Choose how it is drawn.';
        }
        $rungs = [];
        foreach ($typed['rungs'] ?? [] as $i => $rung) {
            // A rung without a name and without a position has been left out.
            if ('' === trim((string) ($rung['name'] ?? '')) && '' === trim((string) ($rung['position'] ?? ''))) {
                continue;
            }
            $rungs[] = self::put(EntryFields::rung(), $rung, $base['rungs'][(int) $i] ?? [], "rungs/$i/", $faults);
        }
        $entry['rungs'] = $rungs;
        if ([] === $rungs) {
            $faults['rungs/0/name'] = 'A posture has at least one rung.';
        }

        return [$entry, $faults];
    }

    /**
     * @param list<Field> $fields
     * @param array<string, mixed> $entry
     *
     * @return array<string, mixed>
     */
    private static function fields(array $fields, array $entry): array
    {
        $data = [];
        foreach ($fields as $field) {
            $value = $entry;
            foreach (explode('/', $field->path) as $part) {
                $value = is_array($value) ? $value[$part] ?? null : null;
            }
            $data[$field->name()] = FieldCodec::toField($field, $value);
        }

        return $data;
    }

    /**
     * @param list<Field> $fields
     * @param array<string, mixed> $typed
     * @param array<string, mixed> $entry
     * @param array<string, string> $faults
     *
     * @return array<string, mixed>
     */
    private static function put(array $fields, array $typed, array $entry, string $prefix, array &$faults): array
    {
        foreach ($fields as $field) {
            $parts = explode('/', $field->path);
            try {
                $value = FieldCodec::fromField($field, $typed[$field->name()] ?? null);
            } catch (\DomainException $e) {
                $faults[$prefix.$field->path] = $e->getMessage();
                continue;
            }
            if (1 === count($parts)) {
                $entry[$parts[0]] = $value;
            } else {
                $entry[$parts[0]][$parts[1]] = $value;
            }
            if (null === $value) {
                if (1 === count($parts)) {
                    unset($entry[$parts[0]]);
                } else {
                    unset($entry[$parts[0]][$parts[1]]);
                    if ([] === $entry[$parts[0]]) {
                        unset($entry[$parts[0]]);
                    }
                }
            }
        }

        return $entry;
    }
}
