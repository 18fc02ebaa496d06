<?php

declare(strict_types=1);

namespace LucidAscent\App\Json;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Contact\Numbers;

/** One JSON object, read strictly: a number is a number, a text is a text, nothing is guessed. */
final readonly class Fields implements Numbers
{
    /** @param array<mixed> $values */
    private function __construct(private array $values, private string $path)
    {
    }

    /** @throws InvalidValue when the value is not a JSON object */
    public static function of(mixed $value, string $path = ''): self
    {
        if (!is_array($value) || ([] !== $value && array_is_list($value))) {
            throw InvalidValue::because('' === $path ? 'The case' : $path, 'must be a JSON object.');
        }

        return new self($value, $path);
    }

    /** A text of something that may be no object at all: what else is wrong with it is for its reader to say. */
    public static function textIn(mixed $value, string $name, string $else = ''): string
    {
        return is_array($value) && is_string($value[$name] ?? null) ? $value[$name] : $else;
    }

    public function has(string $name): bool
    {
        return array_key_exists($name, $this->values) && null !== $this->values[$name];
    }

    /** @return array<mixed> all of it, as it stands */
    public function all(): array
    {
        return $this->values;
    }

    /** As it stands, whatever it is; null when it is not there. */
    public function raw(string $name): mixed
    {
        return $this->values[$name] ?? null;
    }

    public function isNumber(string $name): bool
    {
        return is_int($this->values[$name] ?? null) || is_float($this->values[$name] ?? null);
    }

    /** @return list<string> the names of what is there */
    public function names(): array
    {
        return array_values(array_filter(array_map(strval(...), array_keys($this->values)), $this->has(...)));
    }

    /**
     * @return list<string>
     *
     * @throws InvalidValue when it is there, and not a list of texts
     */
    public function texts(string $name): array
    {
        if (!$this->has($name)) {
            return [];
        }
        $values = $this->values[$name];
        if (!is_array($values) || !array_is_list($values) || $values !== array_filter($values, is_string(...))) {
            throw InvalidValue::because($this->name($name), 'must be a list of texts.');
        }

        return $values;
    }

    /**
     * Ids, or objects with one. What is no id stands for itself, so that it can be named among what nobody knows.
     *
     * @return list<string>
     *
     * @throws InvalidValue when it is there, and no list
     */
    public function ids(string $name): array
    {
        $ids = [];
        foreach ($this->has($name) ? $this->list($name) : [] as $one) {
            $ids[] = match (true) {
                is_string($one) => $one,
                is_array($one) && is_string($one['id'] ?? null) => $one['id'],
                default => (string) json_encode($one),
            };
        }

        return array_values(array_unique($ids));
    }

    /** @throws InvalidValue when it is missing, or not an object */
    public function object(string $name): self
    {
        return self::of($this->required($name), $this->name($name));
    }

    /**
     * @return list<mixed>
     *
     * @throws InvalidValue when it is missing, or no list
     */
    public function list(string $name): array
    {
        $values = $this->required($name);

        return is_array($values) && array_is_list($values)
            ? $values
            : throw InvalidValue::because($this->name($name), 'must be a list.');
    }

    /**
     * @return list<self>
     *
     * @throws InvalidValue when it is missing, or not a list of objects
     */
    public function objects(string $name): array
    {
        $values = $this->list($name);

        return array_map(
            fn (mixed $value, int $i): self => self::of($value, $this->name($name)."[$i]"),
            $values,
            array_keys($values),
        );
    }

    /** @throws InvalidValue when it is missing, or not a finite number */
    public function number(string $name, ?float $default = null): float
    {
        if (null !== $default && !$this->has($name)) {
            return $default;
        }
        $value = $this->required($name);
        if (!is_int($value) && !is_float($value)) {
            throw InvalidValue::because($this->name($name), 'must be a number.');
        }
        if (!is_finite((float) $value)) {
            throw InvalidValue::notFinite($this->name($name));
        }

        return (float) $value;
    }

    public function optionalNumber(string $name): ?float
    {
        return $this->has($name) ? $this->number($name) : null;
    }

    /** @throws InvalidValue when it is there, and not a text */
    public function text(string $name, ?string $default = null): string
    {
        if (null !== $default && !$this->has($name)) {
            return $default;
        }
        $value = $this->required($name);

        return is_string($value) ? $value : throw InvalidValue::because($this->name($name), 'must be a text.');
    }

    /** @throws InvalidValue when it is there, and neither true nor false */
    public function flag(string $name): bool
    {
        if (!$this->has($name)) {
            return false;
        }
        $value = $this->values[$name];

        return is_bool($value) ? $value : throw InvalidValue::because($this->name($name), 'must be true or false.');
    }

    private function required(string $name): mixed
    {
        return $this->has($name) ? $this->values[$name] : throw InvalidValue::missing($this->name($name));
    }

    private function name(string $name): string
    {
        return '' === $this->path ? $name : $this->path.'.'.$name;
    }
}
