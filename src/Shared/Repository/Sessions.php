<?php

declare(strict_types=1);

namespace MintDoor\Shared\Repository;

use Doctrine\DBAL\ParameterType;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Entity\SessionRecord;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Id;
use MintDoor\Shared\Keeping;

/**
 * Where people are signed in. By hand: read at every request, and the time is the database's, the same for all
 * machines.
 *
 * @extends BaseRepository<SessionRecord>
 */
final class Sessions extends BaseRepository implements Forgets
{
    protected const ENTITY = SessionRecord::class;

    /** Bytes of what a session is kept under that name it to its owner; they open nothing. */
    public const NAMED = 16;

    /** @param int $lasts seconds without a request after which it is over */
    public function running(string $hash, int $lasts): ?SessionRecord
    {
        return $this->read(
            'id = ? AND touched_at > UTC_TIMESTAMP() - INTERVAL ? SECOND AND ends_at > UTC_TIMESTAMP()',
            [$hash, $lasts],
        )[0] ?? null;
    }

    /** @return list<SessionRecord> the one used last first */
    public function ofPerson(string $person, int $lasts): array
    {
        return $this->read(
            'person_id = ? AND ends_at > UTC_TIMESTAMP() AND touched_at > UTC_TIMESTAMP() - INTERVAL ? SECOND
             ORDER BY touched_at DESC LIMIT 100',
            [Id::binary($person), $lasts],
        );
    }

    public function countOf(string $person): int
    {
        return $this->count(['personId' => $person]);
    }

    /**
     * Writes a session, or its new data.
     *
     * @param ?string $begun   as the database has it; null for one that begins now
     * @param int     $longest seconds after which it is over in any case
     */
    public function write(
        string $hash,
        string $person,
        string $data,
        ?string $begun,
        int $longest,
        ?string $address,
        string $device,
    ): void {
        $this->connection()->executeStatement(
            <<<'SQL'
                INSERT INTO session (id, person_id, data, touched_at, made_at, ends_at, address, device)
                VALUES (:id, :person, :data, UTC_TIMESTAMP(), COALESCE(:begun, UTC_TIMESTAMP()),
                    COALESCE(:begun, UTC_TIMESTAMP()) + INTERVAL :longest SECOND, :address, :device)
                ON DUPLICATE KEY UPDATE person_id = VALUES(person_id), data = VALUES(data),
                    touched_at = VALUES(touched_at), ends_at = VALUES(ends_at)
                SQL,
            [
                'id' => $hash,
                'person' => Id::binary($person),
                'data' => $data,
                'begun' => $begun,
                'longest' => $longest,
                'address' => $address,
                'device' => $device,
            ],
            ['id' => ParameterType::BINARY, 'person' => ParameterType::BINARY, 'data' => ParameterType::LARGE_OBJECT],
        );
    }

    public function touch(string $hash): void
    {
        $this->execute('UPDATE session SET touched_at = UTC_TIMESTAMP() WHERE id = ?', [$hash]);
    }

    /** Has somebody's sessions go on under another id at their next request. */
    public function renewOf(string $person): void
    {
        $this->execute('UPDATE session SET renew = 1 WHERE person_id = ?', [Id::binary($person)]);
    }

    public function end(string $hash): void
    {
        $this->execute('DELETE FROM session WHERE id = ?', [$hash]);
    }

    /** @return int how many were ended */
    public function endAllOf(string $person, string $butHash = ''): int
    {
        return $this->execute('DELETE FROM session WHERE person_id = ? AND id <> ?', [Id::binary($person), $butHash]);
    }

    /**
     * @param string $name the first `NAMED` bytes of what it is kept under
     *
     * @return bool whether there was one
     */
    public function endNamed(string $person, string $name): bool
    {
        $sql = 'DELETE FROM session WHERE person_id = ? AND SUBSTRING(id, 1, '.self::NAMED.') = ?';

        return 1 === $this->execute($sql, [Id::binary($person), $name]);
    }

    /** @param int $lasts seconds without a request after which it is over */
    public function endOld(int $lasts): int
    {
        return $this->execute(
            'DELETE FROM session WHERE touched_at < UTC_TIMESTAMP() - INTERVAL ? SECOND OR ends_at < UTC_TIMESTAMP()',
            [$lasts],
        );
    }

    public function forget(Keeping $keeping): void
    {
        $this->endOld($keeping->sessionsLast);
    }

    /**
     * @param list<string|int> $values
     *
     * @return list<SessionRecord>
     */
    private function read(string $where, array $values): array
    {
        $sessions = [];
        $columns = 'id, person_id, data, touched_at, made_at, ends_at, address, device, renew';
        foreach ($this->rows("SELECT $columns FROM session WHERE $where", $values) as $row) {
            $sessions[] = new SessionRecord(
                $row->string('id'),
                $row->idOrNull('person_id'),
                $row->string('data'),
                $row->instant('touched_at'),
                $row->instant('made_at'),
                $row->instant('ends_at'),
                $row->stringOrNull('address'),
                $row->string('device'),
                $row->bool('renew'),
            );
        }

        return $sessions;
    }
}
