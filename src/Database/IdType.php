<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Symfony\Bridge\Doctrine\Types\AbstractUidType;
use Symfony\Component\Uid\AbstractUid;
use Symfony\Component\Uid\Uuid;

/**
 * An id that is read twice is the same object twice: what was known of a record by its id alone can be read whole
 * later.
 */
final class IdType extends AbstractUidType
{
    /** @var array<string, \WeakReference<AbstractUid>> */
    private static array $known = [];

    public function getName(): string
    {
        return 'uuid';
    }

    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): ?AbstractUid
    {
        $read = parent::convertToPHPValue($value, $platform);
        if (null === $read) {
            return null;
        }
        $known = (self::$known[(string) $read] ?? null)?->get();
        if (null === $known) {
            self::$known[(string) $read] = \WeakReference::create($known = $read);
        }

        return $known;
    }

    protected function getUidClass(): string
    {
        return Uuid::class;
    }
}
