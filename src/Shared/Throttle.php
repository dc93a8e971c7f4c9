<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Symfony\Component\RateLimiter\RateLimit;

/**
 * Counts in windows of fixed length. The counts live in the database and go up in one statement, so that several
 * machines share them and parallel tries cannot slip through.
 */
final readonly class Throttle
{
    private const AT_ONCE = 1_000;

    private const ADDED = ' ON DUPLICATE KEY UPDATE
        hits = IF(window_ends <= UTC_TIMESTAMP(), VALUES(hits), hits + VALUES(hits)),
        window_ends = IF(window_ends <= UTC_TIMESTAMP(), VALUES(window_ends), window_ends)';

    public function __construct(private Connection $db) {}

    public function forget(string $key): void
    {
        $this->db->executeStatement('DELETE FROM throttle WHERE id = ?', [$this->hash($key)]);
    }

    /** Whether so many were counted in the window that runs; counts nothing. */
    public function reached(string $key, int $most): bool
    {
        $hits = $this->db->fetchOne('SELECT hits FROM throttle WHERE id = ? AND window_ends > UTC_TIMESTAMP()', [
            $this->hash($key),
        ]);

        return is_numeric($hits) && (int) $hits >= $most;
    }

    /** @param int $window seconds */
    public function hit(string $key, int $most, int $window): RateLimit
    {
        $this->db->executeStatement(
            <<<'SQL'
                INSERT INTO throttle (id, hits, window_ends)
                VALUES (?, 1, UTC_TIMESTAMP() + INTERVAL ? SECOND)
                ON DUPLICATE KEY UPDATE hits = IF(window_ends <= UTC_TIMESTAMP(), 1, hits + 1),
                    window_ends = IF(window_ends <= UTC_TIMESTAMP(), UTC_TIMESTAMP() + INTERVAL ? SECOND, window_ends)
                SQL,
            [$this->hash($key), $window, $window],
        );
        $row = new Row(
            $this->db->fetchAssociative('SELECT hits, window_ends FROM throttle WHERE id = ?', [$this->hash($key)])
            ?: [],
        );
        $hits = $row->int('hits');

        return new RateLimit(
            max(0, $most - $hits),
            new \DateTimeImmutable('@'.$row->instant('window_ends')),
            $hits <= $most,
            $most,
        );
    }

    /**
     * Counts several at once, all of them or none.
     *
     * @param int $window seconds
     *
     * @return int how many are left; below 0 where there were too many, and none was counted
     */
    public function spend(string $key, int $many, int $most, int $window): int
    {
        $row = new Row(
            $this->db->fetchAssociative(
                'SELECT hits FROM throttle WHERE id = ? AND window_ends > UTC_TIMESTAMP() FOR UPDATE',
                [$this->hash($key)],
            )
            ?: [],
        );
        $left = $most - $row->int('hits') - $many;
        if ($left >= 0 && $many > 0) {
            $this->db->executeStatement(
                'INSERT INTO throttle (id, hits, window_ends)
                    VALUES (?, ?, UTC_TIMESTAMP() + INTERVAL ? SECOND)'.self::ADDED,
                [$this->hash($key), $many, $window],
            );
        }

        return $left;
    }

    /**
     * Counts for many at once; each by itself, all of its own or none.
     *
     * @param array<string, int> $keys   how many, by key
     * @param int                $most   for each
     * @param int                $window seconds
     *
     * @return array<string, true> keys for which there were too many, and nothing was counted
     */
    public function spendEach(array $keys, int $most, int $window): array
    {
        $over = [];
        foreach (array_chunk($keys, self::AT_ONCE, true) as $some) {
            $ids = array_map($this->hash(...), array_map(strval(...), array_keys($some)));
            $byId = array_combine($ids, array_keys($some));
            ksort($byId);
            $hits = [];
            foreach (
                Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT id, hits FROM throttle WHERE id IN (?) AND window_ends > UTC_TIMESTAMP()
                    ORDER BY id FOR UPDATE',
                        [array_map(strval(...), array_keys($byId))],
                        [ArrayParameterType::BINARY],
                    ),
                ) as $row
            ) {
                $hits[$row->string('id')] = $row->int('hits');
            }
            $values = [];
            foreach ($byId as $id => $key) {
                if (($hits[$id] ?? 0) + $some[$key] > $most) {
                    $over[(string) $key] = true;
                } else {
                    $values[] = \sprintf(
                        '(0x%s, %d, UTC_TIMESTAMP() + INTERVAL %d SECOND)',
                        bin2hex((string) $id),
                        $some[$key],
                        $window,
                    );
                }
            }
            if ([] !== $values) {
                $this->db->executeStatement(
                    'INSERT INTO throttle (id, hits, window_ends) VALUES '.implode(', ', $values).self::ADDED,
                );
            }
        }

        return $over;
    }

    private function hash(string $key): string
    {
        return hash('sha256', $key, true);
    }
}
