<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Doors\Entity\QuietRecord;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * People who never came, and were warned that their seat goes to another. By hand: everybody of a site is compared with
 * when they were seen.
 *
 * @extends BaseRepository<QuietRecord>
 */
final class QuietPeople extends BaseRepository
{
    protected const ENTITY = QuietRecord::class;

    /** @return list<Row> who is there by a door and was not warned yet, with `person_id` and `seen` */
    public function unwarned(string $door, int $now): array
    {
        return $this->rows(
            'SELECT w.person_id, GREATEST(COALESCE(e.last_seen_at, w.given_at), w.given_at) AS seen
             FROM access_grant w
             JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id
                AND '.Sql::holds('g')." AND g.state = 'current'
             JOIN enrollment e ON e.site_id = w.site_id AND e.person_id = w.person_id
             LEFT JOIN quiet q ON q.site_id = w.site_id AND q.person_id = w.person_id
             WHERE w.door_id = :door AND w.live = 1 AND q.person_id IS NULL",
            ['door' => Id::binary($door), 'now' => Instant::toSql($now)],
        );
    }

    /** @return list<Row> whose time is over, with `person_id`, `warned_at` and `last_seen_at` */
    public function over(string $door, int $now): array
    {
        return $this->rows(
            <<<'SQL'
                SELECT q.person_id, q.warned_at, e.last_seen_at
                FROM quiet q
                JOIN enrollment e ON e.site_id = q.site_id AND e.person_id = q.person_id
                WHERE q.door_id = ? AND q.goes_at <= ?
                SQL,
            [Id::binary($door), Instant::toSql($now)],
        );
    }

    /** Those who came since they were warned are forgotten. */
    public function forgetSeen(string $site): void
    {
        $this->execute(
            <<<'SQL'
                DELETE q
                FROM quiet q
                JOIN enrollment e ON e.site_id = q.site_id AND e.person_id = q.person_id
                WHERE q.site_id = ? AND e.last_seen_at > q.warned_at
                SQL,
            [Id::binary($site)],
        );
    }

    public function warn(string $site, string $person, string $door, int $now, int $goes): void
    {
        $this->execute(
            'INSERT IGNORE INTO quiet (site_id, person_id, door_id, warned_at, goes_at) VALUES (?, ?, ?, ?, ?)',
            [
                Id::binary($site),
                Id::binary($person),
                Id::binary($door),
                Instant::toSql($now),
                Instant::toSql($goes),
            ],
        );
    }

    public function drop(string $site, string $person): void
    {
        $this->execute('DELETE FROM quiet WHERE site_id = ? AND person_id = ?', [
            Id::binary($site),
            Id::binary($person),
        ]);
    }

    /** @return list<Row> sites whose seat somebody loses unless they come, with `title`, `time_zone` and `goes_at` */
    public function of(string $person): array
    {
        return $this->rows(
            <<<'SQL'
                SELECT q.site_id, q.goes_at, s.title, s.time_zone
                FROM quiet q
                JOIN site s ON s.id = q.site_id
                JOIN enrollment e ON e.site_id = q.site_id AND e.person_id = q.person_id
                WHERE q.person_id = ? AND (e.last_seen_at IS NULL OR e.last_seen_at <= q.warned_at)
                ORDER BY q.goes_at
                SQL,
            [Id::binary($person)],
        );
    }
}
