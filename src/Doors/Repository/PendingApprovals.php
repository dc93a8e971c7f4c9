<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\People\PersonRow;
use MintDoor\Roster\Entity\GrantRecord;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Grants that wait for a yes of the division somebody is of. By hand: what nobody answered is found by an index over
 * all grants there are.
 *
 * @extends BaseRepository<GrantRecord>
 */
final class PendingApprovals extends BaseRepository
{
    protected const ENTITY = GrantRecord::class;

    private const MOST = 500;

    /**
     * @param ?list<string> $divisions codes; null for all
     *
     * @return list<Row> with `PersonRow::COLUMNS`, `role`, `given_at`, `until_at`, `site_id`, `title`, `time_zone`, and
     *     who asked: `by_id` and `b_` names; the oldest first
     */
    public function of(?array $divisions, int $now): array
    {
        $mine = null === $divisions ? '1' : 'pd.code IN (:divisions)';

        return $this->rows(
            'SELECT '.PersonRow::COLUMNS.",
                w.role, w.given_at, w.until_at, s.id AS site_id, s.title, s.time_zone, b.id AS by_id,
                b.given_name AS b_given_name, b.family_name AS b_family_name, b.preferred_name AS b_preferred_name
             FROM access_grant w
             JOIN door o ON o.id = w.door_id AND o.kind = 'staff'
             JOIN site s ON s.id = w.site_id AND s.taken_back = 0 AND s.closes_at > :now
             JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id
                AND ".Sql::holds('g')." AND g.state = 'waiting'
             JOIN person p ON p.id = w.person_id AND p.gone IS NULL
             JOIN division pd ON pd.id = p.division_id
             LEFT JOIN account a ON a.person_id = p.id
             LEFT JOIN person b ON b.id = w.given_by
             WHERE ".Enrollments::UNANSWERED." AND $mine
             ORDER BY w.given_at, w.id
             LIMIT ".self::MOST,
            [
                'now' => Instant::toSql($now),
                ...null === $divisions ? [] : ['divisions' => $divisions ?: ['']],
            ],
        );
    }
}
