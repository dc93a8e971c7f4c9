<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\BulkId;
use MintDoor\Shared\BulkWriter;

/**
 * Writes rows into a file for each table, and what reads them into the database (`LOAD DATA`): for platforms of
 * millions of rows. The tables are to be empty, which makes it several times faster, and the server has to be able to
 * read the folder.
 */
final class FileWriter extends BulkWriter
{
    private const BEFORE = "SET unique_checks = 0, foreign_key_checks = 0, sql_log_bin = 0;\n";

    /** @var array<string, resource> by table */
    private array $files = [];

    /** @var array<string, list<string>> by table: its columns, as they are written */
    private array $columns = [];

    /** @var array<string, array<string, true>> by table: those that hold ids */
    private array $ids = [];

    /** @var array<string, array<string, true>> by table: rows that are there already, where such are left out */
    private array $seen = [];

    /** @param string $folder an empty one */
    public function __construct(Connection $db, private readonly string $folder)
    {
        parent::__construct($db);
    }

    public function add(string $table, array $row, bool $ignore = false): void
    {
        $this->columns[$table] ??= array_keys($row);
        if (array_keys($row) !== $this->columns[$table]) {
            throw new \LogicException("All rows of $table have the same columns.");
        }
        $fields = [];
        foreach ($row as $column => $value) {
            if ($value instanceof BulkId) {
                $this->ids[$table][$column] = true;
            }
            $fields[] = match (true) {
                null === $value => '\N',
                \is_bool($value) => $value ? '1' : '0',
                $value instanceof BulkId => substr($value->sql, 2),
                default => addcslashes((string) $value, "\\\t\n\r\0"),
            };
        }
        $line = implode("\t", $fields)."\n";
        if ($ignore && isset($this->seen[$table][$line])) {
            return;
        }
        if ($ignore && \count($this->seen[$table] ?? []) < 2_000_000) {
            $this->seen[$table][$line] = true;
        }
        $this->files[$table] ??= $this->open($table);
        fwrite($this->files[$table], $line);
    }

    /** Writes `load.sql` beside the files; rows that come later are in none of them. */
    public function flush(): void
    {
        if ([] === $this->columns) {
            return;
        }
        $sql = self::BEFORE;
        foreach ($this->columns as $table => $columns) {
            fclose($this->files[$table]);
            $ids = $this->ids[$table] ?? [];
            $into = array_map(
                static fn(string $column): string => isset($ids[$column]) ? "@$column" : "`$column`",
                $columns,
            );
            $set = array_map(
                static fn(string $column): string => "`$column` = UNHEX(@$column)",
                array_keys($ids),
            );
            $sql .= \sprintf(
                "LOAD DATA INFILE '%s' INTO TABLE `%s` CHARACTER SET utf8mb4 (%s)%s;\n",
                $this->path($table),
                $table,
                implode(', ', $into),
                [] === $set ? '' : ' SET '.implode(', ', $set),
            );
        }
        file_put_contents($this->folder.'/load.sql', $sql);
        $this->columns = $this->files = [];
    }

    private function path(string $table): string
    {
        return $this->folder.'/'.$table.'.tsv';
    }

    /** @return resource */
    private function open(string $table)
    {
        return fopen($this->path($table), 'w') ?: throw new \RuntimeException("No file for $table.");
    }
}
