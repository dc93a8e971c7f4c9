<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Permission;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Shared\BulkId;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Where;

/** Change lists as they are kept: while they are worked on, while they are applied, and after. */
final readonly class ChangeLists
{
    private const PAGE = 60;

    /** Lines of a change list in one answer. */
    private const LINES = 500;

    private const SELECT = <<<'SQL'
        SELECT h.id, h.site_id, h.kind, h.title, h.state, h.version, h.made_at, h.made_by, h.changed_at, h.changed_by,
            h.total, h.done, h.applied, h.undoes, h.tell, h.trouble, s.title AS site_title, p.given_name, p.family_name,
            p.preferred_name, c.given_name AS c_given_name, c.family_name AS c_family_name,
            c.preferred_name AS c_preferred_name,
            (SELECT u.id FROM change_list u WHERE u.undoes = h.id AND u.applied > 0
            AND NOT EXISTS (SELECT 1 FROM change_list v WHERE v.undoes = u.id AND v.applied > 0) ORDER BY u.id DESC
            LIMIT 1) AS undone_by
        FROM change_list h
        JOIN person p ON p.id = h.made_by
        LEFT JOIN person c ON c.id = h.changed_by
        LEFT JOIN site s ON s.id = h.site_id
        SQL;

    public function __construct(
        private Connection $db,
        private Ids $ids,
        private PlatformClock $clock,
        private Roles $roles,
        private Gate $gate,
    ) {}

    /** @return string its id */
    public function make(DraftRequest $work, Caller $caller): string
    {
        if (null !== $work->site) {
            $this->gate
                ->at($work->site, $caller)
                ->require(Permission::LetIn, 'You may not let people into this site. Its leads and co-tutors can.');
        } elseif ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('Only staff make change lists. Ask a tutor or an administrator.');
        }

        return $this->insert($work->kind, $work->site, $work->title, 'draft', $caller, ['work' => $work->json()]);
    }

    /** @param array<string, string|int|BulkId|null> $more */
    public function insert(
        string $kind,
        ?string $site,
        string $title,
        string $state,
        Caller $caller,
        array $more = [],
    ): string {
        $by = BulkWriter::id($caller->id);
        $at = Instant::toSql($this->clock->instant());
        $rows = new BulkWriter($this->db);
        $rows->add('change_list', [
            'id' => BulkWriter::id($id = $this->ids->next()),
            'site_id' => BulkWriter::id($site),
            'made_by' => $by,
            'made_at' => $at,
            'changed_by' => $by,
            'changed_at' => $at,
            'state' => $state,
            'kind' => $kind,
            'title' => $title,
            ...$more,
        ]);
        $rows->flush();

        return $id;
    }

    /**
     * Keeps what was worked on a draft.
     *
     * @param callable(int): void $assertVersion called with the version that is kept, under its lock
     */
    public function save(string $id, DraftRequest $work, callable $assertVersion, Caller $caller): void
    {
        $this->row($id, $caller);
        $row = $this->locked($id);
        $this->mustBe(
            $row,
            ['draft', 'dropped'],
            'This change list was applied already, so it is not worked on any more. Begin another.',
        );
        $assertVersion($row->int('version'));
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE change_list
                SET work = ?, title = ?, state = 'draft', version = version + 1, changed_at = ?, changed_by = ?
                WHERE id = ?
                SQL,
            [
                $work->json(),
                $work->title,
                Instant::toSql($this->clock->instant()),
                Id::binary($caller->id),
                Id::binary($id),
            ],
        );
    }

    /** Puts a draft aside, or takes it up again. */
    public function drop(string $id, bool $dropped, Caller $caller): void
    {
        $this->row($id, $caller);
        $this->mustBe($this->locked($id), ['draft', 'dropped'], 'This change list was applied already. Undo it '
            .'instead.');
        $this->db->executeStatement('UPDATE change_list SET state = ?, version = version + 1 WHERE id = ?', [
            $dropped ? 'dropped' : 'draft',
            Id::binary($id),
        ]);
    }

    /** A draft is applied once, by one. */
    public function take(string $id, int $total, ?string $tell, Caller $caller): Row
    {
        $row = $this->locked($id);
        $this->mustBe($row, ['draft'], 'This change list was applied already. Begin another.');
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE change_list
                SET state = 'applying', total = ?, tell = ?, changed_by = ?, version = version + 1
                WHERE id = ?
                SQL,
            [$total, $tell, Id::binary($caller->id), Id::binary($id)],
        );

        return $row;
    }

    /**
     * Lines of it that are not applied by now will not be.
     *
     * @param 'change_request'|'account_row' $lines
     */
    public function stop(string $id, string $lines = 'change_request'): void
    {
        if ('applying' === $this->locked($id)->string('state')) {
            $this->db->executeStatement(
                'UPDATE '
                    .$lines
                    .' SET outcome = \'refused\', reasons = \'[{"code":"stopped","values":{}}]\' '
                    .'WHERE change_list_id = ? '
                        .'AND outcome IS NULL',
                [Id::binary($id)],
            );
            $this->db->executeStatement(
                'UPDATE change_list SET state = \'applied\', done = total, version = version + 1 WHERE id = ?',
                [Id::binary($id)],
            );
        }
    }

    /**
     * Writes down that the rows of a draft became sites.
     *
     * @param list<array<string, mixed>> $rows schema `SiteBatchRow`
     */
    public function made(string $id, array $rows, int $made, Caller $caller): void
    {
        $this->mustBe($this->locked($id), ['draft'], 'This change list was applied already. Begin another.');
        $kept = ['number' => 1, 'title' => 1, 'code' => 1, 'verdict' => 1, 'problems' => 1, 'site' => 1];
        $writtenRows = array_map(static fn(array $row): array => array_intersect_key($row, $kept), $rows);
        $this->db->executeStatement(
            'UPDATE change_list SET state = \'applied\', undo_data = ?, total = ?, done = total, applied = ?,
                changed_by = ?, changed_at = ?, version = version + 1 WHERE id = ?',
            [
                json_encode(['rows' => $writtenRows], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                \count($rows),
                $made,
                Id::binary($caller->id),
                Instant::toSql($this->clock->instant()),
                Id::binary($id),
            ],
        );
    }

    /**
     * Writes down that sites a change list made were taken back.
     *
     * @param list<string> $sites ids
     */
    public function takenBack(string $id, array $sites, Caller $caller): void
    {
        $work = $this->undoData($id);
        $work['rows'] = array_map(
            static fn(mixed $row): array => \in_array(((array) $row)['site'] ?? null, $sites, true)
                ? ['gone' => true] + (array) $row
                : (array) $row,
            array_values((array) ($work['rows'] ?? [])),
        );
        $this->db->executeStatement('UPDATE change_list SET undo_data = ?, version = version + 1 WHERE id = ?', [
            json_encode($work, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
            Id::binary($id),
        ]);
        $row = $this->row($id, $caller);
        $this->insert('undo', null, $row->string('title'), 'applied', $caller, [
            'undoes' => BulkWriter::id($id),
            'total' => \count($sites),
            'done' => \count($sites),
            'applied' => \count($sites),
        ]);
    }

    /** @return array<array-key, mixed> what undoing needs: written by the server alone */
    public function undoData(string $id): array
    {
        $data = $this->db->fetchOne('SELECT undo_data FROM change_list WHERE id = ?', [Id::binary($id)]);

        return \is_string($data) ? (array) json_decode($data, true) : [];
    }

    private function work(string $id): string
    {
        $work = $this->db->fetchOne('SELECT work FROM change_list WHERE id = ?', [Id::binary($id)]);

        return \is_string($work) ? $work : '{}';
    }

    private function locked(string $id): Row
    {
        return new Row(
            $this->db->fetchAssociative('SELECT state, version, site_id FROM change_list WHERE id = ? FOR UPDATE', [
                Id::binary($id),
            ])
            ?: throw Problem::notFound('This change list'),
        );
    }

    /**
     * A change list the caller may see: their own, of a site they let people into, or any for a platform administrator.
     *
     * @throws Problem of type `NotFound`
     */
    public function row(string $id, Caller $caller): Row
    {
        $found = $this->db->fetchAssociative(self::SELECT.' WHERE h.id = ?', [Id::binary($id)]);
        $row = new Row(false === $found ? throw Problem::notFound('This change list') : $found);
        $site = $row->idOrNull('site_id');
        $own =
            $row->id('made_by') === $caller->id
            || $row->idOrNull('changed_by') === $caller->id
            || $caller->platformAdministrator;
        if (!$own && (null === $site || true !== $this->gate->ifThere($site, $caller)?->may(Permission::LetIn))) {
            throw Problem::notFound('This change list');
        }

        return $row;
    }

    /** @throws Problem of type `NotFound` */
    public function mustBeKind(Row $row, string $kind): void
    {
        if ($kind !== $row->string('kind')) {
            throw Problem::notFound('This change list');
        }
    }

    /** @param list<string> $states */
    public function mustBe(Row $row, array $states, string $sentence): void
    {
        if (!\in_array($row->string('state'), $states, true)) {
            throw new Problem(ProblemType::Stale, $sentence);
        }
    }

    /** @return array<string, mixed> schema `Change lists` */
    public function list(ChangeListFilter $filter, Caller $caller): array
    {
        $now = Instant::toSql($this->clock->instant());
        $where = new Where("h.kind <> 'single'");
        if ($filter->mine) {
            $where->add('(h.made_by = ? OR h.changed_by = ?)', Id::binary($caller->id), Id::binary($caller->id));
        } elseif (!$caller->platformAdministrator) {
            $where->add(
                '(h.made_by = ? OR h.changed_by = ? OR h.site_id IN (SELECT g.site_id FROM enrollment_segment g '
                    .'WHERE g.person_id = ? AND g.from_at <= ? AND g.until_at > ? AND g.state = \'current\' '
                    .'AND g.role IN (?)) OR h.site_id IN (SELECT x.id FROM site x '
                    .'JOIN division d ON d.id = x.division_id WHERE d.code IN (?)))',
                Id::binary($caller->id),
                Id::binary($caller->id),
                Id::binary($caller->id),
                $now,
                $now,
                $this->roles->book()->holdersOf(Permission::LetIn) ?: [''],
                $caller->divisions ?: [''],
            );
        }
        if ('' !== $filter->site) {
            $where->add('h.site_id = ?', Id::binary($filter->site));
        }
        '' === $filter->state ? $where->add("h.state <> 'dropped'") : $where->add('h.state = ?', $filter->state);
        $cursor = Cursor::read($filter->cursor, 'changeLists', 'du');
        if (null !== $cursor) {
            $where->add(
                '(h.made_at < ? OR (h.made_at = ? AND h.id < ?))',
                $cursor->values[0],
                $cursor->values[0],
                Id::binary((string) $cursor->values[1]),
            );
        }
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                self::SELECT.' WHERE '.$where->sql().' ORDER BY h.made_at DESC, h.id DESC LIMIT '.(self::PAGE + 1),
                $where->parameters,
                $where->types,
            ),
        );
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);
        $last = [] === $rows ? null : $rows[array_key_last($rows)];

        return [
            'items' => array_map(self::json(...), $rows),
            'next' =>
                $more && null !== $last ? Cursor::write(
                    'changeLists',
                    [$last->string('made_at'), $last->id('id')]
                ) : null,
        ];
    }

    /** @return array<string, mixed> schema `SheetRecord` */
    public static function json(Row $row): array
    {
        $site = $row->idOrNull('site_id');

        return [
            'id' => $row->id('id'),
            'kind' => $row->string('kind'),
            'title' => $row->string('title'),
            'state' => $row->string('state'),
            'version' => $row->int('version'),
            'site' => null === $site ? null : ['id' => $site, 'title' => $row->stringOrNull('site_title') ?? ''],
            'madeAt' => Instant::toJson($row->instant('made_at')),
            'madeBy' => ['id' => $row->id('made_by'), 'name' => PersonRow::name($row)],
            'changedAt' => Instant::toJson($row->instantOrNull('changed_at') ?? $row->instant('made_at')),
            'total' => $row->int('total'),
            'done' => $row->int('done'),
            'applied' => $row->int('applied'),
            'trouble' => $row->stringOrNull('trouble'),
            'tell' => $row->stringOrNull('tell'),
            'undoes' => $row->idOrNull('undoes'),
            'undoneBy' => $row->idOrNull('undone_by'),
        ];
    }

    /** @return array<string, mixed> schema `SheetPage`: with what was worked on, and lines from a position on */
    public function page(string $id, int $after, Caller $caller): array
    {
        $row = $this->row($id, $caller);
        $work = (array) json_decode($this->work($id), true);
        // What became of the rows of sites is the server's to say.
        $work =
            'sites' === $row->string('kind') && 'applied' === $row->string('state')
                ? [...$work, ...$this->undoData($id)]
                : $work;
        $lines = $this->lines($id, $after);
        $more = \count($lines) > self::LINES;

        return [
            ...self::json($row),
            'work' => (object) $work,
            'lines' => \array_slice($lines, 0, self::LINES),
            'next' => $more ? $lines[self::LINES - 1]['position'] : null,
        ];
    }

    /** @return list<array<string, mixed>> schema `StoredSheetLine` */
    private function lines(string $id, int $after): array
    {
        // A change list that was reviewed has its requests, applied or not; one that was applied at once has its lines
        // only.
        $requests =
            false !== $this->db->fetchOne(<<<'SQL'
                SELECT 1
                FROM change_request
                WHERE change_list_id = ?
                LIMIT 1
                SQL, [Id::binary($id)]);
        $from = $requests
            ? 'w.position, w.site_id, w.person_id, w.request, w.outcome, w.reasons, n.id AS line_id, n.verb, '
                .'n.state_before, n.state_after, m.id AS message_id, m.state AS message_state FROM change_request w '
                .'LEFT JOIN change_line n ON n.id = w.line_id LEFT JOIN message m ON m.line_id = w.line_id'
            : 'w.position, w.site_id, w.person_id, NULL AS request, w.verdict AS outcome, w.notes AS reasons, w.id AS '
                .'line_id, w.verb, w.state_before, w.state_after, m.id AS message_id, m.state AS message_state '
                .'FROM change_line w LEFT JOIN message m ON m.line_id = w.id';
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT s.title, s.time_zone, p.given_name, p.family_name, p.preferred_name, '
                    .$from
                    .' JOIN site s ON s.id = w.site_id JOIN person p ON p.id = w.person_id WHERE w.change_list_id = ? '
                        .'AND w.position > ? ORDER BY w.position LIMIT '
                    .(self::LINES + 1),
                [Id::binary($id), $after],
            ),
        );

        return array_map(static function (Row $row): array {
            $request = null === $row->stringOrNull('request') ? [] : $row->json('request');
            $reasons = null === $row->stringOrNull('reasons') ? [] : $row->json('reasons');
            $standing = static fn(string $column): ?array => null === $row->stringOrNull($column)
                ? null
                : ($row->json($column)
                ?: null);

            return [
                'position' => $row->int('position'),
                'site' => [
                    'id' => $row->id('site_id'),
                    'title' => $row->string('title'),
                    'timeZone' => $row->string('time_zone'),
                ],
                'person' => ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)],
                'text' => \is_string($request['text'] ?? null) ? $request['text'] : '',
                'verb' => $row->stringOrNull('verb') ?? (\is_string(
                    $request['verb'] ?? null
                ) ? $request['verb'] : 'undo'),
                'role' => \is_string($request['role'] ?? null) ? $request['role'] : null,
                'verdict' => $row->stringOrNull('outcome'),
                'reasons' => array_values(
                    array_map(
                        static fn(mixed $note): array => [
                            'code' => ((array) $note)['code'] ?? '',
                            'values' => (object) (((array) $note)['values'] ?? []),
                        ],
                        array_filter(
                            isset($reasons['reasons']) ? (array) $reasons['reasons'] : $reasons,
                            is_array(...),
                        ),
                    ),
                ),
                'before' => $standing('state_before'),
                'after' => $standing('state_after'),
                'line' => $row->idOrNull('line_id'),
                'message' =>
                    null === $row->idOrNull('message_id')
                        ? null
                        : ['id' => $row->id('message_id'), 'state' => $row->string('message_state')],
            ];
        }, $rows);
    }
}
