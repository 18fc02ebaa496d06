<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Types\ConversionException;
use Doctrine\DBAL\Types\Exception\InvalidFormat;
use Doctrine\DBAL\Types\Exception\InvalidType;
use Doctrine\DBAL\Types\Type;

/** A moment in UTC to the microsecond: records written within one second keep their order. */
final class MomentType extends Type
{
    public const NAME = 'moment';

    private const FORMAT = 'Y-m-d H:i:s.u';

    public function getSQLDeclaration(array $column, AbstractPlatform $platform): string
    {
        return 'DATETIME(6)';
    }

    /** @throws ConversionException when the value is no moment */
    public function convertToDatabaseValue(mixed $value, AbstractPlatform $platform): ?string
    {
        return match (true) {
            null === $value => null,
            $value instanceof \DateTimeImmutable => $value->setTimezone(new \DateTimeZone('UTC'))->format(self::FORMAT),
            default => throw InvalidType::new($value, self::class, ['null', \DateTimeImmutable::class]),
        };
    }

    /** @throws ConversionException when the column holds something else */
    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): ?\DateTimeImmutable
    {
        if (null === $value || $value instanceof \DateTimeImmutable) {
            return $value;
        }

        return \DateTimeImmutable::createFromFormat(self::FORMAT, (string) $value, new \DateTimeZone('UTC'))
            ?: throw InvalidFormat::new((string) $value, self::class, self::FORMAT);
    }
}
