<?php

declare(strict_types=1);

namespace MintDoor\Shared\Repository;

use Doctrine\DBAL\ParameterType;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Entity\SecurityEntry;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Keeping;
use MintDoor\Shared\Row;

/**
 * The lines of the security log and the end of their chain. By hand: appended under a lock of the chain, many at a
 * time, and read from the first to the last to be verified.
 *
 * @extends BaseRepository<SecurityEntry>
 */
final class SecurityEntries extends BaseRepository implements Forgets
{
    protected const ENTITY = SecurityEntry::class;

    /** @return ?Row with `entries` and `sealed`; null before the first line */
    public function end(bool $locked): ?Row
    {
        return $this->row('SELECT entries, sealed FROM security_chain WHERE id = 1'.($locked ? ' FOR UPDATE' : ''));
    }

    /** @param list<array<string, string|int|\MintDoor\Shared\BulkId|null>> $lines columns of each */
    public function append(array $lines): void
    {
        $rows = $this->bulk();
        foreach ($lines as $line) {
            $rows->add('security_entry', $line);
        }
        $rows->flush();
    }

    public function setEnd(int $entries, string $sealed): void
    {
        $this->connection()->executeStatement(
            <<<'SQL'
                INSERT INTO security_chain (id, entries, sealed)
                VALUES (1, ?, ?)
                ON DUPLICATE KEY UPDATE entries = VALUES(entries), sealed = VALUES(sealed)
                SQL,
            [$entries, $sealed],
            [ParameterType::INTEGER, ParameterType::BINARY],
        );
    }

    /** Writes the end anew, unless lines were added meanwhile. */
    public function resetEnd(int $entries, string $sealed): void
    {
        $this->connection()->executeStatement(
            'UPDATE security_chain SET sealed = ? WHERE id = 1 AND entries = ?',
            [$sealed, $entries],
            [ParameterType::BINARY],
        );
    }

    /** @return \Traversable<int, Row> all of them, the first one first */
    public function each(): \Traversable
    {
        return $this->eachRow('SELECT * FROM security_entry ORDER BY sequence');
    }

    /** Runs something as one, where no transaction is running. */
    public function atOnce(\Closure $work): void
    {
        $this->connection()->transactional(static fn(): mixed => $work());
    }

    public function forget(Keeping $keeping): void
    {
        $this->execute('UPDATE security_entry SET address = NULL WHERE at < ? AND address IS NOT NULL', [
            Instant::toSql($keeping->addressesFrom),
        ]);
    }
}
