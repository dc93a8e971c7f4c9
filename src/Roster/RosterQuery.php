<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\People\Folding;
use MintDoor\Core\People\Sight;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Hall\Cursor;
use MintDoor\Hall\Id;
use MintDoor\Hall\Instant;
use MintDoor\Hall\Row;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;

/** Who is in a site, as the segments have it: filtered, sorted and paged in the database. */
final readonly class RosterQuery
{
    private const HERE = ['current', 'paused', 'upcoming', 'waiting'];

    /** What each sort looks at; a missing value sorts lowest. */
    private const SORT = [
        'name' => 'g.sort_name',
        'kind' => 'p.kind',
        'level' => 'COALESCE(p.level, 0)',
        'division' => 'pd.name',
        'number' => "COALESCE(p.number, '')",
        'role' => '(1000 - g.rank)',
        'state' => "FIELD(g.state, 'current', 'paused', 'upcoming', 'waiting', 'kept-out', 'ended', 'taken-out')",
        'since' => 'g.since_at',
        'seen' => "COALESCE(e.last_seen_at, '1000-01-01')",
    ];

    public function __construct(
        private Connection $db,
        private Roles $roles,
    ) {
    }

    /** How much of the people in a roster somebody sees. */
    public static function sight(SiteAccess $access): Sight
    {
        return match (true) {
            $access->may(Permission::LetIn) => Sight::Full,
            $access->may(Permission::SeeUnlisted) => Sight::Masked,
            default => Sight::Hidden,
        };
    }

    /** @return array<string, mixed> schema `Roster` */
    public function page(SiteAccess $access, RosterFilter $filter): array
    {
        $sight = self::sight($access);
        $unlisted = $filter->unlisted && $access->may(Permission::SeeUnlisted);
        [$where, $parameters, $types] = $this->where($access, $filter, $unlisted, $sight);
        $down = 'down' === $filter->direction;
        $sort = self::SORT[$filter->sort];
        $list = 'roster '.$filter->sort.' '.$filter->direction;
        $cursor = Cursor::read($filter->cursor, $list, 3);
        $after = '';
        $place = [];
        if (null !== $cursor) {
            $than = $down ? '<' : '>';
            [$value, $name, $id] = $cursor->values;
            $after = " AND ($sort $than ? OR ($sort = ? AND (g.sort_name $than ? OR (g.sort_name = ? AND g.person_id $than ?))))";
            $place = [$value, $value, $name, $name, Id::binary((string) $id)];
        }
        $order = $down ? 'DESC' : 'ASC';
        $index = 'name' === $filter->sort ? 'FORCE INDEX (by_name)' : '';
        $by = 'name' === $filter->sort ? '' : "sort_value $order, ";
        $rows = Row::all($this->db->fetchAllAssociative(
            'SELECT '.PersonRow::COLUMNS.", g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, g.listed, e.last_seen_at, e.version, $sort AS sort_value
             FROM enrollment_segment g $index
             STRAIGHT_JOIN person p ON p.id = g.person_id
             STRAIGHT_JOIN division pd ON pd.id = p.division_id
             STRAIGHT_JOIN enrollment e ON e.site_id = g.site_id AND e.person_id = g.person_id
             LEFT JOIN account a ON a.person_id = p.id
             WHERE $where$after ORDER BY {$by}g.sort_name $order, g.person_id $order LIMIT ".($filter->limit + 1),
            [...$parameters, ...$place], $types,
        ));
        $more = \count($rows) > $filter->limit;
        $rows = \array_slice($rows, 0, $filter->limit);
        $last = [] === $rows ? null : $rows[array_key_last($rows)];
        $counts = $this->counts($access, $where, $parameters, $types);

        return [
            'items' => array_map(fn (Row $row): array => [
                'person' => PersonRow::json($row, $sight),
                'standing' => SegmentRow::json(SegmentRow::segment($row), $this->roles->book()),
                'listed' => $row->bool('listed'),
                'lastSeen' => Sight::Hidden === $sight ? null : Instant::toJson($row->instantOrNull('last_seen_at') ?? \PHP_INT_MAX),
                'version' => $row->int('version'),
            ], $rows),
            'next' => $more && null !== $last ? Cursor::write($list, [$last->string('sort_value'), $last->string('sort_name'), $last->id('person_id')]) : null,
            'counts' => $counts,
        ];
    }

    /** @return array{string, list<mixed>, array<int<0, max>, ArrayParameterType>} */
    private function where(SiteAccess $access, RosterFilter $filter, bool $unlisted, Sight $sight): array
    {
        $at = Instant::toSql($access->now);
        $states = 'here' === $filter->state ? self::HERE : [$filter->state];
        // What is over or refused is for those who can act on it.
        if (!$access->may(Permission::SeeUnlisted)) {
            $states = array_intersect($states, ['current']) ?: ['current'];
        }
        $where = 'g.site_id = ? AND g.from_at <= ? AND g.until_at > ? AND g.state IN (?)';
        $parameters = [Id::binary($access->site->id), $at, $at, array_values($states)];
        if (!$unlisted) {
            $where .= ' AND g.listed = 1';
        }
        if (null !== $filter->role && '' !== $filter->role) {
            $where .= ' AND g.role = ?';
            $parameters[] = $filter->role;
        }
        foreach (Folding::tokens($filter->q ?? '') as $token) {
            // Numbers and logins are among a person's terms; those who may not see them must not find by them.
            $where .= Sight::Full === $sight ? ' AND p.terms LIKE ?' : ' AND g.sort_name LIKE ?';
            $parameters[] = Sight::Full === $sight ? '% '.$token.'%' : '%'.$token.'%';
        }

        return [$where, $parameters, [3 => ArrayParameterType::STRING]];
    }

    /**
     * @param list<mixed>                    $parameters
     * @param array<int<0, max>, ArrayParameterType> $types
     *
     * @return array<string, int> schema `RosterCounts`
     */
    private function counts(SiteAccess $access, string $where, array $parameters, array $types): array
    {
        $at = Instant::toSql($access->now);
        $seats = array_map(static fn (Role $role): string => $role->code, array_filter($this->roles->book()->all(), static fn (Role $role): bool => $role->takesSeat));
        $row = new Row($this->db->fetchAssociative(
            'SELECT COALESCE(SUM(role IN (?)), 0) AS learners, COALESCE(SUM(listed = 1 AND role NOT IN (?)), 0) AS staff, COALESCE(SUM(listed = 0), 0) AS unlisted
             FROM enrollment_segment WHERE site_id = ? AND from_at <= ? AND until_at > ? AND state IN (?)',
            [array_values($seats), array_values($seats), Id::binary($access->site->id), $at, $at, self::HERE],
            [ArrayParameterType::STRING, ArrayParameterType::STRING, 5 => ArrayParameterType::STRING],
        ) ?: []);
        $shown = $this->db->fetchOne("SELECT COUNT(*) FROM enrollment_segment g JOIN person p ON p.id = g.person_id WHERE $where", $parameters, $types);

        return [
            'learners' => $row->int('learners'),
            'staff' => $row->int('staff'),
            'unlisted' => $access->may(Permission::SeeUnlisted) ? $row->int('unlisted') : 0,
            'shown' => is_numeric($shown) ? (int) $shown : 0,
        ];
    }
}
