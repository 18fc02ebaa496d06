<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\Internal\Hydration\AbstractHydrator;
use Doctrine\ORM\Mapping\ClassMetadata;

/** Rows of records of several kinds, each with its kind and its columns as JSON (AboutPerson), as records. */
final class WrittenHydrator extends AbstractHydrator
{
    public const MODE = 'written';

    /** @return array<class-string, list<object>> by kind */
    protected function hydrateAllData(): array
    {
        $records = [];
        foreach ($this->statement()->iterateAssociative() as $row) {
            $class = AboutPerson::KINDS[(int) $row['kind']];
            $records[$class][] = $this->uow->createEntity(
                $class,
                $this->values(
                    $this->em->getClassMetadata($class),
                    json_decode($row['written'], true, flags: \JSON_THROW_ON_ERROR),
                ),
                $this->hints,
            );
        }

        return $records;
    }

    /**
     * @param ClassMetadata<object> $of
     * @param array<string, mixed> $columns as the database has them, what is binary in hexadecimal
     *
     * @return array<string, mixed> fields by name, and what leads to other records by column
     */
    private function values(ClassMetadata $of, array $columns): array
    {
        $values = [];
        foreach ($of->fieldMappings as $name => $field) {
            $value = $columns[$field->columnName];
            $values[$name] = $this->em
                ->getConnection()
                ->convertToPHPValue(
                    'uuid' === $field->type && null !== $value ? hex2bin($value) : $value,
                    $field->type,
                );
        }
        foreach ($of->associationMappings as $one) {
            if ($one->isToOneOwningSide()) {
                $column = $one->joinColumns[0]->name;
                $values[$column] =
                    null === $columns[$column]
                        ? null
                        : $this->em->getConnection()->convertToPHPValue(hex2bin($columns[$column]), 'uuid');
            }
        }

        return $values;
    }
}
