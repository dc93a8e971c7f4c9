<?php

declare(strict_types=1);

namespace MintDoor\Shared\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\Row;
use MintDoor\Shared\Statements;

/** How far behind the platform is. By hand: one statement, asked by whoever watches every few seconds. */
final readonly class Health
{
    use Statements;

    public function __construct(private Connection $db) {}

    /** @return Row with `scheduler`, `queue` and `mail`, seconds each, and `failed`, a number of jobs */
    public function now(): Row
    {
        return $this->row(
            <<<'SQL'
                SELECT
                    (SELECT COALESCE(TIMESTAMPDIFF(SECOND, MAX(at), UTC_TIMESTAMP()), 2147483647)
                        FROM beat
                        WHERE name = 'scheduler') AS scheduler,
                    (SELECT COALESCE(MAX(TIMESTAMPDIFF(SECOND, available_at, UTC_TIMESTAMP())), 0)
                        FROM messenger_messages
                        WHERE queue_name = 'jobs' AND delivered_at IS NULL
                            AND available_at <= UTC_TIMESTAMP()) AS queue,
                    (SELECT COUNT(*) FROM messenger_messages WHERE queue_name = 'failed') AS failed,
                    (SELECT COALESCE(MAX(TIMESTAMPDIFF(SECOND, due_at, UTC_TIMESTAMP())), 0)
                        FROM message
                        WHERE due_at <= UTC_TIMESTAMP()) AS mail
                SQL,
        )
        ?? new Row([]);
    }

    /** That something was done just now: that the scheduler is at work, that everything was compared. */
    public function beat(string $name): void
    {
        $this->execute(
            'INSERT INTO beat (name, at) VALUES (?, UTC_TIMESTAMP()) ON DUPLICATE KEY UPDATE at = VALUES(at)',
            [$name],
        );
    }

    /** When something was done last; null where it never was. */
    public function last(string $name): ?int
    {
        return $this->row('SELECT at FROM beat WHERE name = ?', [$name])?->instant('at');
    }

    protected function connection(): Connection
    {
        return $this->db;
    }
}
