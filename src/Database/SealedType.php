<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Types\Type;

/**
 * Words about somebody's health: text in PHP, sealed in the database. An empty text stays one, for it says nothing;
 * what is not sealed is of before anything was, and is read as it is.
 */
class SealedType extends Type
{
    public const NAME = 'sealed';
    public const MARK = 'sealed:';

    private const PLACE = 'text';

    /** @var (\Closure(): Seal)|null */
    private static ?\Closure $seal = null;

    /** @param \Closure(): Seal $seal asked for when something is to be sealed or opened */
    public static function by(\Closure $seal): void
    {
        self::$seal = $seal;
    }

    private static function isSealed(string $value): bool
    {
        return str_starts_with($value, self::MARK);
    }

    public function getSQLDeclaration(array $column, AbstractPlatform $platform): string
    {
        return $platform->getClobTypeDeclarationSQL($column);
    }

    public function convertToDatabaseValue(mixed $value, AbstractPlatform $platform): ?string
    {
        $text = null === $value ? null : $this->toText($value);

        return null === $text || '' === $text
            ? $text
            : self::MARK.base64_encode(self::seal()->seal($text, self::PLACE));
    }

    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): mixed
    {
        return null === $value ? null : $this->fromText(self::open((string) $value));
    }

    /** @throws \RuntimeException where no key opens it: a word that speaks of pain is never passed over */
    private static function open(string $value): string
    {
        return !self::isSealed($value)
            ? $value
            : self::seal()->open((string) base64_decode(substr($value, strlen(self::MARK)), true), self::PLACE) ??
                throw new \RuntimeException('Words in the database were sealed with a key that is not here.');
    }

    private static function seal(): Seal
    {
        return (self::$seal ?? throw new \LogicException('Nobody has said what seals.'))();
    }

    protected function toText(mixed $value): string
    {
        return (string) $value;
    }

    protected function fromText(string $text): mixed
    {
        return $text;
    }
}
