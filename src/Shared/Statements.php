<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;

/**
 * Statements written by hand, for repositories. Values: ids as `Id::binary()`, instants as `Instant::toSql()`; a list
 * stands for `IN (:name)`.
 */
trait Statements
{
    abstract protected function connection(): Connection;

    /**
     * @param array<array-key, mixed> $values
     *
     * @return list<Row>
     */
    protected function rows(string $sql, array $values = []): array
    {
        return Row::all($this->connection()->fetchAllAssociative($sql, $values, self::types($values)));
    }

    /**
     * As `rows()`, where there may be more than should be kept at a time.
     *
     * @param array<array-key, mixed> $values
     *
     * @return \Traversable<int, Row>
     */
    protected function eachRow(string $sql, array $values = []): \Traversable
    {
        foreach ($this->connection()->iterateAssociative($sql, $values, self::types($values)) as $columns) {
            yield new Row($columns);
        }
    }

    /**
     * As `eachRow()`, with columns by number, for hundreds of thousands of rows.
     *
     * @param array<array-key, mixed> $values
     *
     * @return \Traversable<int, list<string|int|null>>
     */
    protected function eachNumbered(string $sql, array $values = []): \Traversable
    {
        /** @var \Traversable<int, list<string|int|null>> */
        return $this->connection()->iterateNumeric($sql, $values, self::types($values));
    }

    /** @param array<array-key, mixed> $values */
    protected function row(string $sql, array $values = []): ?Row
    {
        $columns = $this->connection()->fetchAssociative($sql, $values, self::types($values));

        return false === $columns ? null : new Row($columns);
    }

    /** @param array<array-key, mixed> $values */
    protected function number(string $sql, array $values = []): int
    {
        $value = $this->connection()->fetchOne($sql, $values, self::types($values));

        return is_numeric($value) ? (int) $value : 0;
    }

    /**
     * @param array<array-key, mixed> $values
     *
     * @return int how many rows were changed
     */
    protected function execute(string $sql, array $values = []): int
    {
        return (int) $this->connection()->executeStatement($sql, $values, self::types($values));
    }

    protected function bulk(): BulkWriter
    {
        return new BulkWriter($this->connection());
    }

    /**
     * @param array<array-key, mixed> $values
     *
     * @return array<array-key, ArrayParameterType|ParameterType>
     */
    private static function types(array $values): array
    {
        $types = [];
        foreach ($values as $name => $value) {
            if (\is_array($value)) {
                $types[$name] = ArrayParameterType::STRING;
            }
        }

        return $types;
    }
}
