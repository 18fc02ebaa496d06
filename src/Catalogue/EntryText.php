<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Testing\Formula;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** One entry as YAML text: read, filled out with what holds for every rung, and checked against its schema. */
final class EntryText
{
    public const LONGEST = 200_000;

    /** @var array<string, object> */
    private static array $schemas = [];

    /**
     * @param string|null $spoken the entry's texts in another language, as YAML
     *
     * @return array{array<string, mixed>, list<Fault>} the entry, as far as it can be read, and what is wrong with it
     */
    public static function read(
        Kind $kind,
        string $text,
        string $file,
        string $schemaFolder,
        ?string $spoken = null,
    ): array {
        if (strlen($text) > self::LONGEST) {
            return [[], [new Fault($file, 1, '', sprintf('is longer than %d characters.', self::LONGEST))]];
        }
        if (self::refersToItself($text)) {
            return [
                [],
                [new Fault($file, 1, '', 'gives a part of it a name with & and takes it again with *: write it out.')],
            ];
        }
        try {
            $data = Yaml::parse($text);
            $over = null === $spoken ? [] : Yaml::parse($spoken);
        } catch (ParseException $e) {
            return [[], [new Fault($file, max(1, $e->getParsedLine()), '', $e->getMessage())]];
        }
        if (!is_array($data) || array_is_list($data)) {
            return [[], [new Fault($file, 1, '', 'must be a map of names and values.')]];
        }
        $data = self::filled(is_array($over) ? self::laidOver($data, $over) : $data);
        $endless = self::endless($data);
        if (null !== $endless) {
            return [$data, [new Fault($file, self::line($text, $endless), $endless, 'must be a finite number.')]];
        }
        $schema = self::$schemas["$schemaFolder/$kind->value"] ??= self::schema("$schemaFolder/$kind->value.json");
        $error = (new Validator())->validate(Helper::toJSON(self::maps($data)), $schema)->error();
        if (null !== $error) {
            return [$data, [self::fault($error, $text, $file)]];
        }
        $unfit = Kind::Test === $kind ? self::unfit($data) : null;

        return [
            $data,
            null === $unfit ? [] : [new Fault($file, self::line($text, 'formula'), 'formula', $unfit)],
        ];
    }

    /**
     * @param array<string, mixed> $test that its schema lets pass
     *
     * @return string|null why it cannot be read by the formula that it names; null when it can
     */
    private static function unfit(array $test): ?string
    {
        if (null === Formula::find($test['formula'])) {
            return 'is not one that a test can be read by.';
        }
        $turns = isset($test['proves'][Ability::ExternalRotation->value]);

        return Formula::SHIN_INCLINATION === $test['formula'] && $turns
            ? 'reads an inclination, and that shows no rotation: it has no zero. Measure heights.'
            : null;
    }

    /** Parts that are taken again can be taken again by others: a short text would become one of any length. */
    private static function refersToItself(string $text): bool
    {
        preg_match_all('/(?:^|[\s,\[{])&([^\s,\[\]{}]+)/m', $text, $named);
        foreach (array_unique($named[1]) as $name) {
            if (1 === preg_match('/(?:^|[\s,\[{])\*'.preg_quote($name, '/').'(?![^\s,\[\]{}])/m', $text)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Where a number is infinite or none: a schema compares such a one with its limits in vain.
     *
     * @param array<array-key, mixed> $data
     *
     * @return string|null its path; null when all are numbers
     */
    private static function endless(array $data, string $path = ''): ?string
    {
        foreach ($data as $name => $value) {
            $at = '' === $path ? (string) $name : "$path/$name";
            $found = is_array($value)
                ? self::endless($value, $at)
                : (is_float($value) && !is_finite($value)
                    ? $at
                    : null);
            if (null !== $found) {
                return $found;
            }
        }

        return null;
    }

    /** Where a place of an entry stands in its text: the line of the deepest part that can be found. */
    public static function line(string $text, string $path): int
    {
        $parts = '' === $path ? [] : explode('/', $path);
        [$at, $found] = self::follow(explode("\n", $text), $parts);
        // What a rung does not say itself, the posture says for all of its rungs.
        if ($found < count($parts) && 2 === $found && 'rungs' === $parts[0]) {
            [$common, $foundThere] = self::follow(explode("\n", $text), ['defaults', ...array_slice($parts, 2)]);
            $at = $foundThere > 1 ? $common : $at;
        }

        return $at + 1;
    }

    /**
     * @param list<string> $lines
     * @param list<string> $parts
     *
     * @return array{int, int} the line of the last part that was found, and how many were
     */
    private static function follow(array $lines, array $parts): array
    {
        $at = 0;
        $inside = -1;
        foreach ($parts as $count => $part) {
            $items = 0;
            $itemDepth = null;
            $place = null;
            for ($i = 0 === $count ? 0 : $at; $i < count($lines); ++$i) {
                $line = $lines[$i];
                $depth = strspn($line, ' ');
                $isItem = 1 === preg_match('/^ *- /', $line.' ');
                if (
                    $i > $at
                    && '' !== trim($line)
                    && ($depth < $inside || ($depth === $inside && $isItem === ctype_digit($parts[$count - 1] ?? 'x')))
                ) {
                    break;
                }
                if (ctype_digit($part)) {
                    $itemDepth ??= $isItem ? $depth : null;
                    if ($isItem && $depth === $itemDepth && $items++ === (int) $part) {
                        $place = $i;
                        break;
                    }
                } elseif (1 === preg_match('/^ *(- +)?["\']?'.preg_quote($part, '/').'["\']?:/', $line)) {
                    $place = $i;
                    break;
                }
            }
            if (null === $place) {
                return [$at, $count];
            }
            $at = $place;
            $inside = strspn($lines[$place], ' ');
        }

        return [$at, count($parts)];
    }

    /**
     * What a posture says once for all of its rungs, and the forms beside them, put into each that does not say
     * otherwise.
     *
     * @param array<mixed> $data
     *
     * @return array<mixed>
     */
    private static function filled(array $data): array
    {
        $defaults = is_array($data['defaults'] ?? null) ? $data['defaults'] : [];
        foreach (['rungs', 'forms'] as $part) {
            if (is_array($data[$part] ?? null)) {
                $data[$part] = array_map(
                    static fn (mixed $rung): mixed => is_array($rung) ? self::asRange($rung + $defaults) : $rung,
                    $data[$part],
                );
            }
        }
        if (is_array($data['rungs'] ?? null) && [] !== $defaults) {
            unset($data['defaults']);
        }

        return $data;
    }

    /**
     * Entries that were written before a hold had a range and a safer form the name of a rung go on being read: one
     * figure is a range of itself, a sentence says how.
     *
     * @param array<mixed> $rung
     *
     * @return array<mixed>
     */
    private static function asRange(array $rung): array
    {
        if (is_array($rung['hold'] ?? null) && isset($rung['hold']['value'])) {
            $rung['hold'] =
                ['least' => $rung['hold']['value'], 'most' => $rung['hold']['value']] +
                array_diff_key($rung['hold'], ['value' => true]);
        }
        foreach (['knee_safe', 'lying'] as $instead) {
            if (is_string($rung[$instead] ?? null)) {
                $rung[$instead] = ['how' => $rung[$instead]];
            }
        }

        return $rung;
    }

    /**
     * A translation laid over an entry: names and values one by one, lists of texts as a whole, lists
     * of things with ids by these.
     *
     * @param array<mixed> $data
     * @param array<mixed> $over
     *
     * @return array<mixed>
     */
    private static function laidOver(array $data, array $over): array
    {
        foreach ($over as $key => $value) {
            $there = $data[$key] ?? null;
            if (!is_array($value) || !is_array($there)) {
                $data[$key] = $value;
            } elseif (array_is_list($there) && isset($there[0]['id'])) {
                $by = array_column($value, null, 'id');
                $data[$key] = array_map(
                    static fn (array $item): array => self::laidOver($item, $by[$item['id']] ?? []),
                    $there,
                );
            } else {
                $data[$key] = array_is_list($there) ? $value : self::laidOver($there, $value);
            }
        }

        return $data;
    }

    /**
     * YAML has one empty collection; JSON has two. Where the schemas want an object, an empty one is one.
     *
     * @param array<mixed> $data
     *
     * @return array<mixed>
     */
    private static function maps(array $data): array
    {
        foreach ($data as $key => $value) {
            if (is_array($value)) {
                $data[$key] =
                    [] === $value
                    && in_array($key, ['values', 'relations', 'changes', 'elsewhere', 'hold_by_school'], true)
                        ? new \stdClass()
                        : self::maps($value);
            }
        }

        return $data;
    }

    private static function schema(string $file): object
    {
        $schema = json_decode((string) file_get_contents($file));

        return is_object($schema) ? $schema : throw new \RuntimeException("$file is no schema.");
    }

    /**
     * The innermost complaint names the very place; those around it only repeat that something is wrong. Of several
     * ways to write a thing the one that was meant is the one that fails furthest in.
     */
    private static function innermost(ValidationError $error): ValidationError
    {
        $deepest = null;
        foreach ($error->subErrors() as $part) {
            $inner = self::innermost($part);
            $deepest =
                null === $deepest || count($inner->data()->fullPath()) > count($deepest->data()->fullPath())
                    ? $inner
                    : $deepest;
        }

        return $deepest ?? $error;
    }

    private static function fault(ValidationError $error, string $text, string $file): Fault
    {
        $error = self::innermost($error);
        $path = implode('/', array_map(strval(...), $error->data()->fullPath()));

        return new Fault($file, self::line($text, $path), $path, (new ErrorFormatter())->formatErrorMessage($error));
    }
}
