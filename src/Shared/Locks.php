<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Connection;
use Symfony\Contracts\Service\ResetInterface;

/**
 * What the running transaction has locked, always in one order: sites by id, then people by id. Whoever changes a
 * person has them alone; whoever enrolls them shares them with others who do, so that nobody is renamed, merged or
 * erased meanwhile. What is read before a lock may be over by then: read after it.
 */
final class Locks implements ResetInterface
{
    private bool $running = false;

    /** @var array<string, true> by id */
    private array $sites = [];

    /** @var array<string, bool> by id, whether alone */
    private array $people = [];

    public function __construct(private readonly Connection $db) {}

    /**
     * Begins a transaction's locks. The lock of a site is an update, so that a cluster's certification, too, sees two
     * changes of one site conflict.
     *
     * @param list<string> $sites ids
     * @param ?int         $still what time it is, where the clock stands still
     *
     * @return ?int what time it is for what follows: the database's, or the last entry's of a site where that is later;
     *              null where no site was locked
     */
    public function begin(array $sites, ?int $still): ?int
    {
        $this->reset();
        $this->running = true;
        $ids = array_map(Id::binary(...), $sites);
        sort($ids);
        $now = null;
        foreach ($ids as $id) {
            // The time comes back with the answer to the statement.
            $locked = $this->db->executeStatement(
                'UPDATE site SET roster_version = roster_version + 1
                    + 0 * LAST_INSERT_ID(GREATEST(
                        COALESCE(?, UNIX_TIMESTAMP()), COALESCE(UNIX_TIMESTAMP(last_entry_at), 0)))
                 WHERE id = ?',
                [$still, $id],
            );
            $now = 1 === (int) $locked ? max($now ?? 0, (int) $this->db->lastInsertId()) : $now;
        }
        $this->sites = array_fill_keys(array_map(strtolower(...), $sites), true);

        return $now;
    }

    /** Whether the running transaction holds the lock of a site. */
    public function holds(string $site): bool
    {
        return isset($this->sites[strtolower($site)]);
    }

    /** A site that the running transaction made is nobody else's before it ends. */
    public function made(string $site): void
    {
        $this->sites[strtolower($site)] = true;
    }

    /**
     * Locks people until the transaction ends. Outside of one, where nothing is changed, it does nothing.
     *
     * @param list<string> $people ids
     * @param bool         $alone  for a change of them
     */
    public function people(array $people, bool $alone = false): void
    {
        if (!$this->running) {
            return;
        }
        $missing = array_filter(
            array_unique(array_map(strtolower(...), $people)),
            fn(string $id): bool => !\array_key_exists($id, $this->people) || ($alone && !$this->people[$id]),
        );
        if ([] === $missing) {
            return;
        }
        sort($missing);
        foreach (array_chunk($missing, 500) as $some) {
            $ids = implode(', ', array_map(static fn(string $id): string => '0x'.bin2hex(Id::binary($id)), $some));
            $this->db->fetchFirstColumn(
                "SELECT id FROM person FORCE INDEX (PRIMARY) WHERE id IN ($ids) ORDER BY id "
                    .($alone ? 'FOR UPDATE' : 'LOCK IN SHARE MODE'),
            );
        }
        $this->people = array_fill_keys($missing, $alone) + $this->people;
    }

    /**
     * That the roster of a site may be written to for these people.
     *
     * @param list<string> $people ids
     *
     * @throws LookAgain where the site could be seen only now
     */
    public function assertHeld(string $site, array $people): void
    {
        if (!$this->running) {
            return;
        }
        if (!isset($this->sites[strtolower($site)])) {
            throw new LookAgain('A site is changed that was not locked.');
        }
        if ([] !== array_diff_key(array_flip($people), $this->people)) {
            throw new \LogicException('Somebody is enrolled who was not locked.');
        }
    }

    public function reset(): void
    {
        $this->running = false;
        $this->sites = $this->people = [];
    }
}
