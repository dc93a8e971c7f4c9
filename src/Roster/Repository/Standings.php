<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Repository\RuleBooks;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Sites\SiteRow;

/**
 * What people are in sites, as their segments have it. By hand: the site of a request and the caller's standing in it
 * are one statement of every request in a site (`bin/bench`: first roster page, let one in).
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class Standings extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    private const SEGMENT = 'g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, g.sections';

    private const CURRENT_IN_ROLES = "own.state = 'current' AND own.role IN (:roles)";

    /**
     * @return ?Row with `SiteRow::COLUMNS`, a segment where they have one, `RuleBooks::HOLDING`, and `Counts::SHOWN`
     *     where it is known
     */
    public function at(string $site, string $person, int $now): ?Row
    {
        return $this->row(
            'SELECT '.SiteRow::COLUMNS.', '.self::SEGMENT.', '.RuleBooks::HOLDING.', '.Counts::SHOWN.'
             FROM '.SiteRow::TABLES.'
             '.Counts::BESIDE.'
             LEFT JOIN enrollment_segment g ON g.site_id = s.id AND g.person_id = :person AND '.Sql::holds('g').'
             WHERE s.id = :site AND s.taken_back = 0',
            ['site' => Id::binary($site), 'person' => Id::binary($person), 'now' => Instant::toSql($now)],
        );
    }

    /**
     * Every stretch of somebody in every site of theirs.
     *
     * @param list<string> $roles of those who run a site
     *
     * @return list<Row> with `SiteRow::COLUMNS`, a segment, and `runs`: whether the caller is there in one of the roles
     *     now; the last term first
     */
    public function everywhere(string $person, string $caller, array $roles, RoleBook $book, int $now): array
    {
        $seen = Seen::between($book, 'same');

        return $this->rows(
            'SELECT '.SiteRow::COLUMNS.', '.self::SEGMENT.',
                EXISTS (
                    SELECT 1
                    FROM enrollment_segment own
                    JOIN enrollment_segment same ON same.site_id = own.site_id AND same.person_id = :person
                        AND '.Sql::holds('same').'
                    WHERE own.site_id = s.id AND own.person_id = :caller
                        AND '.Sql::holds('own').' AND '.self::CURRENT_IN_ROLES." AND $seen->sql".'
                ) AS runs
             FROM '.SiteRow::TABLES.'
             JOIN enrollment_segment g ON g.site_id = s.id
             WHERE g.person_id = :person AND s.taken_back = 0
             ORDER BY t.starts_on DESC, s.title, s.id, g.from_at',
            [
                ...$seen->values,
                'caller' => Id::binary($caller),
                'now' => Instant::toSql($now),
                'roles' => $roles ?: [''],
                'person' => Id::binary($person),
            ],
        );
    }

    /** @return list<Row> somebody's segments that are not over, with `site_id`, in order */
    public function toCome(string $person, int $now): array
    {
        return $this->rows(
            <<<'SQL'
                SELECT site_id, state, roles, from_at, until_at, since_at, holds_seat, sections
                FROM enrollment_segment
                WHERE person_id = ? AND until_at > ?
                ORDER BY from_at
                SQL,
            [Id::binary($person), Instant::toSql($now)],
        );
    }

    /**
     * @param list<string> $roles
     *
     * @return list<string> codes of the divisions of sites somebody is in now, in one of the roles
     */
    public function divisionsOf(string $person, array $roles, int $now): array
    {
        $rows = $this->rows(
            'SELECT DISTINCT d.code
             FROM enrollment_segment own
             JOIN site s ON s.id = own.site_id
             JOIN division d ON d.id = s.division_id
             WHERE own.person_id = :person AND '.Sql::holds('own').' AND '.self::CURRENT_IN_ROLES,
            ['person' => Id::binary($person), 'now' => Instant::toSql($now), 'roles' => $roles ?: ['']],
        );

        return array_map(static fn(Row $row): string => $row->string('code'), $rows);
    }

    /**
     * @param non-empty-list<string> $people ids
     * @param Fragment               $seen   about a segment `unseen`
     *
     * @return list<string> ids of those of them who are not seen in a site
     */
    public function notSeen(string $site, array $people, Fragment $seen, int $now): array
    {
        $rows = $this->rows(
            'SELECT unseen.person_id
             FROM enrollment_segment unseen
             WHERE unseen.site_id = :site AND unseen.person_id IN (:people) AND '.Sql::holds('unseen')."
                AND NOT $seen->sql",
            [
                ...$seen->values,
                'site' => Id::binary($site),
                'people' => self::binary($people),
                'now' => Instant::toSql($now),
            ],
        );

        return array_map(static fn(Row $row): string => $row->id('person_id'), $rows);
    }

    /**
     * @param Fragment $seen about a segment `g`
     *
     * @return list<string> ids of everybody who is or was in a site and is seen there
     */
    public function seen(string $site, Fragment $seen, int $now): array
    {
        $rows = $this->rows(
            'SELECT g.person_id
             FROM enrollment_segment g
             WHERE g.site_id = :site AND '.Sql::holds('g')." AND $seen->sql",
            [...$seen->values, 'site' => Id::binary($site), 'now' => Instant::toSql($now)],
        );

        return array_map(static fn(Row $row): string => $row->id('person_id'), $rows);
    }

    /** @return list<Row> open sites that somebody leads now, with `id` and `title`, by title */
    public function ledBy(string $person, int $now): array
    {
        return $this->rows(
            'SELECT s.id, s.title
             FROM enrollment_segment g
             JOIN site s ON s.id = g.site_id
             WHERE g.person_id = :person AND g.leads = 1 AND '.Sql::holds('g').'
                AND s.opens_at <= :now AND s.closes_at > :now
             ORDER BY s.title',
            ['person' => Id::binary($person), 'now' => Instant::toSql($now)],
        );
    }

    /**
     * Everything two were and are in sites.
     *
     * @param list<string> $people ids
     *
     * @return list<Row> with `SiteRow::COLUMNS`, `person_id` and a segment, by title
     */
    public function ofPeople(array $people): array
    {
        return $this->rows(
            'SELECT '.SiteRow::COLUMNS.', g.person_id, '.self::SEGMENT.'
             FROM enrollment_segment g
             JOIN site s ON s.id = g.site_id
             JOIN division d ON d.id = s.division_id
             LEFT JOIN term t ON t.id = s.term_id
             WHERE g.person_id IN (:people) AND s.taken_back = 0
             ORDER BY s.title, s.id, g.from_at',
            ['people' => self::binary($people)],
        );
    }

    /**
     * Sites that are not closed in which somebody is in one of the roles, and others are too.
     *
     * @param non-empty-list<string> $people ids
     * @param list<string>           $roles
     *
     * @return list<Row> with `SiteRow::COLUMNS`, `person_id` and `own_leads`
     */
    public function shared(array $people, string $caller, array $roles, RoleBook $book, int $now): array
    {
        $seen = Seen::between($book);

        return $this->rows(
            'SELECT g.person_id, own.leads AS own_leads, '.SiteRow::COLUMNS.'
             FROM enrollment_segment g
             JOIN enrollment_segment own ON own.site_id = g.site_id AND own.person_id = :caller
                AND '.Sql::holds('own').' AND '.self::CURRENT_IN_ROLES.'
             JOIN site s ON s.id = g.site_id AND s.taken_back = 0 AND s.closes_at > :now
             JOIN division d ON d.id = s.division_id
             LEFT JOIN term t ON t.id = s.term_id
             WHERE g.person_id IN (:people) AND '.Sql::holds('g')." AND g.state IN ('current', 'paused')
                AND $seen->sql",
            [
                ...$seen->values,
                'caller' => Id::binary($caller),
                'now' => Instant::toSql($now),
                'roles' => $roles ?: [''],
                'people' => array_map(Id::binary(...), $people),
            ],
        );
    }

    /** Whether both are in some site now. */
    public function shareSite(string $person, string $other, RoleBook $book, int $now): bool
    {
        $seen = Seen::between($book);

        return null !== $this->row(
            'SELECT 1
             FROM enrollment_segment g
             JOIN enrollment_segment own ON own.site_id = g.site_id AND own.person_id = :other
                AND '.Sql::holds('own')." AND own.state = 'current'
             WHERE g.person_id = :person AND ".Sql::holds('g')." AND g.state IN ('current', 'paused') AND $seen->sql
             LIMIT 1",
            [...$seen->values, 'person' => Id::binary($person), 'other' => Id::binary($other), 'now' => Instant::toSql(
                $now
            )],
        );
    }

    /** @return list<string> names of the leads who are there now, by sort name */
    public function namesOfLeads(string $site, int $now): array
    {
        $rows = $this->rows(
            "SELECT p.given_name, p.family_name, p.preferred_name
             FROM enrollment_segment g
             JOIN person p ON p.id = g.person_id
             WHERE g.site_id = :site AND g.leads = 1 AND g.state = 'current' AND ".Sql::holds('g').'
             ORDER BY g.sort_name',
            ['site' => Id::binary($site), 'now' => Instant::toSql($now)],
        );

        return array_map(static fn(Row $row): string => PersonRow::name($row), $rows);
    }

    /** How many have a seat of a site now. */
    public function holdingSeats(string $site, int $now): int
    {
        return $this->number(
            'SELECT COUNT(*) FROM enrollment_segment g WHERE site_id = :site AND holds_seat = 1 AND '.Sql::holds('g'),
            ['site' => Id::binary($site), 'now' => Instant::toSql($now)],
        );
    }

    /** @return list<string> by what those are sorted who lead a site now or will */
    public function sortNamesOfLeads(string $site, int $now, int $most): array
    {
        $rows = $this->rows(
            "SELECT sort_name FROM enrollment_segment WHERE site_id = ? AND leads = 1 AND until_at > ? LIMIT $most",
            [Id::binary($site), Instant::toSql($now)],
        );

        return array_map(static fn(Row $row): string => $row->string('sort_name'), $rows);
    }

    /**
     * Everybody whose state or role differs between two instants.
     *
     * @return list<Row> with `person_id`, `sort_name`, and `state` and `role` at each, as `_a` and `_b`
     */
    public function between(string $site, int $from, int $until): array
    {
        $at = static fn(string $instant): string => '
            SELECT person_id, state, role
            FROM enrollment_segment g
            WHERE site_id = :site AND '.Sql::holds('g', $instant);

        return $this->rows(
            'SELECT every.person_id, every.sort_name, a.state AS state_a, a.role AS role_a, b.state AS state_b,
                b.role AS role_b
             FROM (SELECT DISTINCT person_id, sort_name FROM enrollment_segment WHERE site_id = :site) every
             LEFT JOIN ('.$at(':from').') a ON a.person_id = every.person_id
             LEFT JOIN ('.$at(':until').') b ON b.person_id = every.person_id
             WHERE NOT (a.state <=> b.state AND a.role <=> b.role)
             ORDER BY every.sort_name, every.person_id',
            ['site' => Id::binary($site), 'from' => Instant::toSql($from), 'until' => Instant::toSql($until)],
        );
    }

    /**
     * Those of a site in some roles and states, as a file lists them.
     *
     * @param list<string> $states
     * @param list<string> $roles
     *
     * @return \Traversable<int, Row> with `person_id`, `sort_name`, `state`, `role`, `since_at`, `last_seen_at`,
     *     `number`, `level` and `division`, by name
     */
    public function listed(
        string $site,
        array $states,
        array $roles,
        int $now,
        Fragment $seen = new Fragment('1 = 1', []),
    ): \Traversable {
        return $this->eachRow(
            'SELECT g.person_id, g.sort_name, g.state, g.role, g.since_at, e.last_seen_at, p.number, p.level,
                pd.code AS division
             FROM enrollment_segment g FORCE INDEX (by_name)
             STRAIGHT_JOIN enrollment e ON e.site_id = g.site_id AND e.person_id = g.person_id
             STRAIGHT_JOIN person p ON p.id = g.person_id
             STRAIGHT_JOIN division pd ON pd.id = p.division_id
             WHERE g.site_id = :site AND '.Sql::holds('g').' AND g.state IN (:states) AND g.role IN (:roles)
                AND '.$seen->sql.'
             ORDER BY g.sort_name, g.person_id',
            [
                ...$seen->values,
                'site' => Id::binary($site),
                'now' => Instant::toSql($now),
                'states' => $states,
                'roles' => $roles ?: [''],
            ],
        );
    }
}
