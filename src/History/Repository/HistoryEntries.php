<?php

declare(strict_types=1);

namespace MintDoor\History\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\History\Entity\HistoryEntry;
use MintDoor\History\Happening;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Keeping;

/**
 * Entries of the history. By hand: a change list writes as many as it has lines, and one statement counts them and
 * locks the count.
 *
 * @extends BaseRepository<HistoryEntry>
 */
final class HistoryEntries extends BaseRepository implements Forgets
{
    protected const ENTITY = HistoryEntry::class;

    /**
     * @param int             $first      the sequence number of the first; the others follow
     * @param list<Happening> $happenings
     */
    public function append(
        string $site,
        int $first,
        int $at,
        string $actor,
        ?string $address,
        array $happenings,
    ): void {
        $rows = $this->bulk();
        foreach ($happenings as $index => $happening) {
            $rows->add('history_entry', [
                'id' => BulkWriter::id(self::newId()),
                'site_id' => BulkWriter::id($site),
                'sequence' => $first + $index,
                'at' => Instant::toSql($at),
                'actor_id' => BulkWriter::id($actor),
                'code' => $happening->code,
                'data' => json_encode((object) $happening->data, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                'person_id' => BulkWriter::id($happening->person),
                'line_id' => BulkWriter::id($happening->line),
                'address' => $address,
                'schema_version' => 1,
            ]);
        }
        $rows->flush();
    }

    /** The last of so many sequence numbers; the row that counts them stays locked until they are written for good. */
    public function lastOfPlatform(int $count): int
    {
        $this->execute(
            <<<'SQL'
                INSERT INTO platform_counter (id, log_sequence)
                VALUES (1, ?)
                ON DUPLICATE KEY UPDATE log_sequence = log_sequence + VALUES(log_sequence)
                SQL,
            [$count],
        );

        return $this->number('SELECT log_sequence FROM platform_counter WHERE id = 1');
    }

    /** How much was done on the platform. */
    public function doneOnPlatform(): int
    {
        return $this->number('SELECT MAX(log_sequence) FROM platform_counter WHERE id = 1');
    }

    /** The same for a site. The new number comes back with the answer to the statement. */
    public function lastOfSite(string $site, int $count, int $now): int
    {
        $this->execute(
            <<<'SQL'
                UPDATE site
                SET log_sequence = LAST_INSERT_ID(log_sequence + ?), last_entry_at = GREATEST(last_entry_at, ?)
                WHERE id = ?
                SQL,
            [$count, Instant::toSql($now), Id::binary($site)],
        );

        return (int) $this->connection()->lastInsertId();
    }

    /** As it is now, so that nobody else takes it back before the transaction ends. */
    public function locked(string $site, int $sequence): ?HistoryEntry
    {
        $entry = $this->findOneBy(['siteId' => $site, 'sequence' => $sequence]);

        return null === $entry ? null : $this->find($entry->id, LockMode::PESSIMISTIC_WRITE);
    }

    /** Notes on an entry that a later one took it back. */
    public function undone(string $site, int $sequence, int $by): void
    {
        $this->execute('UPDATE history_entry SET undone_by = ? WHERE site_id = ? AND sequence = ?', [
            $by,
            Id::binary($site),
            $sequence,
        ]);
    }

    public function forget(Keeping $keeping): void
    {
        $this->execute('UPDATE history_entry SET address = NULL WHERE at < ? AND address IS NOT NULL', [
            Instant::toSql($keeping->addressesFrom),
        ]);
    }
}
