<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Connection;

/** Writes very many rows, many to a statement, and those that others point to before them. */
class BulkWriter
{
    private const ROWS_A_STATEMENT = 1500;

    /** @var array<string, string> by table: how its statements begin */
    private array $heads = [];

    /** @var array<string, list<string>> by table */
    private array $pending;

    /** @param list<string> $tables in the order in which they are written; others follow as they come */
    public function __construct(private readonly Connection $db, array $tables = [])
    {
        $this->pending = array_fill_keys($tables, []);
    }

    /**
     * @param array<string, string|int|bool|BulkId|null> $row    column => value
     * @param bool                                       $ignore whether rows that are there already are left as they
     *     are; one way for each table
     */
    public function add(string $table, array $row, bool $ignore = false): void
    {
        $values = [];
        foreach ($row as $value) {
            $values[] = match (true) {
                null === $value => 'NULL',
                \is_int($value) => (string) $value,
                \is_bool($value) => $value ? '1' : '0',
                $value instanceof BulkId => $value->sql,
                default => $this->db->quote($value),
            };
        }
        $this->heads[$table] ??= \sprintf(
            'INSERT %sINTO %s (`%s`) VALUES ',
            $ignore ? 'IGNORE ' : '',
            $table,
            implode('`, `', array_keys($row)),
        );
        $this->pending[$table][] = '('.implode(', ', $values).')';
        if (\count($this->pending[$table]) >= self::ROWS_A_STATEMENT) {
            $this->flush();
        }
    }

    /** A UUID's text as a value for `add()`. */
    public static function id(?string $uuid): ?BulkId
    {
        return null === $uuid ? null : new BulkId($uuid);
    }

    public function flush(): void
    {
        foreach ($this->pending as $table => $rows) {
            if ([] !== $rows) {
                $this->db->executeStatement($this->heads[$table].implode(', ', $rows));
                $this->pending[$table] = [];
            }
        }
    }
}
