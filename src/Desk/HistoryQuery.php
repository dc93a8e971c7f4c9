<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeHistories;
use MintDoor\Core\Changes\ChangeHistory;
use MintDoor\Core\Roles\Permission;
use MintDoor\History\History;
use MintDoor\History\HistoryFilter;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;

/** Pages of histories, newest first, with what of it can still be undone. */
final readonly class HistoryQuery
{
    private const PAGE = 50;

    private const SELECT = <<<'SQL'
        SELECT l.id, l.site_id, l.sequence, l.at, l.code, l.data, l.line_id, l.undone_by, l.actor_id, l.person_id,
            s.title, a.given_name AS a_given_name, a.family_name AS a_family_name, a.preferred_name AS a_preferred_name,
            p.given_name AS p_given_name, p.family_name AS p_family_name, p.preferred_name AS p_preferred_name
        FROM history_entry l
        JOIN person a ON a.id = l.actor_id
        LEFT JOIN person p ON p.id = l.person_id
        LEFT JOIN site s ON s.id = l.site_id
        SQL;

    public function __construct(
        private Connection $db,
        private ChangeHistories $histories,
        private Roles $roles,
        private PlatformClock $clock,
    ) {}

    /** @return array<string, mixed> schema `LogEntries` */
    public function ofSite(SiteAccess $access, HistoryFilter $filter): array
    {
        [$where, $parameters] = $this->where($filter, $access->startOf(...), $access->endOf(...));
        $rows = $this->inSite($access->site->id, $filter, $where, $parameters);
        $people = array_values(
            array_unique(array_filter(array_map(static fn(Row $row): ?string => $row->idOrNull('person_id'), $rows))),
        );
        [$histories, $sequences] = $this->histories->of($access->site->id, $people);

        return $this->page(
            $rows,
            'history',
            static fn(Row $row): array => [$row->int('sequence')],
            static fn(Row $row): ?ChangeHistory => $histories[$row->idOrNull('person_id') ?? ''] ?? null,
            $sequences,
        );
    }

    /** @return array<string, mixed> schema `LogEntries` */
    public function ofPlatform(HistoryFilter $filter): array
    {
        [$where, $parameters] = $this->where(
            $filter,
            self::dayInUtc(...),
            static fn(string $day): int => self::dayInUtc($day) + 86_400,
        );

        return $this->page(
            $this->inSite(History::PLATFORM, $filter, $where, $parameters),
            'history',
            static fn(Row $row): array => [$row->int('sequence')],
            static fn(): null => null,
            [],
        );
    }

    /** @return array<string, mixed> schema `LogEntries`: of all sites whose history the caller reads */
    public function ofPerson(string $person, Caller $caller, HistoryFilter $filter): array
    {
        [$where, $parameters] = $this->where(
            $filter,
            self::dayInUtc(...),
            static fn(string $day): int => self::dayInUtc($day) + 86_400,
        );
        $now = Instant::toSql($this->clock->instant());
        $cursor = Cursor::read($filter->cursor, 'person-history', 'du');
        $after = null === $cursor ? '' : ' AND (l.at < ? OR (l.at = ? AND l.id < ?))';
        $place =
            null === $cursor ? [] : [$cursor->values[0], $cursor->values[0], Id::binary((string) $cursor->values[1])];
        $reads = '(EXISTS (SELECT 1 FROM enrollment_segment g WHERE g.site_id = l.site_id AND g.person_id = ? '
            .'AND g.from_at <= ? AND g.until_at > ? AND g.state = \'current\' AND g.role IN (?)) '
            .'OR s.division_id IN (SELECT id FROM division WHERE code IN (?)) OR (s.id IS NULL '
            .'AND p.division_id IN (SELECT id FROM division WHERE code IN (?))) OR ?)';
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                self::SELECT
                    .' WHERE l.person_id IN (SELECT id FROM person WHERE id = ? OR gone_into = ?) AND '
                    .$reads
                    .$where
                    .$after
                    .' ORDER BY l.at DESC, l.id DESC LIMIT '
                    .(self::PAGE + 1),
                [
                    Id::binary($person),
                    Id::binary($person),
                    Id::binary($caller->id),
                    $now,
                    $now,
                    $this->roles->book()->holdersOf(Permission::SeeHistory),
                    $caller->divisions,
                    $caller->divisions,
                    (int) $caller->platformAdministrator,
                    ...$parameters,
                    ...$place,
                ],
                [5 => ArrayParameterType::STRING, 6 => ArrayParameterType::STRING, 7 => ArrayParameterType::STRING],
            ),
        );
        [$histories, $sequences] = $this->histories->ofPerson($person);

        return $this->page(
            $rows,
            'person-history',
            static fn(Row $row): array => [$row->string('at'), $row->id('id')],
            static fn(Row $row): ?ChangeHistory => $histories[$row->id('site_id')] ?? null,
            $sequences,
        );
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<Row> one more than a page has, where there is one
     */
    private function inSite(string $site, HistoryFilter $filter, string $where, array $parameters): array
    {
        $before = Cursor::read($filter->cursor, 'history', 'i')?->values[0];

        return Row::all(
            $this->db->fetchAllAssociative(
                self::SELECT
                    .' WHERE l.site_id = ? AND l.sequence < ?'
                    .$where
                    .' ORDER BY l.sequence DESC LIMIT '
                    .(self::PAGE + 1),
                [Id::binary($site), $before ?? \PHP_INT_MAX, ...$parameters],
            ),
        );
    }

    /**
     * @param callable(string, string): int $startOf
     * @param callable(string, string): int $endOf
     *
     * @return array{string, list<string>}
     */
    private function where(HistoryFilter $filter, callable $startOf, callable $endOf): array
    {
        $where = '';
        $parameters = [];
        foreach (array_filter(preg_split('/\s+/u', mb_scrub($filter->q ?? '')) ?: []) as $word) {
            $like = '%'.addcslashes($word, '%_\\').'%';
            $where
                .= " AND (CONCAT_WS(' ', a.preferred_name, a.given_name, a.family_name) LIKE ? OR CONCAT_WS(' ', "
                    .'p.preferred_name, p.given_name, p.family_name, p.former_name) LIKE ?)';
            array_push($parameters, $like, $like);
        }
        foreach (
            [
                ' AND l.code = ?' => $filter->code,
                ' AND l.person_id = ?' => null === $filter->person ? null : Id::binary($filter->person),
                ' AND l.at >= ?' => null === $filter->from ? null : Instant::toSql($startOf($filter->from, '/from')),
                ' AND l.at < ?' => null === $filter->until ? null : Instant::toSql($endOf($filter->until, '/until')),
            ] as $condition => $value
        ) {
            if (null !== $value) {
                $where .= $condition;
                $parameters[] = $value;
            }
        }

        return [$where, $parameters];
    }

    private static function dayInUtc(string $day): int
    {
        return (int) strtotime($day.' UTC');
    }

    /**
     * @param list<Row>                              $rows
     * @param callable(Row): list<string|int>        $place     of a row in the list
     * @param callable(Row): ?ChangeHistory                $historyOf of the enrollment it is about
     * @param array<string, int>                     $sequences by line
     *
     * @return array<string, mixed> schema `LogEntries`
     */
    private function page(array $rows, string $list, callable $place, callable $historyOf, array $sequences): array
    {
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);
        $entries = [];
        foreach ($rows as $row) {
            $line = $row->idOrNull('line_id');
            if (null === $line) {
                $undoneBy = $row->intOrNull('undone_by');
                $entries[] = $this->entry(
                    $row,
                    null === $undoneBy && History::PLATFORM !== $row->id('site_id') && isset($row->json(
                        'data'
                    )['before']),
                    $undoneBy,
                );
            } else {
                $history = $historyOf($row);
                $undoneBy = $history?->undoneBy($line);
                $entries[] = $this->entry(
                    $row,
                    true === $history?->mayUndo($line),
                    null === $undoneBy ? null : $sequences[$undoneBy] ?? null,
                );
            }
        }

        return ['items' => $entries, 'next' => $more ? Cursor::write($list, $place($rows[self::PAGE - 1])) : null];
    }

    /** What the entry says; of many people only how many. */
    private static function data(Row $row): object
    {
        $data = $row->json('data');

        return (object) (isset($data['people'])
            ? [...array_diff_key($data, ['people' => 1]), 'count' => \count((array) $data['people'])]
            : $data);
    }

    /** @return array<string, mixed> schema `HistoryEntry` */
    private function entry(Row $row, bool $undoable, ?int $undoneBy): array
    {
        return [
            'site' =>
                null === $row->stringOrNull('title')
                    ? null
                    : ['id' => $row->id('site_id'), 'name' => $row->string('title')],
            'sequence' => $row->int('sequence'),
            'at' => Instant::toJson($row->instant('at')),
            'actor' => ['id' => $row->id('actor_id'), 'name' => PersonRow::name($row, 'a_')],
            'person' =>
                null === $row->stringOrNull('person_id')
                    ? null
                    : ['id' => $row->id('person_id'), 'name' => PersonRow::name($row, 'p_')],
            'code' => $row->string('code'),
            'data' => self::data($row),
            'undoable' => $undoable,
            'undoneBy' => $undoneBy,
        ];
    }
}
