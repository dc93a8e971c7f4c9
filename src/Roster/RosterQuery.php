<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Time\Time;
use MintDoor\People\Directory;
use MintDoor\People\Labels;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/** Who is in a site, as the segments have it: filtered, sorted and paged in the database. */
final readonly class RosterQuery
{
    /** What the answer for a row depends on, but for who it is; most of a page are alike, and are looked at once. */
    private const ALIKE = [
        'state',
        'roles',
        'from_at',
        'until_at',
        'since_at',
        'person_kind',
        'person_division',
        'level',
        'closed_from',
    ];

    /** What a condition or a sort may look at beside the segment itself. */
    private const JOINS = [
        'p' => ' JOIN person p ON p.id = g.person_id',
        'pd' => ' JOIN division pd ON pd.id = p.division_id',
        'e' => ' JOIN enrollment e ON e.site_id = g.site_id AND e.person_id = g.person_id',
    ];

    /** What each sort looks at, and the joins it needs; a missing value sorts lowest. */
    private const SORT = [
        'name' => ['g.sort_name', []],
        'kind' => ['p.kind', ['p']],
        'level' => ['COALESCE(p.level, 0)', ['p']],
        'division' => ['pd.name', ['p', 'pd']],
        'number' => ["COALESCE(p.number, '')", ['p']],
        'role' => ['(1000 - g.rank)', []],
        'state' => ["FIELD(g.state, 'current', 'paused', 'upcoming', 'waiting', 'blocked', 'ended', 'removed')", []],
        'since' => ['g.since_at', []],
        'seen' => ["COALESCE(e.last_seen_at, '1000-01-01')", ['e']],
    ];

    public function __construct(
        private Connection $db,
        private Roles $roles,
        private Counts $counts,
        private WorkMeter $meter,
        private Labels $labels,
        private Caring $caring,
        private Directory $directory,
    ) {}

    /**
     * How much of one of them somebody sees.
     *
     * @param Row $person with `PersonRow::COLUMNS`
     */
    public function visibilityOf(SiteAccess $access, Row $person): PersonVisibility
    {
        $visibility = self::visibility($access);
        $known =
            PersonVisibility::Full === $visibility
                ? $this->caring->known(
                    [$person],
                    $access->caller,
                    $access->site->division
                )
                : [];

        return PersonVisibility::Full === $visibility && [] === $known ? PersonVisibility::Masked : $visibility;
    }

    /** How much of the people in a roster somebody sees at most. */
    public static function visibility(SiteAccess $access): PersonVisibility
    {
        return match (true) {
            $access->may(Permission::LetIn) => PersonVisibility::Full,
            $access->may(Permission::SeeUnlisted) => PersonVisibility::Masked,
            default => PersonVisibility::Hidden,
        };
    }

    /**
     * Now, or the last instant of a day for those who help run the site. Grants and overrides keep their history, so
     * that a timeline says of any day what was so then.
     */
    private static function instant(SiteAccess $access, ?string $day): int
    {
        return null === $day || !$access->may(Permission::SeeUnlisted)
            ? $access->now
            : $access->endOf($day, '/asOf') - 1;
    }

    /** @return array<string, mixed> schema `Roster` */
    public function page(SiteAccess $access, RosterFilter $filter): array
    {
        $visibility = self::visibility($access);
        $unlisted = $filter->unlisted && $access->may(Permission::SeeUnlisted);
        [$where, $needs, $parameters, $types] = $this->where($access, $filter, $unlisted, $visibility);
        $down = 'down' === $filter->direction;
        [$sort, $sortNeeds] = $this->sort($access, $filter->sort, $visibility);
        $list = 'roster '.$filter->sort.' '.$filter->direction;
        $cursor = Cursor::read($filter->cursor, $list, 'asu');
        $after = '';
        $place = [];
        if (null !== $cursor) {
            $than = $down ? '<' : '>';
            [$value, $name, $id] = $cursor->values;
            $after = " AND ($sort $than ? OR ($sort = ? AND (g.sort_name $than ? OR (g.sort_name = ? AND g.person_id "
                ."$than ?))))";
            $place = [$value, $value, $name, $name, Id::binary((string) $id)];
        }
        $order = $down ? 'DESC' : 'ASC';
        // The rows of the page are picked from the index first, and only theirs are read whole.
        $from =
            'enrollment_segment g '
            .('name' === $filter->sort ? 'FORCE INDEX (by_name)' : '')
            .self::joins([...$sortNeeds, ...$needs]);
        $by = 'name' === $filter->sort ? '' : "sort_value $order, ";
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT '
                    .PersonRow::COLUMNS
                    .', g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, g.listed, e.last_seen_at, '
                        .'e.version, page.sort_value FROM (SELECT g.site_id, g.person_id, g.from_at, g.sort_name, '
                        ."$sort AS sort_value FROM $from WHERE $where$after "
                        ."ORDER BY {$by}g.sort_name $order, g.person_id $order LIMIT "
                    .($filter->limit + 1)
                    .") page
             STRAIGHT_JOIN enrollment_segment g ON g.site_id = page.site_id AND g.person_id = page.person_id
                AND g.from_at = page.from_at
             STRAIGHT_JOIN person p ON p.id = g.person_id
             STRAIGHT_JOIN division pd ON pd.id = p.division_id
             STRAIGHT_JOIN enrollment e ON e.site_id = g.site_id AND e.person_id = g.person_id
             LEFT JOIN account a ON a.person_id = p.id
             ORDER BY {$by}page.sort_name $order, page.person_id $order",
                [...$parameters, ...$place],
                $types,
            ),
        );
        $instant = self::instant($access, $filter->asOf);
        $more = \count($rows) > $filter->limit;
        $rows = \array_slice($rows, 0, $filter->limit);
        $last = [] === $rows ? null : $rows[array_key_last($rows)];
        $count =
            null === $filter->asOf
                ? $this->counts->of([$access->site->id], $access->now)[$access->site->id]
                : $this->counts->at($access->site->id, $instant, $access->now);

        return [
            'items' => $this->items($access, $rows, $visibility, $instant),
            'next' =>
                $more && null !== $last
                    ? Cursor::write($list, [
                        $last->string('sort_value'),
                        $last->string('sort_name'),
                        $last->id('person_id'),
                    ])
                    : null,
            'counts' => [
                'learners' => $count->learners,
                'staff' => $count->staff,
                'others' => $count->others,
                'unlisted' => $access->may(Permission::SeeUnlisted) ? $count->unlisted : 0,
                'shown' => $this->shown($access, $filter, $count, $unlisted, $where, $needs, $parameters, $types),
            ],
        ];
    }

    /** @return array{string, list<string>} what a sort looks at, and the joins it needs */
    private function sort(SiteAccess $access, string $by, PersonVisibility $visibility): array
    {
        if ('number' !== $by) {
            return self::SORT[$by];
        }
        // A place in the list would tell a number, so that only those count that are shown.
        $divisions = PersonVisibility::Full === $visibility ? $this->divisions($access) : [];
        $codes = implode(', ', array_map($this->db->quote(...), $divisions));

        return '' === $codes
            ? self::SORT['name']
            : ["IF(pd.code IN ($codes), COALESCE(p.number, ''), '')", ['p', 'pd']];
    }

    /** @return list<string> codes of the divisions whose people the caller knows everything of */
    private function divisions(SiteAccess $access): array
    {
        $reach = $this->directory->reachOf($access->caller);

        return $reach->everything
            ? array_values(array_filter($this->db->fetchFirstColumn('SELECT code FROM division'), is_string(...)))
            : $reach->divisions;
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<array<string, mixed>> the items of schema `Roster`
     */
    private function items(SiteAccess $access, array $rows, PersonVisibility $visibility, int $instant): array
    {
        $active = $access->may(Permission::SeeActivity);
        $whole = PersonVisibility::Full === $visibility
            ? $this->caring->known(
                $rows,
                $access->caller,
                $access->site->division
            )
            : [];
        $labels = $this->labels->ofPeople(array_map(strval(...), array_keys($whole)));
        $of = $active ? \count($this->meter->items($access->site->id)) : 0;
        $asked = $this->asked($access, $rows, $instant);
        $items = $known = [];
        foreach ($rows as $row) {
            $key = implode(' ', array_map($row->string(...), self::ALIKE));
            $alike = $known[$key] ??= $this->alike($access, $row, $instant);
            $id = $row->id('person_id');
            $seen = $active ? $row->instantOrNull('last_seen_at') : null;
            $items[] = [
                'person' => PersonRow::json(
                    $row,
                    PersonVisibility::Full === $visibility && !isset($whole[$id])
                        ? PersonVisibility::Masked
                        : $visibility,
                ),
                'standing' => $alike['standing'],
                'entry' => $alike['entry'],
                'because' => isset($asked[$id]) ? 'waits-for-approval' : $alike['because'],
                'listed' => $row->bool('listed'),
                'lastSeen' => null === $seen ? null : Instant::toJson($seen),
                'work' =>
                    $active && $alike['works']
                        ? [
                            'done' => $this->meter->done($access->site->id, $id, $row->instant('since_at'), $seen),
                            'of' => $of,
                        ]
                        : null,
                'labels' => $labels[$id] ?? [],
                'version' => $row->int('version'),
            ];
        }

        return $items;
    }

    /**
     * @param list<Row> $rows
     *
     * @return array<string, true> by person: those who wait for a yes of their division
     */
    private function asked(SiteAccess $access, array $rows, int $instant): array
    {
        $waiting = array_filter($rows, static fn(Row $row): bool => State::Waiting->value === $row->string('state'));
        $found =
            [] === $waiting
                ? []
                : $this->db->fetchFirstColumn(
                    "SELECT w.person_id FROM access_grant w JOIN door d ON d.id = w.door_id AND d.kind = 'staff'
             WHERE w.site_id = ? AND w.person_id IN (?) AND w.given_at <= ? AND ".Enrollments::UNANSWERED,
                    [
                        Id::binary($access->site->id),
                        array_map(
                            static fn(Row $row): string => Id::binary($row->id('person_id')),
                            array_values($waiting),
                        ),
                        ...array_fill(0, 3, Instant::toSql($instant)),
                    ],
                    [1 => ArrayParameterType::BINARY],
                );

        return array_fill_keys(
            array_map(static fn(mixed $id): string => Id::text(\is_string($id) ? $id : ''), $found),
            true,
        );
    }

    /**
     * @return array{standing: array<string, mixed>|null, entry: string, because: string, works: bool} how somebody like
     *     this stands, whether they can enter then, the code of what decides it, and whether they have work to do
     */
    private function alike(SiteAccess $access, Row $row, int $instant): array
    {
        $book = $this->roles->book();
        $segment = SegmentRow::segment($row);
        $person = PersonRow::person($row);
        $reason = (new Access($book))->reason(new Timeline([$segment]), $person, $access->site, $instant);

        return [
            'standing' => SegmentRow::json($segment, $book),
            'entry' => $reason->entry->value,
            'because' => $reason->deciding()->code,
            'works' => \in_array(Permission::DoWork, $book->permissions($segment->roles, $person), true),
        ];
    }

    /**
     * @return array{string, list<string>, list<mixed>, array<int<0, max>, ArrayParameterType>} condition, joins it
     *     needs, parameters, their types by place
     */
    private function where(
        SiteAccess $access,
        RosterFilter $filter,
        bool $unlisted,
        PersonVisibility $visibility,
    ): array {
        $at = Instant::toSql(self::instant($access, $filter->asOf));
        $states = 'here' === $filter->state ? State::valuesHere() : [$filter->state];
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
        $needs = [];
        foreach ($this->further($filter, $access) as [$condition, $value, $needed]) {
            if (null !== $value) {
                $where .= ' AND '.$condition;
                $parameters[] = $value;
                $needs = [...$needs, ...$needed];
            }
        }
        foreach (Folding::tokens($filter->q ?? '') as $token) {
            // Numbers and logins are among a person's terms; those who may not see them must not find by them.
            $where .= PersonVisibility::Full === $visibility ? ' AND e.terms LIKE ?' : ' AND g.sort_name LIKE ?';
            $needs = PersonVisibility::Full === $visibility ? [...$needs, 'e'] : $needs;
            $parameters[] = PersonVisibility::Full === $visibility ? '% '.$token.'%' : '%'.$token.'%';
            if (PersonVisibility::Full === $visibility && 1 === preg_match('/\d/', $token)) {
                $codes = implode(', ', array_map($this->db->quote(...), $this->divisions($access))) ?: "''";
                $where .= " AND pd.code IN ($codes)";
                $needs = [...$needs, 'p', 'pd'];
            }
        }

        return [$where, $needs, $parameters, [3 => ArrayParameterType::STRING]];
    }

    /**
     * What else a filter may ask for. When people were seen and how they came is for those who help run the site.
     *
     * @return list<array{string, string|int|null, list<string>}> condition, its value (null where it is not asked for),
     *     and the joins it needs
     */
    private function further(RosterFilter $filter, SiteAccess $access): array
    {
        $helps = $access->may(Permission::SeeUnlisted);
        $active = $access->may(Permission::SeeActivity);
        $ago = static fn(?int $days): ?string => null === $days ? null : Instant::toSql($access->now - 86_400 * $days);
        $grant =
            'EXISTS (SELECT 1 FROM access_grant x JOIN door xd ON xd.id = x.door_id WHERE x.site_id = g.site_id '
                .'AND x.person_id = g.person_id AND x.live = 1 AND ';
        $door =
            null === DoorKind::tryFrom((string) $filter->door) && null !== $filter->door
                ? [$grant.'xd.id = ?)', $helps ? Id::binary($filter->door) : null, []]
                : [$grant.'xd.kind = ?)', $helps ? $filter->door : null, []];
        $notSeenSince = match ($active ? $filter->seen : null) {
            null => null,
            'never' => Instant::toSql(Time::BEGINNING),
            default => $ago((int) $filter->seen),
        };

        return [
            ['p.level = ?', $filter->level, ['p']],
            ['p.division_id = (SELECT id FROM division WHERE code = ?)', $filter->division, ['p']],
            [$grant.'x.section_id = ?)', null === $filter->section ? null : Id::binary($filter->section), []],
            $door,
            ['(e.last_seen_at IS NULL OR e.last_seen_at < ?)', $notSeenSince, ['e']],
            ['g.until_at <= ?', $helps && null !== $filter->ends ? $ago(-$filter->ends) : null, []],
            ['g.since_at >= ?', $ago($filter->joined), []],
            [
                'g.person_id IN (SELECT pl.person_id FROM person_label pl JOIN label l ON l.id = pl.label_id '
                    .'WHERE l.name = ?)',
                $access->may(Permission::LetIn) ? $filter->label : null,
                [],
            ],
        ];
    }

    /** @param list<string> $needs names of `JOINS` */
    private static function joins(array $needs): string
    {
        return implode('', array_intersect_key(self::JOINS, array_flip($needs)));
    }

    /**
     * How many rows a filter leaves: known already where nothing but the usual is asked for.
     *
     * @param list<string>                            $needs
     * @param list<mixed>                             $parameters
     * @param array<int<0, max>, ArrayParameterType> $types
     */
    private function shown(
        SiteAccess $access,
        RosterFilter $filter,
        SiteCount $count,
        bool $unlisted,
        string $where,
        array $needs,
        array $parameters,
        array $types,
    ): int {
        if (!$filter->narrows() && $access->may(Permission::SeeUnlisted)) {
            return $count->learners + $count->staff + $count->others + ($unlisted ? $count->unlisted : 0);
        }
        $shown = $this->db->fetchOne(
            'SELECT COUNT(*) FROM enrollment_segment g'.self::joins($needs)." WHERE $where",
            $parameters,
            $types,
        );

        return is_numeric($shown) ? (int) $shown : 0;
    }
}
