<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Roster\Entity\GrantRecord;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * How many came, wait and are asked at the doors of a site. By hand: all grants of a site are counted.
 *
 * @extends BaseRepository<GrantRecord>
 */
final class DoorNumbers extends BaseRepository
{
    protected const ENTITY = GrantRecord::class;

    /** Each `SELECT door_id, COUNT(*) AS n … GROUP BY door_id`. */
    private const COUNTED = [
        'came' => 'FROM access_grant WHERE site_id = :site AND live = 1 AND accepted_at <= :now',
        'waiting' => "FROM waiter WHERE site_id = :site AND waits = 1 AND what = 'seat'",
        'asking' => "FROM waiter WHERE site_id = :site AND waits = 1 AND what = 'approval'",
        'asked' => 'FROM invitation WHERE site_id = :site AND withdrawn_at IS NULL',
        'answered' => 'FROM invitation WHERE site_id = :site AND answered_at IS NOT NULL',
    ];

    /**
     * @param list<string> $holding states in which somebody has a seat
     *
     * @return array{came: array<string, int>, through: array<string, int>, waiting: array<string, int>,
     *     asking: array<string, int>, asked: array<string, int>, answered: array<string, int>} each by door
     */
    public function of(string $site, array $holding, int $now): array
    {
        $values = ['site' => Id::binary($site), 'now' => Instant::toSql($now)];
        $counted = array_map(
            fn(string $from): array => $this->byDoor("SELECT door_id, COUNT(*) AS n $from GROUP BY door_id", $values),
            self::COUNTED,
        );
        $through = $this->byDoor(
            'SELECT w.door_id, COUNT(*) AS n
             FROM access_grant w
             JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id
                AND '.Sql::holds('g').' AND g.state IN (:holding)
             WHERE w.site_id = :site AND w.live = 1 AND w.accepted_at <= :now
             GROUP BY w.door_id',
            [...$values, 'holding' => $holding],
        );

        return [
            'came' => $counted['came'],
            'through' => $through,
            'waiting' => $counted['waiting'],
            'asking' => $counted['asking'],
            'asked' => $counted['asked'],
            'answered' => $counted['answered'],
        ];
    }

    /**
     * When those who came through a door were here by it: not before they came, and not after it was taken from them.
     *
     * @param list<string> $holding states in which somebody has a seat
     *
     * @return list<Row> how many `people` are here from `from_at` to `until_at`
     */
    public function held(string $site, string $door, array $holding, int $now): array
    {
        return $this->rows(
            <<<'SQL'
                SELECT 'current' AS state, held.from_at, held.until_at, COUNT(*) AS people
                FROM (
                    SELECT GREATEST(g.from_at, w.accepted_at) AS from_at,
                        LEAST(g.until_at, COALESCE(gone.at, g.until_at)) AS until_at
                    FROM access_grant w
                    JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id
                        AND g.state IN (:holding)
                    LEFT JOIN (
                        SELECT grant_id, MIN(from_at) AS at
                        FROM enrollment_override
                        WHERE site_id = :site AND kind IN ('withdrawn', 'undone') AND until_at > :now
                        GROUP BY grant_id
                    ) gone ON gone.grant_id = w.id
                    WHERE w.site_id = :site AND w.door_id = :door AND w.accepted_at <= :now
                ) held
                WHERE held.from_at < held.until_at AND held.from_at <= :now
                GROUP BY held.from_at, held.until_at
                SQL,
            [
                'site' => Id::binary($site),
                'door' => Id::binary($door),
                'holding' => $holding,
                'now' => Instant::toSql($now),
            ],
        );
    }

    /** @return array<string, list<int>> the instants at which people came, by door */
    public function arrivals(string $site, int $now): array
    {
        $came = [];
        foreach (
            $this->rows(
                <<<'SQL'
                    SELECT door_id, given_at
                    FROM access_grant
                    WHERE site_id = :site AND live = 1 AND accepted_at <= :now AND given_at <= :now
                    SQL,
                ['site' => Id::binary($site), 'now' => Instant::toSql($now)],
            ) as $row
        ) {
            $came[$row->id('door_id')][] = $row->instant('given_at');
        }

        return $came;
    }

    /** @return array<string, non-empty-list<int>> the instants at which open invitations lapse, by door, in order */
    public function lapsing(string $site, int $now): array
    {
        $lapsing = [];
        foreach (
            $this->rows(
                <<<'SQL'
                    SELECT door_id, lapses_at
                    FROM invitation
                    WHERE site_id = ? AND unanswered = 1 AND lapses_at > ?
                    ORDER BY lapses_at
                    SQL,
                [Id::binary($site), Instant::toSql($now)],
            ) as $row
        ) {
            $lapsing[$row->id('door_id')][] = $row->instant('lapses_at');
        }

        return $lapsing;
    }

    /**
     * @param array<string, mixed> $values
     *
     * @return array<string, int>
     */
    private function byDoor(string $sql, array $values): array
    {
        $counts = [];
        foreach ($this->rows($sql, $values) as $row) {
            $counts[$row->id('door_id')] = $row->int('n');
        }

        return $counts;
    }
}
