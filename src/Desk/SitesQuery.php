<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Counts;
use MintDoor\Roster\Gate;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Sites\SiteRow;

/** Lists of sites: those somebody runs, those they are in, and for administrators all of their reach. */
final readonly class SitesQuery
{
    /** Sites one has left are still listed for so long, in seconds. */
    private const REMEMBERED = 60 * 86_400;

    private const GONE = "'ended', 'removed'";

    public function __construct(
        private Connection $db,
        private Roles $roles,
        private PlatformClock $clock,
        private ReasonJson $reasons,
        private Counts $counts,
    ) {}

    /** @return array<string, mixed> schema `Sites` */
    public function list(Caller $caller, SitesFilter $filter): array
    {
        $now = $this->clock->instant();
        [$where, $parameters, $types] = $this->where($caller, $filter, $now);
        $from =
            'site s'
            .('all' === $filter->scope
                ? ''
                : ' JOIN enrollment_segment g ON g.site_id = s.id AND g.person_id = ? AND g.from_at <= ? '
                    .'AND g.until_at > ?');
        $cursor = Cursor::read($filter->cursor, 'sites', 'su');
        $after = null === $cursor ? '' : ' AND (s.title > ? OR (s.title = ? AND s.id > ?))';
        $place =
            null === $cursor ? [] : [$cursor->values[0], $cursor->values[0], Id::binary((string) $cursor->values[1])];
        // The page is picked from the index first, and only its sites are read whole.
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT '
                    .SiteRow::COLUMNS
                    .' FROM (SELECT s.id FROM '
                    .$from
                    .' WHERE '
                    .$where
                    .$after
                    .' ORDER BY s.title, s.id LIMIT '
                    .($filter->limit + 1)
                    .') page
             JOIN '
                    .SiteRow::TABLES
                    .' WHERE s.id = page.id ORDER BY s.title, s.id',
                [...$parameters, ...$place],
                $types,
            ),
        );
        $more = \count($rows) > $filter->limit;
        $rows = \array_slice($rows, 0, $filter->limit);
        $total = $this->db->fetchOne('SELECT COUNT(*) FROM '.$from.' WHERE '.$where, $parameters, $types);
        $last = [] === $rows ? null : $rows[array_key_last($rows)];
        $counts = $this->counts->of(array_map(static fn(Row $row): string => $row->id('id'), $rows), $now);
        $mine = 'in' === $filter->scope ? $this->reasonsFor($caller, $rows, $now) : [];

        return [
            'items' => array_map(
                static fn(Row $row): array => [
                    ...SiteRow::json($row, $now),
                    'seats' => $row->intOrNull('seats'),
                    'learners' => $counts[$row->id('id')]->seatsHeld ?? 0,
                    'staff' => $counts[$row->id('id')]->staff ?? 0,
                    'mine' => $mine[$row->id('id')] ?? null,
                ],
                $rows,
            ),
            'total' => is_numeric($total) ? (int) $total : 0,
            'next' =>
                $more && null !== $last ? Cursor::write('sites', [$last->string('title'), $last->id('id')]) : null,
        ];
    }

    /**
     * @return array{string, list<mixed>, array<int<0, max>, ArrayParameterType>} condition, parameters, their types by
     *     place
     */
    private function where(Caller $caller, SitesFilter $filter, int $now): array
    {
        $at = Instant::toSql($now);
        $where = ['s.taken_back = 0'];
        $parameters = $types = [];
        $runs = $this->roles->book()->holdersOf(Permission::LetIn);
        if ('all' === $filter->scope) {
            if (!$caller->isAdministrator()) {
                throw Problem::notAllowed(
                    'Only administrators see all sites. Yours are under Sites I run and Sites I am in.',
                );
            }
            if (!$caller->platformAdministrator) {
                $where[] = 's.division_id IN (SELECT id FROM division WHERE code IN (?))';
                $types[\count($parameters)] = ArrayParameterType::STRING;
                $parameters[] = $caller->divisions;
            }
        } else {
            $parameters = [Id::binary($caller->id), $at, $at];
            $run = "(g.state = 'current' AND g.role IN (?))";
            $where[] =
                'run' === $filter->scope
                    ? $run
                    : 'NOT '.$run.' AND (g.state NOT IN ('.self::GONE.') OR g.from_at > ?)';
            $types[\count($parameters)] = ArrayParameterType::STRING;
            $parameters[] = $runs;
            if ('in' === $filter->scope) {
                $parameters[] = Instant::toSql($now - self::REMEMBERED);
            }
        }
        foreach (
            [
                's.division_id = (SELECT id FROM division WHERE code = ?)' => $filter->division,
                's.term_id = (SELECT id FROM term WHERE code = ?)' => $filter->term,
                's.kind = ?' => $filter->kind,
            ] as $condition => $value
        ) {
            if (null !== $value) {
                $where[] = $condition;
                $parameters[] = $value;
            }
        }
        foreach (array_filter(preg_split('/\s+/u', mb_scrub($filter->q ?? '')) ?: []) as $word) {
            $like = '%'.addcslashes($word, '%_\\').'%';
            $where[] = '(s.title LIKE ? OR CONVERT(s.code USING utf8mb4) LIKE ?)';
            array_push($parameters, $like, $like);
        }
        [$condition, $times] = match ($filter->state) {
            'draft' => ['s.opens_at > ? AND s.closes_at > ?', 2],
            'open' => ['s.opens_at <= ? AND s.closes_at > ?', 2],
            'closed' => ['s.closes_at <= ?', 1],
            null => ['1', 0],
        };
        $where[] = $condition;
        array_push($parameters, ...array_fill(0, $times, $at));

        return [implode(' AND ', $where), $parameters, $types];
    }

    /**
     * @param list<Row> $sites
     *
     * @return array<string, array<string, mixed>> schema `MyStanding`, by site
     */
    private function reasonsFor(Caller $caller, array $sites, int $now): array
    {
        $own = [];
        $segments = $this->db->fetchAllAssociative(
            <<<'SQL'
                SELECT site_id, state, roles, from_at, until_at, since_at, holds_seat
                FROM enrollment_segment
                WHERE person_id = ? AND until_at > ?
                ORDER BY from_at
                SQL,
            [Id::binary($caller->id), Instant::toSql($now)],
        );
        foreach (Row::all($segments) as $row) {
            $own[$row->id('site_id')][] = SegmentRow::segment($row);
        }
        $access = new Access($this->roles->book());
        $mine = [];
        foreach ($sites as $row) {
            $site = SiteRow::site($row);
            $timeline = new Timeline($own[$site->id] ?? []);
            $mine[$site->id] = [
                'standing' => SegmentRow::json($timeline->at($now), $this->roles->book()),
                'reason' => $this->reasons->forThePerson(
                    $access->reason($timeline, Gate::person($caller), $site, $now),
                ),
            ];
        }

        return $mine;
    }
}
