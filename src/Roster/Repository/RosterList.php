<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Core\Roster\DoorKind;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Roster\RosterCriteria;
use MintDoor\Roster\RosterPlace;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Shared\Where;

/**
 * Who is in a site: filtered, sorted and paged in the database. By hand: the page is picked from a covering index
 * first, which the ORM cannot say, and has a bound (`bin/bench`: first roster page).
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class RosterList extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    private const NONE = 'none-';

    private const IN_GROUP = 'g.person_id IN (SELECT gl.person_id FROM group_place gl WHERE gl.group_id = :group
        AND gl.live = 1)';

    /** Learners whom a way of dividing people is about, also one of a section. */
    private const IN_NO_GROUP = <<<'SQL'
        g.holds_seat = 1
        AND EXISTS (
            SELECT 1 FROM group_split gs
            WHERE gs.id = :split AND gs.site_id = g.site_id
                AND (gs.section_id IS NULL OR g.sections LIKE CONCAT('%', CAST(gs.section_id AS UUID), '%'))
        )
        AND g.person_id NOT IN (
            SELECT gl.person_id FROM group_place gl JOIN site_group go ON go.id = gl.group_id AND go.gone = 0
            WHERE gl.split_id = :split AND gl.live = 1
        )
        SQL;

    /** What a condition or a sort may look at beside the segment itself. */
    private const JOINS = [
        'p' => ' JOIN person p ON p.id = g.person_id',
        'pd' => ' JOIN division pd ON pd.id = p.division_id',
        'e' => ' JOIN enrollment e ON e.site_id = g.site_id AND e.person_id = g.person_id',
    ];

    /** What each sort looks at; a missing value sorts lowest. */
    private const SORT = [
        'name' => 'g.sort_name',
        'kind' => 'p.kind',
        'level' => 'COALESCE(p.level, 0)',
        'division' => 'pd.name',
        // A place in the list would tell a number, so that only those count that are shown.
        'number' => "IF(pd.code IN (:divisions), COALESCE(p.number, ''), '')",
        'role' => '(1000 - g.rank)',
        // Who is in none comes first.
        'section' => 'FIELD(LEFT(g.sections, 36), :sections)',
        'state' => "FIELD(g.state, 'current', 'paused', 'upcoming', 'waiting', 'blocked', 'ended', 'removed')",
        'since' => 'g.since_at',
        'seen' => "COALESCE(e.last_seen_at, '1000-01-01')",
    ];

    /** A condition that is about one of the grants by which somebody is in a site, the last of its door. */
    private const BY_GRANT = <<<'SQL'
        EXISTS (
            SELECT 1
            FROM access_grant x
            JOIN door xd ON xd.id = x.door_id
            WHERE x.site_id = g.site_id AND x.person_id = g.person_id AND x.live = 1 AND %s
        )
        SQL;

    /**
     * @return list<Row> with `PersonRow::COLUMNS`, a segment, `listed`, `last_seen_at`, `version`, `sort_value`, and
     *     `divided`: whether anybody of the site could be in a group
     */
    public function page(RosterCriteria $criteria, RosterPlace $place): array
    {
        $sort = self::SORT[$place->by];
        $order = $place->down ? 'DESC' : 'ASC';
        $byName = 'name' === $place->by;
        $which = self::where($criteria)->after(
            [$sort => $order, 'g.sort_name' => $order, 'g.person_id' => $order],
            $place->after,
        );
        $where = $which->sql();
        if ('number' === $place->by) {
            $which->values['divisions'] = $criteria->divisions ?: [''];
        }
        if ('section' === $place->by) {
            $which->values['sections'] = $criteria->sections ?: [''];
        }

        $limit = 'LIMIT '.($place->limit + 1);
        // Names are in the order of the index, which is followed as far as the page goes; else it is picked first.
        [$from, $value, $end] = $byName
            ? [
                'enrollment_segment g FORCE INDEX (by_name)',
                $sort,
                "WHERE $where ORDER BY g.sort_name $order, g.person_id $order $limit",
            ]
            : [
                "(
                    SELECT g.site_id, g.person_id, g.from_at, g.sort_name, $sort AS sort_value
                    FROM enrollment_segment g".self::joins("$where $sort")."
                    WHERE $where
                    ORDER BY sort_value $order, g.sort_name $order, g.person_id $order
                    $limit
                ) page
                STRAIGHT_JOIN enrollment_segment g ON g.site_id = page.site_id AND g.person_id = page.person_id
                    AND g.from_at = page.from_at",
                'page.sort_value',
                "ORDER BY page.sort_value $order, page.sort_name $order, page.person_id $order",
            ];

        return $this->rows(
            'SELECT '.PersonRow::COLUMNS.",
                g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, g.sections, g.listed,
                e.last_seen_at, e.version, $value AS sort_value,
                EXISTS (SELECT 1 FROM group_split x WHERE x.site_id = :site AND x.put_away_at IS NULL) AS divided
             FROM $from
             STRAIGHT_JOIN person p ON p.id = g.person_id
             STRAIGHT_JOIN division pd FORCE INDEX (PRIMARY) ON pd.id = p.division_id
             STRAIGHT_JOIN enrollment e ON e.site_id = g.site_id AND e.person_id = g.person_id
             LEFT JOIN account a ON a.person_id = p.id
             $end",
            $which->values,
        );
    }

    public function many(RosterCriteria $criteria): int
    {
        $which = self::where($criteria);
        $where = $which->sql();

        return $this->number(
            'SELECT COUNT(*) FROM enrollment_segment g'.self::joins($where)." WHERE $where",
            $which->values,
        );
    }

    /**
     * Those who wait for a yes of their division.
     *
     * @param list<string> $people ids
     *
     * @return array<string, true> by person
     */
    public function asked(string $site, array $people, int $at): array
    {
        $asked = [];
        foreach (
            [] === $people
                ? []
                : $this->rows(
                    "SELECT w.person_id
                     FROM access_grant w
                     JOIN door d ON d.id = w.door_id AND d.kind = 'staff'
                     WHERE w.site_id = :site AND w.person_id IN (:people) AND w.given_at <= :now
                        AND ".Enrollments::UNANSWERED,
                    [
                        'site' => Id::binary($site),
                        'people' => array_map(Id::binary(...), $people),
                        'now' => Instant::toSql($at),
                    ],
                ) as $row
        ) {
            $asked[$row->id('person_id')] = true;
        }

        return $asked;
    }

    /**
     * The groups people are in, of the ways of dividing them that are not put away.
     *
     * @param list<string> $people ids
     *
     * @return array<string, list<string>> names by person
     */
    public function groups(string $site, array $people): array
    {
        $groups = [];
        foreach (
            [] === $people
                ? []
                : $this->rows(
                    'SELECT l.person_id, o.name
                     FROM group_split s
                     STRAIGHT_JOIN group_place l ON l.split_id = s.id AND l.live = 1
                        AND l.person_id IN ('.Sql::ids($people).')
                     JOIN site_group o ON o.id = l.group_id AND o.gone = 0
                     WHERE s.site_id = ? AND s.put_away_at IS NULL
                     ORDER BY s.place, s.id',
                    [Id::binary($site)],
                ) as $row
        ) {
            $groups[$row->id('person_id')][] = $row->string('name');
        }

        return $groups;
    }

    /** @return ?string name of a group of a site, of a way of dividing people that is not put away */
    public function group(string $site, string $id): ?string
    {
        $rows = $this->rows(
            'SELECT o.name FROM site_group o
             JOIN group_split s ON s.id = o.split_id AND s.put_away_at IS NULL
             WHERE o.id = ? AND o.gone = 0 AND s.site_id = ?',
            [Id::binary($id), Id::binary($site)],
        );

        return ($rows[0] ?? null)?->string('name');
    }

    private static function where(RosterCriteria $criteria): Where
    {
        $where = (new Where())
            ->and('g.site_id = :site', ['site' => Id::binary($criteria->site)])
            ->and(Sql::holds('g'), ['now' => Instant::toSql($criteria->at)])
            ->and('g.state IN (:states)', ['states' => $criteria->states]);
        if ($criteria->listed) {
            $where->and('g.listed = 1');
        }
        if (null !== $criteria->seen) {
            $where->and($criteria->seen->sql, $criteria->seen->values);
        }
        if (null !== $criteria->people) {
            $where->and('g.person_id IN (:among)', ['among' => self::binary($criteria->people)]);
        }
        if ('' === $criteria->section) {
            $where->and("g.sections = ''");
        }
        foreach (self::named($criteria) as $name => [$condition, $value]) {
            if (null !== $value && '' !== $value) {
                $where->and($condition, [$name => $value]);
            }
        }
        null === $criteria->details
            ? $where->and('1 = 0')
            : PersonDetails::narrow($where, $criteria->details, 'g.person_id');
        foreach ($criteria->tokens as $n => $token) {
            $criteria->byTerms
                ? $where->and("e.terms LIKE :word$n", ["word$n" => '% '.$token.'%'])
                : $where->and("g.sort_name LIKE :word$n", ["word$n" => '%'.$token.'%']);
            if ($criteria->byTerms && 1 === preg_match('/\d/', $token)) {
                $where->and('pd.code IN (:divisions)', ['divisions' => $criteria->divisions ?: ['']]);
            }
        }

        return $where;
    }

    /** @return array<string, array{string, string|int|null}> condition and value by name; no value, no condition */
    private static function named(RosterCriteria $criteria): array
    {
        $instant = static fn(?int $instant): ?string => null === $instant ? null : Instant::toSql($instant);
        $kind = null === DoorKind::tryFrom((string) $criteria->door) ? null : $criteria->door;
        $door = null === $kind && null !== $criteria->door ? Id::binary($criteria->door) : null;
        $none = str_starts_with((string) $criteria->group, self::NONE);
        $group = null === $criteria->group ? null : Id::binary(substr($criteria->group, $none ? 5 : 0));
        $section = null === $criteria->section || '' === $criteria->section ? null : "%$criteria->section%";

        return [
            'role' => ['g.role = :role', $criteria->role],
            'level' => ['p.level = :level', $criteria->level],
            'division' => ['p.division_id = (SELECT id FROM division WHERE code = :division)', $criteria->division],
            'section' => ['g.sections LIKE :section', $section],
            'group' => [self::IN_GROUP, $none ? null : $group],
            'split' => [self::IN_NO_GROUP, $none ? $group : null],
            'kind' => [\sprintf(self::BY_GRANT, 'xd.kind = :kind'), $kind],
            'door' => [\sprintf(self::BY_GRANT, 'xd.id = :door'), $door],
            'unseen' => ['(e.last_seen_at IS NULL OR e.last_seen_at < :unseen)', $instant($criteria->unseen)],
            'ends' => ['g.until_at <= :ends', $instant($criteria->ends)],
            'since' => ['g.since_at >= :since', $instant($criteria->since)],
            'label' => [
                'g.person_id IN (
                    SELECT pl.person_id FROM person_label pl JOIN label l ON l.id = pl.label_id WHERE l.name = :label
                )',
                $criteria->label,
            ],
        ];
    }

    /** The joins that some SQL needs, by the aliases in it. */
    private static function joins(string $sql): string
    {
        $division = str_contains($sql, 'pd.');
        $needed = array_filter([
            'p' => $division || 1 === preg_match('/\bp\./', $sql),
            'pd' => $division,
            'e' => 1 === preg_match('/\be\./', $sql),
        ]);

        return implode('', array_intersect_key(self::JOINS, $needed));
    }
}
