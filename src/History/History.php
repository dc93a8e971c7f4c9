<?php

declare(strict_types=1);

namespace MintDoor\History;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\SecurityLog;
use Symfony\Component\HttpFoundation\RequestStack;

/** Writes what happened. The sequence of a site's entries is counted under its lock, so it is the order of events. */
final readonly class History
{
    /** In place of a site, for what concerns the whole platform. */
    public const PLATFORM = Id::NONE;

    /** Codes of entries that stand in the security log, too. */
    private const SECURITY = [
        'password-reset',
        'password-wanted',
        'password-link',
        'sessions-ended',
        'person-changed',
        'person-exported',
        'person-erased',
        'merged',
        'unmerged',
        'account-closed',
        'account-opened',
        'rules-changed',
        'administrator-named',
    ];

    public function __construct(
        private Connection $db,
        private PlatformClock $clock,
        private Ids $ids,
        private RequestStack $requests,
        private SecurityLog $security,
    ) {}

    /**
     * @param non-empty-list<array{0: string, 1: array<string, mixed>, 2?: ?string, 3?: ?string}> $entries code, data,
     *     person id, line id
     *
     * @return int the sequence number of the first; the others follow
     */
    public function write(string $siteId, Caller $actor, array $entries): int
    {
        foreach ($entries as $entry) {
            \in_array($entry[0], HistoryFilter::codes(), true)
                || throw new \LogicException(\sprintf('"%s" is written and could not be looked for.', $entry[0]));
        }
        $found = $this->lastSequence($siteId, \count($entries));
        $first = (is_numeric($found) ? (int) $found : 0) - \count($entries) + 1;
        $rows = new BulkWriter($this->db);
        foreach ($entries as $index => $entry) {
            $rows->add('history_entry', [
                'id' => BulkWriter::id($this->ids->next()),
                'site_id' => BulkWriter::id($siteId),
                'sequence' => $first + $index,
                'at' => Instant::toSql($this->clock->instant()),
                'actor_id' => BulkWriter::id($actor->id),
                'code' => $entry[0],
                'data' => json_encode((object) $entry[1], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                'person_id' => BulkWriter::id($entry[2] ?? null),
                'line_id' => BulkWriter::id($entry[3] ?? null),
                'address' => $this->requests->getMainRequest()?->getClientIp(),
                'schema_version' => 1,
            ]);
        }
        $rows->flush();
        foreach (self::PLATFORM === $siteId ? $entries : [] as $entry) {
            if (\in_array($entry[0], self::SECURITY, true)) {
                $this->security->note($entry[0], $entry[2] ?? null, $actor->id);
            }
        }

        return $first;
    }

    /** The last of so many sequence numbers; the row that counts them stays locked until they are written for good. */
    private function lastSequence(string $siteId, int $count): mixed
    {
        if (self::PLATFORM === $siteId) {
            $this->db->executeStatement(
                'INSERT INTO platform_counter (id, log_sequence) VALUES (1, ?)
                    ON DUPLICATE KEY UPDATE log_sequence = log_sequence + VALUES(log_sequence)',
                [$count],
            );

            return $this->db->fetchOne('SELECT log_sequence FROM platform_counter WHERE id = 1');
        }
        // The new number comes back with the answer to the statement.
        $this->db->executeStatement(
            'UPDATE site SET log_sequence = LAST_INSERT_ID(log_sequence + ?), last_entry_at = GREATEST(last_entry_at, ?)
                WHERE id = ?',
            [$count, Instant::toSql($this->clock->instant()), Id::binary($siteId)],
        );

        return $this->db->lastInsertId();
    }

    /** Notes on an entry that a later one took it back. */
    public function undone(string $siteId, int $sequence, int $by): void
    {
        $this->db->executeStatement('UPDATE history_entry SET undone_by = ? WHERE site_id = ? AND sequence = ?', [
            $by,
            Id::binary($siteId),
            $sequence,
        ]);
    }
}
