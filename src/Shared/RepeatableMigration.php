<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Exception\DriverException;
use Doctrine\Migrations\AbstractMigration;

/**
 * A migration that may be killed at any moment and is simply run again. MariaDB cannot take back a change of a table,
 * so each statement is written down as done: one that changes rows in its own transaction, one that changes a table
 * right after it. Where that was not reached, the statement meets its own result, which is what is passed over.
 *
 * There is no way down: an upgrade is gone back on with the dump that is taken before it (`docs/deploy.md`).
 */
abstract class RepeatableMigration extends AbstractMigration
{
    /** There already (1050, 1060, 1061, 1826, 1005 with errno 121), or gone already (1051, 1054, 1091, 1146, 1176). */
    private const MET_ITSELF = [1050, 1060, 1061, 1826, 1051, 1054, 1091, 1146, 1176];

    private ?int $done = null;

    private int $step = 0;

    /** Whether the next statement may have been carried out before without being written down. */
    private bool $doubtful = true;

    final public function isTransactional(): bool
    {
        return false;
    }

    /**
     * @param array<array-key, mixed> $params
     * @param array<array-key, mixed> $types
     */
    final protected function addSql(string $sql, array $params = [], array $types = []): void
    {
        $run = fn(): mixed => $this->connection->executeStatement($sql, $params, $types);
        if (1 === preg_match('/^\s*(INSERT|UPDATE|DELETE|REPLACE)\b/i', $sql)) {
            $this->work($run);

            return;
        }
        if ($this->isDone()) {
            return;
        }
        try {
            $run();
        } catch (DriverException $thrown) {
            $itself =
                \in_array($thrown->getCode(), self::MET_ITSELF, true)
                || (1005 === $thrown->getCode() && str_contains($thrown->getMessage(), 'errno: 121'));
            if (!$this->doubtful || !$itself) {
                throw $thrown;
            }
        }
        $this->writeDown();
    }

    /**
     * Something that changes rows, done once.
     *
     * @param callable(): mixed $work
     */
    final protected function work(callable $work): void
    {
        if ($this->isDone()) {
            return;
        }
        $this->connection->transactional(function () use ($work): void {
            $work();
            $this->writeDown();
        });
    }

    private function isDone(): bool
    {
        ++$this->step;
        if (null === $this->done) {
            $this->connection->executeStatement(
                'CREATE TABLE IF NOT EXISTS migration_step (
                    version VARCHAR(191) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
                    done INT NOT NULL, PRIMARY KEY (version)
                 ) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_uca1400_ai_ci`',
            );
            $done = $this->connection->fetchOne('SELECT done FROM migration_step WHERE version = ?', [static::class]);
            $this->done = is_numeric($done) ? (int) $done : 0;
        }

        return $this->step <= $this->done;
    }

    private function writeDown(): void
    {
        $this->doubtful = false;
        $this->connection->executeStatement(
            'INSERT INTO migration_step (version, done) VALUES (?, ?) ON DUPLICATE KEY UPDATE done = VALUES(done)',
            [static::class, $this->step],
        );
    }
}
