<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/**
 * What is known of the time to come, as the forecast wants it. By hand: all people of all sites of a division are
 * looked at, by the boundaries of their segments.
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class ForecastRows extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    private const SITE = 's.id AS site_id, s.title AS site_title, s.time_zone';

    private const PERSON = "p.id AS person_id,
        CONCAT(COALESCE(p.preferred_name, p.given_name), ' ', p.family_name) AS person_name";

    /** That a site `s` is this one. */
    public static function ofSite(string $site): Fragment
    {
        return new Fragment('s.id = :site', ['site' => Id::binary($site)]);
    }

    /** That a cohort `c` is connected to a site. */
    public static function connectedTo(string $site): Fragment
    {
        return new Fragment(
            'c.id IN (
                SELECT l.cohort_id FROM cohort_link l JOIN door d ON d.id = l.door_id
                WHERE d.site_id = :of_site AND l.ended_at IS NULL
            )',
            ['of_site' => Id::binary($site)],
        );
    }

    /**
     * That what has an alias is of divisions.
     *
     * @param 's'|'c'      $alias
     * @param list<string> $divisions codes
     */
    public static function ofDivisions(string $alias, array $divisions): Fragment
    {
        return new Fragment(
            "$alias.division_id IN (SELECT id FROM division WHERE code IN (:{$alias}_divisions))",
            ["{$alias}_divisions" => $divisions ?: ['']],
        );
    }

    /**
     * That a segment `g` is of somebody, in one of some sites `s`.
     *
     * @param list<string> $sites ids
     */
    public static function ofPerson(string $person, array $sites): Fragment
    {
        return new Fragment('g.person_id = :person AND s.id IN (:sites)', [
            'person' => Id::binary($person),
            'sites' => array_map(Id::binary(...), $sites) ?: [''],
        ]);
    }

    /**
     * The segments, from now on, of those for whom something begins or ends until an instant.
     *
     * @param Fragment $where of sites `s` and segments `g`
     *
     * @return list<Row> with the columns of `SegmentRow`, `site_id`, `site_title`, `time_zone`, `person_id` and
     *     `person_name`, by site, person and time
     */
    public function changing(Fragment $where, int $now, int $until, int $most): array
    {
        return $this->rows(
            'SELECT '.self::SITE.', '.self::PERSON.", g.state, g.roles, g.sections, g.from_at, g.until_at, g.since_at,
                g.holds_seat
             FROM (
                SELECT DISTINCT g.site_id, g.person_id
                FROM site s
                JOIN enrollment_segment g ON g.site_id = s.id AND g.until_at > :now
                    AND (g.until_at <= :until OR g.from_at > :now AND g.from_at <= :until)
                WHERE s.taken_back = 0 AND $where->sql
                LIMIT $most
             ) c
             JOIN enrollment_segment g ON g.site_id = c.site_id AND g.person_id = c.person_id AND g.until_at > :now
             JOIN site s ON s.id = g.site_id
             JOIN person p ON p.id = g.person_id
             ORDER BY g.site_id, g.person_id, g.from_at",
            [...$where->values, 'now' => Instant::toSql($now), 'until' => Instant::toSql($until)],
        );
    }

    /**
     * Sites, doors and sections that open or shut until then, and invitations that lapse.
     *
     * @return list<Row> with `kind`, `at`, `name`, `door_kind` and the columns of the site
     */
    public function turning(Fragment $where, int $now, int $until, int $most): array
    {
        $door = "d.state = 'open' AND d.terms IS NOT NULL";
        $sections = 'site s JOIN section c ON c.site_id = s.id';
        $parts = [
            ['site-opens', 'site s', 's.opens_at', "''", "''", '1 = 1'],
            ['site-closes', 'site s', 's.closes_at', "''", "''", '1 = 1'],
            ['door-opens', 'site s JOIN door d ON d.site_id = s.id', 'd.from_at', 'd.name', 'd.kind', $door],
            ['door-shuts', 'site s JOIN door d ON d.site_id = s.id', 'd.until_at', 'd.name', 'd.kind', $door],
            ['section-begins', $sections, 'c.from_at', 'c.name', "''", 'c.retired = 0'],
            ['section-ends', $sections, 'c.until_at', 'c.name', "''", 'c.retired = 0'],
            [
                'invitation-lapses',
                'site s JOIN invitation i ON i.site_id = s.id JOIN door d ON d.id = i.door_id',
                'i.lapses_at',
                'd.name',
                'd.kind',
                'i.unanswered = 1',
            ],
        ];
        $selects = [];
        foreach ($parts as [$kind, $tables, $at, $name, $doorKind, $which]) {
            $selects[] = '(SELECT '.self::SITE.", '$kind' AS kind, $at AS at, CONVERT($name USING utf8mb4) AS name,
                CONVERT($doorKind USING utf8mb4) AS door_kind
             FROM $tables
             WHERE s.taken_back = 0 AND $at > :now AND $at <= :until AND $which AND $where->sql
             ORDER BY $at LIMIT $most)";
        }

        return $this->rows(
            implode(' UNION ALL ', $selects).' ORDER BY at, kind, name LIMIT '.$most,
            [...$where->values, 'now' => Instant::toSql($now), 'until' => Instant::toSql($until)],
        );
    }

    /**
     * Cohorts whose last people belong no more from an instant until then, as far as is known.
     *
     * @param Fragment $where of cohorts `c`
     *
     * @return list<Row> with `at` and `name`
     */
    public function emptied(Fragment $where, int $now, int $until): array
    {
        return $this->rows(
            "SELECT c.name, MAX(m.until_at) AS at
             FROM cohort c
             JOIN cohort_member m ON m.cohort_id = c.id AND m.until_at > :now
             WHERE c.put_away_at IS NULL AND $where->sql
             GROUP BY c.id, c.name
             HAVING MAX(m.until_at) <= :until AND MIN(m.from_at) <= :now
             ORDER BY at, c.name",
            [...$where->values, 'now' => Instant::toSql($now), 'until' => Instant::toSql($until)],
        );
    }

    /**
     * Sites with a limit of seats in which somebody waits for one.
     *
     * @return list<Row> with the columns of the site, `seats` and `division_code`
     */
    public function waitedFor(Fragment $where, int $most): array
    {
        return $this->rows(
            'SELECT '.self::SITE.", s.seats, v.code AS division_code
             FROM (SELECT DISTINCT site_id FROM waiter WHERE waits = 1 AND what = 'seat') w
             JOIN site s ON s.id = w.site_id AND s.taken_back = 0 AND s.seats IS NOT NULL
             JOIN division v ON v.id = s.division_id
             WHERE $where->sql
             ORDER BY s.title, s.id
             LIMIT $most",
            $where->values,
        );
    }

    /**
     * Dates of some sites.
     *
     * @param list<string> $sites ids
     *
     * @return array<string, Row> with the columns of the site, `opens_at` and `closes_at`, by id
     */
    public function sites(array $sites): array
    {
        $found = [];
        foreach (
            [] === $sites ? [] : $this->rows(
                'SELECT '.self::SITE.', s.opens_at, s.closes_at FROM site s WHERE s.id IN (?)',
                [array_map(Id::binary(...), $sites)],
            ) as $row
        ) {
            $found[$row->id('site_id')] = $row;
        }

        return $found;
    }
}
