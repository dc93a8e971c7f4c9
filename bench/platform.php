<?php

declare(strict_types=1);

// What the benches beside the served application share: its services, and all the rows of some tables written again,
// raw.
use Doctrine\DBAL\Connection;
use MintDoor\Kernel;
use MintDoor\Shared\BulkId;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;

require dirname(__DIR__).'/config/bootstrap.php';

/** @return callable(class-string): object */
function services(): callable
{
    $kernel = new Kernel('test', false);
    $kernel->boot();
    $container = $kernel->getContainer()->get('test.service_container');
    assert($container instanceof Symfony\Component\DependencyInjection\ContainerInterface);

    return static function (string $class) use ($container): object {
        $service = $container->get($class);
        assert($service instanceof $class);

        return $service;
    };
}

/** How many seconds something takes. */
function seconds(callable $work): float
{
    $begun = hrtime(true);
    $work();

    return (hrtime(true) - $begun) / 1e9;
}

/**
 * Takes all rows away that fit, and writes them again, many to a statement, a tenth of each table to a transaction.
 *
 * @param array<string, string> $where condition by table, those that others point to first
 *
 * @return float how many seconds the writing takes
 */
function writtenAgain(Connection $db, array $where): float
{
    $chunks = [];
    foreach ($where as $table => $condition) {
        $binary = array_fill_keys(
            $db->fetchFirstColumn(
                <<<'SQL'
                    SELECT COLUMN_NAME
                    FROM information_schema.COLUMNS
                    WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? AND COLUMN_TYPE = 'binary(16)'
                    SQL,
                [$table],
            ),
            true,
        );
        $rows = [];
        foreach ($db->iterateAssociative("SELECT * FROM $table WHERE $condition") as $row) {
            $rows[] = array_combine(
                array_keys($row),
                array_map(
                    static fn(mixed $value, string $name): string|int|BulkId|null => isset($binary[$name])
                    && null !== $value
                        ? BulkWriter::id(Id::text((string) $value))
                        : $value,
                    $row,
                    array_keys($row),
                ),
            );
        }
        foreach ($rows as $n => $row) {
            $chunks[$table][intdiv($n * 10, count($rows))][] = $row;
        }
    }
    foreach (array_reverse($where) as $table => $condition) {
        $db->executeStatement("DELETE FROM $table WHERE $condition");
    }

    return seconds(static function () use ($db, $chunks): void {
        foreach ($chunks as $table => $tenths) {
            foreach ($tenths as $rows) {
                $db->transactional(static function () use ($db, $table, $rows): void {
                    $writer = new BulkWriter($db);
                    foreach ($rows as $row) {
                        $writer->add($table, $row);
                    }
                    $writer->flush();
                });
            }
        }
    });
}
