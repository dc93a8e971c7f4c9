<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeItem;
use MintDoor\Changes\ChangeListRunner;
use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\LineRequest;
use MintDoor\Changes\ManySites;
use MintDoor\Core\Accounts\Merging;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\History\History;
use MintDoor\Messages\Notices;
use MintDoor\People\PersonFacts;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\PersonGate;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Sites\SiteRow;

/**
 * Makes one person of two, and takes that back. What changes something runs inside a transaction.
 *
 * @phpstan-import-type Facts from PersonFacts
 *
 * @phpstan-type Kept array{stays: string, goes: string, before: Facts, other: Facts, moved: bool, labels: list<string>,
 *     version: int, closedFrom: ?int}
 */
final readonly class Merges
{
    private const MAY = 'Only administrators of both divisions merge people.';

    /** Facts of which one of the two is kept. */
    private const FACTS = ['given', 'family', 'preferred', 'former', 'level', 'number', 'email'];

    public function __construct(
        private Connection $db,
        private PersonGate $gate,
        private PersonFacts $facts,
        private Accounts $accounts,
        private ManySites $sites,
        private ChangeListRunner $runner,
        private ChangeLists $changeLists,
        private Roles $roles,
        private PlatformClock $clock,
        private History $history,
        private Notices $notices,
        private Locks $locks,
    ) {}

    /** @return list<string> ids of the sites either of them has to do with */
    public function sitesOf(string ...$people): array
    {
        return array_values(
            array_unique(
                array_map(
                    static fn(Row $row): string => $row->id('site_id'),
                    array_merge(
                        [],
                        ...array_map(
                            fn(string $person): array => Row::all(
                                $this->db->fetchAllAssociative('SELECT site_id FROM enrollment WHERE person_id = ?', [
                                    Id::binary($person),
                                ]),
                            ),
                            array_values($people),
                        ),
                    ),
                ),
            ),
        );
    }

    /** @return array<string, mixed> schema `Merge` */
    public function merge(MergeRequest $request, Caller $caller): array
    {
        $this->locks->people([$request->stays, $request->goes], alone: true);
        $stays = $this->gate->administered($request->stays, $caller, self::MAY);
        $goes = $this->gate->administered($request->goes, $caller, self::MAY);
        $this->assertMay($goes, $caller);
        [$items, $choices] = $this->items($request, $caller);
        $review = $this->sites->review($items, $caller);
        $facts = $this->settled($request, $stays, $goes);
        $open = $review['total'] - ($review['verdicts']['ready'] ?? 0) - ($review['verdicts']['nothing-to-do'] ?? 0);
        $ready = [] === $choices && 0 === $open;
        $changeList = null;
        if ($request->apply) {
            if (!$ready) {
                throw new Problem(
                    ProblemType::NotReady,
                    [] === $choices
                        ? 'One of their sites does not allow it: see its line.'
                        : 'They have different roles in a site. Choose which one is kept.',
                );
            }
            $changeList = $this->apply($request, $stays, $goes, $facts, $items, $caller);
        }

        return [
            'stays' => PersonRow::json($stays, PersonVisibility::Full),
            'goes' => PersonRow::json($goes, PersonVisibility::Full),
            'facts' => $facts,
            'login' => $stays->stringOrNull('login') ?? $goes->stringOrNull('login'),
            'closes' =>
                null !== $stays->stringOrNull('login') && null !== $goes->stringOrNull('login')
                    ? $goes->string('login')
                    : null,
            'choices' => $choices,
            'review' => $review,
            'ready' => $ready,
            'changeList' => $changeList,
        ];
    }

    /**
     * What parting them again would do in their sites. They are parted for it, and that is forgotten.
     *
     * @return array<string, mixed> schema `SheetReview`
     */
    public function lookBack(string $changeList, Caller $caller): array
    {
        $kept = $this->kept($changeList, $caller)[1];
        $this->db->beginTransaction();
        try {
            $this->part($kept, $caller);

            return $this->sites->reviewUndo($this->lines($changeList), $caller);
        } finally {
            $this->db->rollBack();
        }
    }

    /** @return string id of the change list that took it back */
    public function takeBack(string $changeList, Caller $caller): string
    {
        [$record, $kept] = $this->kept($changeList, $caller);
        $this->locks->people([$kept['stays'], $kept['goes']], alone: true);
        $this->part($kept, $caller);
        $review = $this->sites->reviewUndo($this->lines($changeList), $caller);
        if (($review['verdicts']['ready'] ?? 0) < $review['total']) {
            throw new Problem(
                ProblemType::ChangedSince,
                'Something was changed for them in a site since. Undo that first.',
            );
        }
        $lines = $this->lines($changeList);
        $undo = $this->changeLists->insert(
            'undo',
            null,
            $record->string('title'),
            [] === $lines ? 'applied' : 'applying',
            $caller,
            [
                'undoes' => BulkWriter::id($changeList),
                'total' => max(1, \count($lines)),
                'done' => [] === $lines ? 1 : 0,
                'applied' => [] === $lines ? 1 : 0,
            ],
        );
        $this->runner->write(
            $undo,
            array_map(
                static fn(Row $line): array => [
                    'site' => $line->id('site_id'),
                    'person' => $line->id('person_id'),
                    'request' => ['undo' => $line->id('id')],
                ],
                $lines,
            ),
        );
        [] === $lines || $this->runner->begin($undo, \count($lines));
        $this->history->write(
            History::PLATFORM,
            $caller,
            [['unmerged', ['changeList' => $changeList], $kept['stays']]]
        );

        return $undo;
    }

    /**
     * Gives both their own names, numbers, addresses and accounts back.
     *
     * @param Kept $kept
     */
    private function part(array $kept, Caller $caller): void
    {
        $stays = $this->gate->administered($kept['stays'], $caller, self::MAY);
        $goes = new Row(
            $this->db->fetchAssociative('SELECT gone, gone_into FROM person WHERE id = ? FOR UPDATE', [
                Id::binary($kept['goes']),
            ])
            ?: [],
        );
        if ('merged' !== $goes->stringOrNull('gone') || $goes->idOrNull('gone_into') !== $kept['stays']) {
            throw new Problem(ProblemType::UndoneAlready, 'This was already undone.');
        }
        if ($stays->int('version') !== $kept['version']) {
            throw new Problem(
                ProblemType::ChangedSince,
                'Names, number or address were changed since. Change them back by hand first.',
            );
        }
        if ($kept['moved']) {
            $this->db->executeStatement('UPDATE account SET person_id = ? WHERE person_id = ?', [
                Id::binary($kept['goes']),
                Id::binary($kept['stays']),
            ]);
            $this->accounts->endSessions($kept['stays']);
        } elseif (null !== $kept['closedFrom']) {
            $this->db->executeStatement('UPDATE account SET closed_from = ? WHERE person_id = ?', [
                Instant::toSql($kept['closedFrom']),
                Id::binary($kept['goes']),
            ]);
        }
        // Whoever stays lets go of number and address first: two cannot hold them.
        $this->facts->write($kept['stays'], $kept['before']);
        $this->facts->write($kept['goes'], $kept['other']);
        foreach ($kept['labels'] as $label) {
            $this->db->executeStatement('DELETE FROM person_label WHERE person_id = ? AND label_id = ?', [
                Id::binary($kept['stays']),
                Id::binary($label),
            ]);
        }
    }

    /** @return list<string> ids of both */
    public function people(string $changeList, Caller $caller): array
    {
        $kept = $this->kept($changeList, $caller)[1];

        return [$kept['stays'], $kept['goes']];
    }

    private function assertMay(Row $goes, Caller $caller): void
    {
        if ($goes->id('person_id') === $caller->id) {
            throw Problem::notAllowed('You cannot be the one who goes. Keep your own, or ask another administrator.');
        }
        if (
            false
            !== $this->db->fetchOne(
                <<<'SQL'
                    SELECT 1
                    FROM account
                    WHERE person_id = ? AND platform_administrator = 1
                    UNION
                    SELECT 1
                    FROM division_administrator
                    WHERE person_id = ?
                    SQL,
                [Id::binary($goes->id('person_id')), Id::binary($goes->id('person_id'))],
            )
        ) {
            throw Problem::notAllowed(
                'The one who goes administers something. Take that from them first, under Rules, or let the other one '
                    .'go.',
            );
        }
    }

    /**
     * @return array{list<ChangeItem>, list<array{site: array{id: string, title: string}, roles: list<string>}>} lines,
     *     and what somebody has to choose
     */
    private function items(MergeRequest $request, Caller $caller): array
    {
        $now = $this->clock->instant();
        $timelines = $rows = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT '
                        .SiteRow::COLUMNS
                        .', g.person_id, g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat '
                            .'FROM enrollment_segment g JOIN site s ON s.id = g.site_id '
                            .'JOIN division d ON d.id = s.division_id JOIN term t ON t.id = s.term_id '
                            .'WHERE g.person_id IN (?, ?) AND s.taken_back = 0 ORDER BY s.title, s.id, g.from_at',
                    [Id::binary($request->stays), Id::binary($request->goes)],
                ),
            ) as $row
        ) {
            if (!$caller->administers($row->string('division_code'))) {
                throw Problem::notAllowed(
                    'One of them is in a site of another division. Ask a platform administrator to merge them.',
                );
            }
            $rows[$row->id('id')] = $row;
            $timelines[$row->id('id')][$row->id('person_id')][] = SegmentRow::segment($row);
        }
        $items = $choices = [];
        foreach ($timelines as $site => $of) {
            $merging = Merging::inSite(
                new Timeline($of[$request->stays] ?? []),
                new Timeline($of[$request->goes] ?? []),
                $now,
                $this->roles->book(),
                $request->roles[$site] ?? null,
            );
            if (null !== $merging->between) {
                $choices[] = [
                    'site' => ['id' => $site, 'title' => $rows[$site]->string('title')],
                    'roles' => $merging->between,
                ];
            }
            foreach ($merging->steps as [$stays, $wanted]) {
                $items[] = new ChangeItem(
                    $site,
                    $this->line(
                        $stays ? $request->stays : $request->goes,
                        $wanted,
                        new \DateTimeZone($rows[$site]->string('time_zone')),
                        $now,
                    ),
                );
            }
        }

        return [$items, $choices];
    }

    private function line(string $person, Wanted $wanted, \DateTimeZone $zone, int $now): LineRequest
    {
        $day = static fn(int $instant): string => (new \DateTimeImmutable('@'.$instant))
            ->setTimezone($zone)
            ->format('Y-m-d');
        $window = $wanted->window;

        return new LineRequest(
            $person,
            $wanted->verb->value,
            $wanted->role,
            null === $window || $window->from <= $now ? null : $day($window->from),
            null === $window || $window->until >= Time::FOREVER ? null : $day($window->until - 1),
            sure: true,
        );
    }

    /** @return Facts */
    private function settled(MergeRequest $request, Row $stays, Row $goes): array
    {
        [$own, $theirs] = [PersonFacts::of($stays), PersonFacts::of($goes)];
        $facts = $own;
        foreach (self::FACTS as $field) {
            // What only one of them has is kept, whatever is chosen for it.
            $facts[$field] =
                'goes' === ($request->take[$field] ?? 'stays')
                    ? $theirs[$field] ?? $own[$field]
                    : $own[$field] ?? $theirs[$field];
        }
        if (null === $facts['former']) {
            $other = $facts['family'] === $own['family'] ? $theirs['family'] : $own['family'];
            $facts['former'] = $other === $facts['family'] ? null : $other;
        }

        return $facts;
    }

    /**
     * @param Facts           $facts
     * @param list<ChangeItem> $items
     */
    private function apply(
        MergeRequest $request,
        Row $stays,
        Row $goes,
        array $facts,
        array $items,
        Caller $caller,
    ): string {
        $moved = null === $stays->stringOrNull('login') && null !== $goes->stringOrNull('login');
        $labels = array_map(
            static fn(Row $row): string => $row->id('label_id'),
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT label_id
                        FROM person_label
                        WHERE person_id = ? AND label_id NOT IN (SELECT label_id FROM person_label WHERE person_id = ?)
                        SQL,
                    [Id::binary($request->goes), Id::binary($request->stays)],
                ),
            ),
        );
        $work = [
            'stays' => $request->stays,
            'goes' => $request->goes,
            'before' => PersonFacts::of($stays),
            'other' => PersonFacts::of($goes),
            'moved' => $moved,
            'labels' => $labels,
            'version' => $stays->int('version') + 1,
            'closedFrom' => null === $goes->stringOrNull('login') ? null : $goes->instant('closed_from'),
        ];
        $count = \count($items);
        $changeList = $this->changeLists->insert(
            'merge',
            null,
            PersonRow::name($stays),
            0 === $count ? 'applied' : 'applying',
            $caller,
            [
                'undo_data' => json_encode($work, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                'total' => max(1, $count),
                'done' => 0 === $count ? 1 : 0,
                'applied' => 0 === $count ? 1 : 0,
            ],
        );
        $this->runner->write(
            $changeList,
            array_map(
                static fn(ChangeItem $item): array => [
                    'site' => $item->site,
                    'person' => $item->line->person,
                    'request' => array_diff_key(get_object_vars($item->line), ['person' => 1]),
                ],
                $items,
            ),
        );
        0 === $count || $this->runner->begin($changeList, $count);
        foreach ($labels as $label) {
            $this->db->executeStatement(
                'INSERT IGNORE INTO person_label (person_id, label_id, put_by, put_at) VALUES (?, ?, ?, ?)',
                [
                    Id::binary($request->stays),
                    Id::binary($label),
                    Id::binary($caller->id),
                    Instant::toSql($this->clock->instant()),
                ],
            );
        }
        $this->facts->write(
            $request->goes,
            [...PersonFacts::of($goes), 'number' => null, 'email' => null],
            'merged',
            $request->stays,
        );
        if ($moved) {
            $this->db->executeStatement('UPDATE account SET person_id = ? WHERE person_id = ?', [
                Id::binary($request->stays),
                Id::binary($request->goes),
            ]);
        } else {
            $this->db->executeStatement('UPDATE account SET closed_from = LEAST(closed_from, ?) WHERE person_id = ?', [
                Instant::toSql($this->clock->instant()),
                Id::binary($request->goes),
            ]);
        }
        $this->accounts->endSessions($request->goes);
        $this->facts->write($request->stays, $facts);
        $this->history->write(History::PLATFORM, $caller, [['merged', ['changeList' => $changeList], $request->stays]]);
        $this->notices->tell([[$this->accounts->row($request->stays), 'login']], $caller);

        return $changeList;
    }

    /** @return list<Row> applied lines of a change list, the last first */
    private function lines(string $changeList): array
    {
        return Row::all(
            $this->db->fetchAllAssociative(
                'SELECT id, site_id, person_id FROM change_line WHERE change_list_id = ? ORDER BY position DESC',
                [Id::binary($changeList)],
            ),
        );
    }

    /** @return array{Row, Kept} */
    private function kept(string $changeList, Caller $caller): array
    {
        $record = $this->changeLists->row($changeList, $caller);
        $this->changeLists->mustBeKind($record, 'merge');
        $this->changeLists->mustBe(
            $record,
            ['applied', 'applying'],
            'This was never done, so there is nothing to take back.',
        );
        // Written by the server alone; what clients keep in `work` is never read for this.
        $found = $this->db->fetchOne('SELECT undo_data FROM change_list WHERE id = ?', [Id::binary($changeList)]);
        $work = \is_string($found) ? json_decode($found, true) : null;
        if (!\is_array($work)) {
            throw new Problem(
                ProblemType::ChangedSince,
                'One of them was erased since, so this cannot be taken back any more.',
            );
        }

        /** @phpstan-ignore return.type (written by apply() above) */
        return [$record, $work];
    }
}
