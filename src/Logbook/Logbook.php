<?php

declare(strict_types=1);

namespace MintDoor\Logbook;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Hall\Caller;
use MintDoor\Hall\HouseClock;
use MintDoor\Hall\Id;
use MintDoor\Hall\Ids;
use MintDoor\Logbook\Entity\LogEntry;
use Symfony\Component\HttpFoundation\RequestStack;

/** Writes what happened. The sequence of a site's entries is counted under its lock, so it is the order of events. */
final readonly class Logbook
{
    public function __construct(
        private Connection $db,
        private HouseClock $clock,
        private Ids $ids,
        private RequestStack $requests,
    ) {
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return int the sequence number of the entry
     */
    public function write(EntityManagerInterface $entities, string $siteId, Caller $actor, string $code, array $data, ?string $personId = null, ?string $lineId = null): int
    {
        $this->db->executeStatement('UPDATE site SET log_sequence = log_sequence + 1 WHERE id = ?', [Id::binary($siteId)]);
        $found = $this->db->fetchOne('SELECT log_sequence FROM site WHERE id = ?', [Id::binary($siteId)]);
        $sequence = is_numeric($found) ? (int) $found : 0;
        $entities->persist(new LogEntry(
            $this->ids->next(), $siteId, $sequence, $this->clock->instant(), $actor->id, $code, $data, $personId, $lineId,
            $this->requests->getMainRequest()?->getClientIp(),
        ));

        return $sequence;
    }

    /** Notes on an entry that a later one took it back. */
    public function undone(string $siteId, int $sequence, int $by): void
    {
        $this->db->executeStatement('UPDATE log_entry SET undone_by = ? WHERE site_id = ? AND sequence = ?', [$by, Id::binary($siteId), $sequence]);
    }
}
