<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use Doctrine\ORM\Mapping\Column;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Json\Day;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Uid\Uuid;

/**
 * One thing that was written down, to JSON and back: each property under its own name, what hurt as
 * {"level","place","kind"}, what it leads to by its id.
 */
final class RecordCodec
{
    private const MOMENT = 'Y-m-d\TH:i:s.u\Z';
    private const PAIN = ['painLevel' => 'level', 'painPlace' => 'place', 'painKind' => 'kind'];

    /** @return array<string, mixed> */
    public static function write(object $record): array
    {
        $written = [];
        $properties = get_object_vars($record);
        foreach (self::parameters($record::class) as $one) {
            $value = $properties[$one->name];
            if ($value instanceof Practitioner) {
                continue;
            }
            $value = match (true) {
                $value instanceof Uuid => (string) $value,
                $value instanceof \DateTimeImmutable => self::isDay($record::class, $one->name)
                    ? $value->format('Y-m-d')
                    : $value->setTimezone(new \DateTimeZone('UTC'))->format(self::MOMENT),
                $value instanceof \BackedEnum => $value->value,
                is_object($value) => (string) (get_object_vars($value)['id'] ?? ''),
                default => $value,
            };
            if (isset(self::PAIN[$one->name])) {
                $written['pain'][self::PAIN[$one->name]] = $value;
            } else {
                $written[$one->name] = $value;
            }
        }
        if ($record instanceof Test) {
            $written['trials'] = array_map(
                static fn ($trial): array => [
                    'readings' => $trial->readings,
                    'entered' => $trial->entered,
                    'errors' => $trial->errors,
                ],
                $record->trials(),
            );
        }

        return $written;
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     * @param array<string, mixed> $written as the schema has it
     * @param \Closure(string): Teacher $by who wrote, by id
     * @param \Closure(class-string, string): ?object $find what it leads to, by kind and id
     *
     * @return T
     *
     * @throws InvalidValue when it leads to nothing, or says what no record can say
     */
    public static function read(string $class, array $written, Practitioner $of, \Closure $by, \Closure $find): object
    {
        $values = [];
        foreach (self::parameters($class) as $one) {
            $type = $one->getType() instanceof \ReflectionNamedType ? $one->getType()->getName() : '';
            $raw = isset(self::PAIN[$one->name])
                ? $written['pain'][self::PAIN[$one->name]] ?? null
                : $written[$one->name] ?? null;
            $values[$one->name] = match (true) {
                Practitioner::class === $type => $of,
                null === $raw => $one->allowsNull()
                    ? null
                    : ($one->isDefaultValueAvailable()
                        ? $one->getDefaultValue()
                        : throw InvalidValue::missing($one->name)),
                Teacher::class === $type => $by((string) $raw),
                Uuid::class === $type => is_string($raw) && Uuid::isValid($raw)
                    ? Uuid::fromString($raw)
                    : throw InvalidValue::because($one->name, 'is no id.'),
                \DateTimeImmutable::class === $type => self::time(
                    (string) $raw,
                    $one->name,
                    self::isDay($class, $one->name),
                ),
                PainPlace::class === $type => PainPlace::tryFrom((string) $raw) ??
                    throw InvalidValue::because('pain', 'is at no place that is known.'),
                PainKind::class === $type => PainKind::tryFrom((string) $raw) ??
                    throw InvalidValue::because('pain', 'is of no kind that is known.'),
                is_subclass_of($type, \BackedEnum::class) => (is_string($raw) ? $type::tryFrom($raw) : null) ??
                    throw InvalidValue::because($one->name, 'is not known.'),
                class_exists($type) => $find($type, (string) $raw) ??
                    throw InvalidValue::because($one->name, 'is not in this record.'),
                'float' === $type && is_int($raw) => (float) $raw,
                'string' === $type && is_string($raw) => self::fits($class, $one->name, $raw),
                get_debug_type($raw) === $type => $raw,
                default => throw InvalidValue::because($one->name, "is no $type."),
            };
        }
        $record = new $class(...$values);
        if ($record instanceof Test) {
            foreach ($written['trials'] as $trial) {
                $record->add($trial['readings'], $trial['entered'] ?? [], $trial['errors'] ?? []);
            }
        }

        return $record;
    }

    /**
     * @param class-string $class
     *
     * @throws InvalidValue when it is longer than there is room for
     */
    private static function fits(string $class, string $name, string $text): string
    {
        $column = self::column($class, $name);
        $most = $column?->length;
        $most ??= 'text' === $column?->type ? 16000 : 255;

        return mb_strlen($text) > $most ? throw InvalidValue::because($name, 'is too long.') : $text;
    }

    /** @throws InvalidValue when it is none that there can be */
    public static function moment(string $text, string $name): \DateTimeImmutable
    {
        return self::time($text, $name, false);
    }

    /** @throws InvalidValue */
    private static function time(string $text, string $name, bool $isDay): \DateTimeImmutable
    {
        return Day::written($isDay ? 'Y-m-d' : self::MOMENT, $text, new \DateTimeZone('UTC')) ??
            throw InvalidValue::because($name, $isDay ? 'is no day.' : 'is no moment in UTC.');
    }

    /** @param class-string $class */
    private static function isDay(string $class, string $name): bool
    {
        return 'date_immutable' === self::column($class, $name)?->type;
    }

    /** @param class-string $class */
    private static function column(string $class, string $name): ?Column
    {
        return ((new \ReflectionProperty($class, $name))->getAttributes(Column::class)[0] ?? null)?->newInstance();
    }

    /** @return list<\ReflectionParameter> */
    private static function parameters(string $class): array
    {
        return class_exists($class) ? (new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] : [];
    }
}
