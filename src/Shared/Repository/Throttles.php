<?php

declare(strict_types=1);

namespace MintDoor\Shared\Repository;

use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Entity\ThrottleRecord;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Keeping;

/**
 * Counts in windows of fixed length, by the hash of what is counted. By hand: they go up in one statement, so that
 * several machines share them and parallel tries cannot slip through.
 *
 * @extends BaseRepository<ThrottleRecord>
 */
final class Throttles extends BaseRepository implements Forgets
{
    protected const ENTITY = ThrottleRecord::class;

    private const ADDED = <<<'SQL'
        ON DUPLICATE KEY UPDATE
            hits = IF(window_ends <= UTC_TIMESTAMP(), VALUES(hits), hits + VALUES(hits)),
            window_ends = IF(window_ends <= UTC_TIMESTAMP(), VALUES(window_ends), window_ends)
        SQL;

    /** Of the window that runs. */
    public function hits(string $hash): int
    {
        return $this->number('SELECT hits FROM throttle WHERE id = ? AND window_ends > UTC_TIMESTAMP()', [$hash]);
    }

    /**
     * Those of the windows that run, locked until the transaction ends.
     *
     * @param non-empty-list<string> $hashes sorted
     *
     * @return array<array-key, int> by hash
     */
    public function locked(array $hashes): array
    {
        $hits = [];
        $sql = 'SELECT id, hits FROM throttle WHERE id IN (?) AND window_ends > UTC_TIMESTAMP() ORDER BY id FOR UPDATE';
        foreach ($this->rows($sql, [$hashes]) as $row) {
            $hits[$row->string('id')] = $row->int('hits');
        }

        return $hits;
    }

    /**
     * Counts one, and says how many there are and when their window ends.
     *
     * @param int $window seconds
     */
    public function hit(string $hash, int $window): ThrottleRecord
    {
        $this->addAll([$hash => 1], $window);
        $row = $this->row('SELECT hits, window_ends FROM throttle WHERE id = ?', [$hash]);

        return new ThrottleRecord($hash, $row?->int('hits') ?? 0, $row?->instant('window_ends') ?? 0);
    }

    /**
     * @param non-empty-array<array-key, int> $hits   how many more, by hash
     * @param int                             $window seconds
     */
    public function addAll(array $hits, int $window): void
    {
        $values = [];
        foreach ($hits as $hash => $many) {
            $id = bin2hex((string) $hash);
            $values[] = \sprintf('(0x%s, %d, UTC_TIMESTAMP() + INTERVAL %d SECOND)', $id, $many, $window);
        }
        $this->execute('INSERT INTO throttle (id, hits, window_ends) VALUES '.implode(', ', $values).' '.self::ADDED);
    }

    public function drop(string $hash): void
    {
        $this->execute('DELETE FROM throttle WHERE id = ?', [$hash]);
    }

    public function forget(Keeping $keeping): void
    {
        $this->execute('DELETE FROM throttle WHERE window_ends < UTC_TIMESTAMP()');
    }
}
