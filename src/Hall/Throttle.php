<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Doctrine\DBAL\Connection;
use Symfony\Component\RateLimiter\RateLimit;

/**
 * Counts in windows of fixed length. The counts live in the database and go up in one statement, so that several machines
 * share them and parallel tries cannot slip through.
 */
final readonly class Throttle
{
    public function __construct(private Connection $db)
    {
    }

    public function forget(string $key): void
    {
        $this->db->executeStatement('DELETE FROM throttle WHERE id = ?', [$this->hash($key)]);
    }

    /** Whether so many were counted in the window that runs; counts nothing. */
    public function reached(string $key, int $most): bool
    {
        $hits = $this->db->fetchOne('SELECT hits FROM throttle WHERE id = ? AND window_ends > UTC_TIMESTAMP()', [$this->hash($key)]);

        return is_numeric($hits) && (int) $hits >= $most;
    }

    /** @param int $window seconds */
    public function hit(string $key, int $most, int $window): RateLimit
    {
        $this->db->executeStatement(
            'INSERT INTO throttle (id, hits, window_ends) VALUES (?, 1, UTC_TIMESTAMP() + INTERVAL ? SECOND)
             ON DUPLICATE KEY UPDATE hits = IF(window_ends <= UTC_TIMESTAMP(), 1, hits + 1),
                                     window_ends = IF(window_ends <= UTC_TIMESTAMP(), UTC_TIMESTAMP() + INTERVAL ? SECOND, window_ends)',
            [$this->hash($key), $window, $window],
        );
        $row = new Row($this->db->fetchAssociative('SELECT hits, window_ends FROM throttle WHERE id = ?', [$this->hash($key)]) ?: []);
        $hits = $row->int('hits');

        return new RateLimit(max(0, $most - $hits), new \DateTimeImmutable('@'.$row->instant('window_ends')), $hits <= $most, $most);
    }

    private function hash(string $key): string
    {
        return hash('sha256', $key, true);
    }
}
