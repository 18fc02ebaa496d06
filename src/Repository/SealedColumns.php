<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\SealedType;

/**
 * Every column whose words lie sealed, to be sealed anew. Whoever runs this has the rights of the database's owner: the
 * application itself changes no record.
 */
final readonly class SealedColumns
{
    private const AT_ONCE = 500;

    private Connection $connection;

    public function __construct(private EntityManagerInterface $em)
    {
        $this->connection = $em->getConnection();
    }

    /** @return list<array{table: string, id: string, column: string, type: string}> */
    public function all(): array
    {
        $all = [];
        foreach ($this->em->getMetadataFactory()->getAllMetadata() as $of) {
            foreach ($of->fieldMappings as $field) {
                if (str_starts_with($field->type, SealedType::NAME)) {
                    $all[] = [
                        'table' => $of->getTableName(),
                        'id' => $of->getColumnName($of->getSingleIdentifierFieldName()),
                        'column' => $field->columnName,
                        'type' => $field->type,
                    ];
                }
            }
        }

        return $all;
    }

    /**
     * @param bool $isAll whether what is sealed already is sealed anew, with the newest key
     *
     * @return array{int, int} how many are sealed, and how many no key opens
     */
    public function sealAgain(bool $isAll): array
    {
        $count = [0, 0];
        foreach ($this->all() as $one) {
            $which = $isAll ? '' : sprintf("AND %s NOT LIKE '%s%%'", $one['column'], SealedType::MARK);
            $last = '';
            do {
                $rows = $this->connection->fetchAllKeyValue(
                    "SELECT $one[id], $one[column] FROM $one[table]
                     WHERE $one[id] > ? AND $one[column] <> '' $which ORDER BY $one[id] LIMIT ".self::AT_ONCE,
                    [$last],
                );
                foreach ($rows as $id => $written) {
                    ++$count[$this->sealOne($one, $last = (string) $id, (string) $written) ? 0 : 1];
                }
            } while (self::AT_ONCE === count($rows));
        }

        return $count;
    }

    /** @param array{table: string, id: string, column: string, type: string} $one */
    private function sealOne(array $one, string $id, string $written): bool
    {
        try {
            $plain = $this->connection->convertToPHPValue($written, $one['type']);
        } catch (\RuntimeException) {
            return false;
        }
        // What has been written anew meanwhile is sealed already.
        $this->connection->executeStatement(
            "UPDATE $one[table] SET $one[column] = ? WHERE $one[id] = ? AND $one[column] = ?",
            [$this->connection->convertToDatabaseValue($plain, $one['type']), $id, $written],
        );

        return true;
    }
}
