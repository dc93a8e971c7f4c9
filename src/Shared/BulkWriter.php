<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Connection;

/** Writes very many rows, many to a statement, in the order in which tables were first written to. */
final class BulkWriter
{
    private const ROWS_A_STATEMENT = 1500;

    /** @var array<string, array{string, list<string>}> table => statement head and pending rows */
    private array $pending = [];

    public function __construct(private readonly Connection $db) {}

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
        $this->pending[$table] ??= [
            'INSERT '
            .($ignore ? 'IGNORE ' : '')
            .'INTO '
            .$table
            .' (`'
            .implode('`, `', array_keys($row))
            .'`) VALUES ',
            [],
        ];
        $this->pending[$table][1][] = '('.implode(', ', $values).')';
        if (\count($this->pending[$table][1]) >= self::ROWS_A_STATEMENT) {
            $this->write($table);
        }
    }

    /** A UUID's text as a value for `add()`. */
    public static function id(?string $uuid): ?BulkId
    {
        return null === $uuid ? null : new BulkId($uuid);
    }

    public function flush(): void
    {
        foreach (array_keys($this->pending) as $table) {
            $this->write($table);
        }
    }

    private function write(string $table): void
    {
        [$head, $rows] = $this->pending[$table];
        if ([] !== $rows) {
            $this->db->executeStatement($head.implode(', ', $rows));
            $this->pending[$table][1] = [];
        }
    }
}
