<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\SectionsHeld;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\People\AlikeNumber;
use MintDoor\People\FoundBy;
use MintDoor\People\Repository\FactChanges;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\EnrollmentRecord;
use MintDoor\Roster\NamedTimeline;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Row;

/**
 * Enrollments between the core and the database: grants and overrides, and the segments that follow from them. By hand:
 * a change list reads and writes those of thousands at once, and letting one in has a bound (`bin/bench`).
 *
 * @extends BaseRepository<EnrollmentRecord>
 */
final class Enrollments extends BaseRepository
{
    protected const ENTITY = EnrollmentRecord::class;

    /** So many more seats than are wanted have to be free for the count that is kept to be enough. */
    private const SEATS_TO_SPARE = 20;

    /** SQL for a grant `w` that nobody answered, nor ended before; takes the present instant as `:now`. */
    public const UNANSWERED = <<<'SQL'
        w.accepted_at > :now AND w.live = 1
        AND NOT EXISTS (SELECT 1 FROM enrollment_override m WHERE m.grant_id = w.id AND m.until_at > :now)
        SQL;

    public function __construct(
        ManagerRegistry $managers,
        private readonly Roles $roles,
        private readonly Locks $locks,
        private readonly FactChanges $changes,
    ) {
        parent::__construct($managers);
    }

    public function of(string $siteId, string $personId): Enrollment
    {
        return $this->ofPeople($siteId, [$personId])[$personId] ?? new Enrollment();
    }

    /**
     * @param list<string> $people ids
     *
     * @return array<string, Enrollment> by person id; who has never been here is missing
     */
    public function ofPeople(string $siteId, array $people): array
    {
        $found = $this->ofAll('p.site_id = ? AND p.person_id IN (?)', 'm.site_id = ? AND m.person_id IN (?)', [
            Id::binary($siteId),
            array_map(Id::binary(...), $people),
        ]);
        $byPerson = [];
        foreach ($found as $key => $enrollment) {
            $byPerson[substr($key, \strlen($siteId))] = $enrollment;
        }

        return $byPerson;
    }

    /** @return array<string, Enrollment> all of a site, by site id and person id in one string */
    public function ofSite(string $siteId): array
    {
        return $this->ofAll('p.site_id = ?', 'm.site_id = ?', [Id::binary($siteId)]);
    }

    /**
     * The versions of enrollments; 0 where there has never been one.
     *
     * @param list<string> $people ids
     *
     * @return array<string, int> by person id
     */
    public function versions(string $siteId, array $people): array
    {
        $versions = array_fill_keys($people, 0);
        foreach (
            $this->rows('SELECT person_id, version FROM enrollment WHERE site_id = ? AND person_id IN (?)', [
                Id::binary($siteId),
                array_map(Id::binary(...), $people),
            ]) as $row
        ) {
            $versions[$row->id('person_id')] = $row->int('version');
        }

        return $versions;
    }

    /** Whether somebody is or was in a site. */
    public function ever(string $siteId, string $person): bool
    {
        return 0 !== $this->versions($siteId, [$person])[$person];
    }

    /** @return list<string> ids of everybody who is or was in a site */
    public function everybody(string $siteId): array
    {
        $rows = $this->rows('SELECT person_id FROM enrollment WHERE site_id = ?', [Id::binary($siteId)]);

        return array_map(static fn(Row $row): string => $row->id('person_id'), $rows);
    }

    /**
     * @param list<string> $people ids
     *
     * @return list<string> ids of the sites any of them is or was in
     */
    public function sitesOf(array $people): array
    {
        $sql = 'SELECT DISTINCT site_id FROM enrollment WHERE person_id IN (?)';
        $rows = $this->rows($sql, [self::binary($people)]);

        return array_map(static fn(Row $row): string => $row->id('site_id'), $rows);
    }

    /** Whether anybody is or was in a site who does not lead it. */
    public function hasMoreThanLeads(string $siteId): bool
    {
        $sql = 'SELECT 1 FROM enrollment_segment WHERE site_id = ? AND leads = 0 LIMIT 1';

        return null !== $this->row($sql, [Id::binary($siteId)]);
    }

    /**
     * When people were last in a site.
     *
     * @param list<string> $people ids
     *
     * @return array<string, ?int> by person id
     */
    public function lastSeen(string $siteId, array $people): array
    {
        $seen = [];
        foreach (
            $this->rows('SELECT person_id, last_seen_at FROM enrollment WHERE site_id = ? AND person_id IN (?)', [
                Id::binary($siteId),
                array_map(Id::binary(...), $people),
            ]) as $row
        ) {
            $seen[$row->id('person_id')] = $row->instantOrNull('last_seen_at');
        }

        return $seen;
    }

    /** What all rosters keep of somebody. */
    public function describe(string $person, FoundBy $found): void
    {
        $id = Id::binary($person);
        $this->execute('UPDATE enrollment SET terms = ? WHERE person_id = ?', [$found->terms, $id]);
        $this->execute('UPDATE enrollment_segment SET sort_name = ?, alike = ? WHERE person_id = ?', [
            $found->sortName,
            $found->alike,
            $id,
        ]);
    }

    /** Notes that somebody was in a site. */
    public function seen(string $siteId, string $person, int $at): void
    {
        $this->execute('UPDATE enrollment SET last_seen_at = ? WHERE site_id = ? AND person_id = ?', [
            Instant::toSql($at),
            Id::binary($siteId),
            Id::binary($person),
        ]);
    }

    /**
     * Counts one more change of enrollments, before it is stored: what is stored belongs to them.
     *
     * @param non-empty-list<string> $people ids
     *
     * @return array<string, int> the new versions by person id
     */
    public function countChange(string $siteId, array $people): array
    {
        $this->locks->assertHeld($siteId, $people);
        $rows = $this->rows(
            <<<'SQL'
                INSERT INTO enrollment (site_id, person_id, version, terms)
                SELECT ?, id, 1, terms
                FROM person
                WHERE id IN (?)
                ON DUPLICATE KEY UPDATE enrollment.version = enrollment.version + 1
                RETURNING person_id, version
                SQL,
            [Id::binary($siteId), array_map(Id::binary(...), $people)],
        );
        $versions = [];
        foreach ($rows as $row) {
            $versions[$row->id('person_id')] = $row->int('version');
        }

        return $versions;
    }

    /**
     * Computes the timelines of people anew: what follows from grants and overrides may follow from the rules, too.
     *
     * @param non-empty-list<string> $people ids
     */
    public function restate(string $siteId, array $people): void
    {
        $this->locks->people($people);
        $enrollments = $this->ofPeople($siteId, $people);
        $timelines = [];
        foreach (
            $this->rows('SELECT p.id, p.sort_name, '.AlikeNumber::SQL.' AS alike FROM person p WHERE p.id IN (?)', [
                array_map(Id::binary(...), $people),
            ]) as $row
        ) {
            $id = $row->id('id');
            if (isset($enrollments[$id])) {
                $timelines[$id] = new NamedTimeline(
                    $enrollments[$id]->timeline(),
                    $row->string('sort_name'),
                    $row->int('alike'),
                );
            }
        }
        if ([] !== $timelines) {
            $this->store($siteId, $timelines);
            $this->execute('DELETE FROM site_count WHERE site_id = ?', [Id::binary($siteId)]);
            $this->execute(
                <<<'SQL'
                    UPDATE enrollment e
                    JOIN person p ON p.id = e.person_id
                    SET e.terms = p.terms
                    WHERE e.site_id = ? AND e.person_id IN (?)
                    SQL,
                [Id::binary($siteId), array_map(Id::binary(...), array_keys($timelines))],
            );
        }
    }

    /**
     * Stores the timelines that follow from a change.
     *
     * @param non-empty-array<string, NamedTimeline> $people by person id
     */
    public function store(string $siteId, array $people): void
    {
        $this->execute('DELETE FROM enrollment_segment WHERE site_id = ? AND person_id IN (?)', [
            Id::binary($siteId),
            array_map(Id::binary(...), array_keys($people)),
        ]);
        $rows = $this->bulk();
        foreach ($people as $personId => $named) {
            foreach ($named->timeline->segments as $segment) {
                $rows->add('enrollment_segment', [
                    'site_id' => BulkWriter::id($siteId),
                    'person_id' => BulkWriter::id($personId),
                    ...self::columns($segment, $this->roles->book()),
                    'sort_name' => $named->sortName,
                    'alike' => $named->alike,
                ]);
            }
        }
        $rows->flush();
        $this->changes->note(array_map(strval(...), array_keys($people)), $siteId);
    }

    /** @return array<string, string|int> a segment as its row holds it, without whose it is */
    public static function columns(Segment $segment, RoleBook $roles): array
    {
        $picked = $roles->pick($segment->roles);
        $leading = $segment->state->here() && [] !== array_filter($picked, static fn($role): bool => $role->lead);

        return [
            'from_at' => Instant::toSql($segment->window->from),
            'until_at' => Instant::toSql($segment->window->until),
            'state' => $segment->state->value,
            'role' => $picked[0]->code ?? '',
            'roles' => implode(' ', $segment->roles),
            'rank' => $picked[0]->rank ?? 0,
            'listed' => (int) ([] === $picked || [] !== array_filter($picked, static fn($role): bool => $role->listed)),
            'holds_seat' => (int) $segment->takesSeat($roles),
            'leads' => (int) $leading,
            'since_at' => Instant::toSql($segment->since),
            'sections' => implode(' ', $segment->sections),
        ];
    }

    /**
     * Seats that are held, at every instant from now on. Where far more are free than are wanted, and nobody comes
     * later who holds one, those held now are taken to be held throughout: that is read from the count that is kept
     * of the site, whose people need not be counted then (`bin/bench`: let one person in). What is kept decides
     * nothing where seats are scarce.
     *
     * @param int  $kept   for others
     * @param ?int $seats  the site has; null to count in any case
     * @param int  $wanted by how many people at most
     */
    public function seats(
        string $siteId,
        int $now,
        int $kept = 0,
        ?int $seats = null,
        int $wanted = 1,
    ): SeatsHeld {
        $held = SeatsHeld::none($now, $kept);
        $present = null === $seats ? null : $this->seatsHeldUntilTheEnd($siteId, $now);
        if (null !== $present && $present + $kept + $wanted + self::SEATS_TO_SPARE <= $seats) {
            return $held->with([new Window($now, Time::FOREVER)], $present);
        }
        $at = Instant::toSql($now);
        // Each half is read in the order of an index that has all of it; grouped together they would be sorted.
        $holds = "holds_seat = 1 AND state <> 'upcoming'";
        foreach (
            $this->rows(
                <<<SQL
                    SELECT ? AS from_at, until_at, COUNT(*) AS people
                    FROM enrollment_segment FORCE INDEX (counting)
                    WHERE site_id = ? AND until_at > ? AND from_at <= ? AND $holds
                    GROUP BY until_at
                    UNION ALL
                    SELECT from_at, until_at, COUNT(*)
                    FROM enrollment_segment FORCE INDEX (beginning)
                    WHERE site_id = ? AND from_at > ? AND $holds
                    GROUP BY from_at, until_at
                    SQL,
                [$at, Id::binary($siteId), $at, $at, Id::binary($siteId), $at],
            ) as $row
        ) {
            $window = new Window($row->instant('from_at'), $row->instant('until_at'));
            $held = $held->with([$window], $row->int('people'));
        }

        return $held;
    }

    /** How the sections that have seats of their own are held, at every instant from now on. */
    public function sectionsHeld(Site $site, int $now): SectionsHeld
    {
        $limited = array_filter($site->sections, static fn(Section $section): bool => null !== $section->seats);
        if ([] === $limited) {
            return new SectionsHeld($now);
        }
        $held = array_map(static fn(): SeatsHeld => SeatsHeld::none($now), $limited);
        foreach (
            $this->rows(
                <<<'SQL'
                    SELECT sections, GREATEST(from_at, ?) AS begins_at, until_at, COUNT(*) AS people
                    FROM enrollment_segment
                    WHERE site_id = ? AND until_at > ? AND holds_seat = 1 AND state <> 'upcoming' AND sections <> ''
                    GROUP BY sections, begins_at, until_at
                    SQL,
                [Instant::toSql($now), Id::binary($site->id), Instant::toSql($now)],
            ) as $row
        ) {
            $window = new Window($row->instant('begins_at'), $row->instant('until_at'));
            foreach (array_intersect($row->list('sections'), array_keys($held)) as $section) {
                $held[$section] = $held[$section]->with([$window], $row->int('people'));
            }
        }

        return new SectionsHeld($now, $held);
    }

    /** Seats held now, by the count that is kept, where none is taken later by who is there already; null elsewhere. */
    private function seatsHeldUntilTheEnd(string $siteId, int $now): ?int
    {
        $at = Instant::toSql($now);
        $row = $this->row(
            <<<'SQL'
                SELECT c.seats_held
                FROM site s
                JOIN site_count c ON c.site_id = s.id AND c.roster_version >= s.roster_version - ?
                    AND c.from_at <= ? AND c.until_at > ?
                WHERE s.id = ? AND NOT EXISTS (
                    SELECT 1
                    FROM enrollment_segment g FORCE INDEX (beginning)
                    WHERE g.site_id = ? AND g.from_at > ? AND g.holds_seat = 1 AND g.state <> 'upcoming'
                )
                SQL,
            // Whoever holds the lock of the site has moved its version on, and the count not yet.
            [(int) $this->locks->holds($siteId), $at, $at, Id::binary($siteId), Id::binary($siteId), $at],
        );

        return $row?->int('seats_held');
    }

    /**
     * Those who count as leads now, with all that is still to come of their timelines.
     *
     * @return array<string, LeadTimeline> by person id, and the instant each one's account closes
     */
    public function leads(string $siteId, int $now): array
    {
        $rows = $this->rows(
            <<<'SQL'
                SELECT g.person_id, g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, g.sections,
                    a.closed_from
                FROM enrollment_segment g
                LEFT JOIN account a ON a.person_id = g.person_id
                WHERE g.site_id = ? AND g.until_at > ? AND g.leads = 1
                ORDER BY g.person_id, g.from_at
                SQL,
            [Id::binary($siteId), Instant::toSql($now)],
        );
        $people = [];
        foreach ($rows as $row) {
            $people[$row->id('person_id')][] = $row;
        }
        $leads = [];
        $rule = new Leads($this->roles->book());
        foreach ($people as $personId => $own) {
            $timeline = new Timeline(array_map(SegmentRow::segment(...), $own));
            if ($rule->counts($timeline, $now)) {
                $leads[$personId] = new LeadTimeline($timeline, $own[0]->instantOrNull('closed_from') ?? Time::FOREVER);
            }
        }

        return $leads;
    }

    /**
     * @param array{0: string, 1?: list<string>} $parameters the site, and people where only theirs are wanted
     *
     * @return array<string, Enrollment> by site id and person id in one string
     */
    private function ofAll(string $grants, string $overrides, array $parameters): array
    {
        $onGrant = $onWhole = $given = [];
        $sql =
            'SELECT m.id, m.site_id, m.person_id, m.kind, m.from_at, m.until_at, m.grant_id, m.role, m.origin_id,
                m.dates_from, m.dates_until, m.height, m.put_by, m.ended_by, m.sections
            FROM enrollment_override m WHERE '
            .$overrides
            .' ORDER BY m.from_at, m.id';
        foreach ($this->eachRow($sql, $parameters) as $row) {
            $override = new Override(
                $row->id('id'),
                OverrideKind::from($row->string('kind')),
                new Window($row->instant('from_at'), $row->instant('until_at')),
                $row->stringOrNull('role'),
                $row->id('origin_id'),
                null === $row->stringOrNull('dates_from')
                    ? null
                    : new Window($row->instant('dates_from'), $row->instant('dates_until')),
                $row->int('height'),
                $row->idOrNull('put_by'),
                $row->idOrNull('ended_by'),
                null === $row->stringOrNull('sections') ? null : $row->list('sections'),
            );
            $grant = $row->idOrNull('grant_id');
            if (null === $grant) {
                $onWhole[$row->id('site_id').$row->id('person_id')][] = $override;
            } else {
                $onGrant[$grant][] = $override;
            }
        }
        foreach (
            $this->eachRow(
                "SELECT p.*, d.kind AS door_kind, d.reserved, IF(p.accepted_at > '9000-01-01', (
                    SELECT w.what FROM waiter w
                    WHERE w.door_id = p.door_id AND w.person_id = p.person_id AND w.waits = 1
                ), NULL) AS waits_for
                FROM access_grant p JOIN door d ON d.id = p.door_id WHERE "
                    .$grants
                    .' ORDER BY p.given_at, p.id',
                $parameters,
            ) as $row
        ) {
            $given[$row->id('site_id').$row->id('person_id')][] = new Grant(
                $row->id('id'),
                $row->id('door_id'),
                DoorKind::from($row->string('door_kind')),
                $row->string('role'),
                $row->instant('given_at'),
                new Window($row->instant('from_at'), $row->instant('until_at')),
                $row->instant('accepted_at'),
                $row->idOrNull('section_id'),
                $row->instant('since_at'),
                $onGrant[$row->id('id')] ?? [],
                $row->bool('reserved'),
                $row->idOrNull('given_by'),
                match ($row->stringOrNull('waits_for')) {
                    'seat' => 'seat',
                    'approval' => 'approval',
                    default => null,
                },
            );
        }
        $enrollments = [];
        foreach (array_keys($given + $onWhole) as $key) {
            $enrollments[$key] = new Enrollment($given[$key] ?? [], $onWhole[$key] ?? []);
        }

        return $enrollments;
    }
}
