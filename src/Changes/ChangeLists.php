<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Changes\Repository\RequestedLines;
use MintDoor\Changes\Repository\StoredLists;
use MintDoor\Core\Roles\Permission;
use MintDoor\Messages\SentMessage;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Page;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;
use MintDoor\Shared\Somebody;
use MintDoor\Shared\Speech;

/**
 * Change lists as they are kept: while they are worked on, while they are applied, and after. What changes something
 * runs inside a transaction.
 */
final readonly class ChangeLists
{
    private const PAGE = 60;

    /** Lines of a change list in one answer. */
    private const LINES = 500;

    public function __construct(
        private StoredLists $lists,
        private RequestedLines $requested,
        private PlatformClock $clock,
        private Roles $roles,
        private Gate $gate,
        private Speech $speech,
        private Sections $sections,
    ) {}

    /** @return string its id */
    public function make(DraftRequest $work, Caller $caller): string
    {
        if (null !== $work->site) {
            $this->gate
                ->at($work->site, $caller)
                ->require(Permission::LetIn, 'shared.not-let-people-into');
        } elseif ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('changes.only-staff-make-change');
        }
        $now = $this->clock->instant();
        $list = $this->lists->make($work->kind, $work->site, $work->title, 'draft', $caller->id, $now);
        $list->work = $work->json();
        $this->lists->flush();

        return $list->id;
    }

    /**
     * One that is applied from now on, or was at once.
     *
     * @param 'applying'|'applied'      $state
     * @param ?array<string, mixed>     $undoData what undoing it needs
     * @param int                       $total    lines it has from the start
     */
    public function begin(
        string $kind,
        ?string $site,
        string $title,
        string $state,
        Caller $caller,
        ?string $undoes = null,
        ?array $undoData = null,
        int $total = 0,
    ): ChangeList {
        $list = $this->lists->make($kind, $site, $title, $state, $caller->id, $this->clock->instant(), $undoes);
        $list->undoData = $undoData;
        $list->total = $total;
        // Lines point to it, and are written by hand.
        $this->lists->flush();

        return $list;
    }

    /** Keeps what was worked on a draft. */
    public function save(string $id, DraftRequest $work, IfMatch $seen, Caller $caller): void
    {
        $this->seen($id, $caller);
        $list = $this->lists->locked($id);
        self::assertState(
            $list,
            ['draft', 'dropped'],
            'changes.change-list-applied-already',
        );
        $seen->assert($list->version);
        $list->work = $work->json();
        $list->title = $work->title;
        $list->state = 'draft';
        $list->changed($caller->id, $this->clock->instant());
        $this->lists->flush();
    }

    /** Puts a draft aside, or takes it up again. */
    public function drop(string $id, bool $dropped, Caller $caller): void
    {
        $this->seen($id, $caller);
        $list = $this->lists->locked($id);
        self::assertState($list, ['draft', 'dropped'], 'changes.change-list-applied-already-undo');
        $list->turn($dropped ? 'dropped' : 'draft');
        $this->lists->flush();
    }

    /** A draft is applied once, by one. */
    public function take(string $id, int $total, ?string $tell, Caller $caller): ChangeList
    {
        $list = $this->lists->locked($id);
        self::assertState($list, ['draft'], 'shared.change-list-applied-already');
        $list->total = $total;
        $list->tell = $tell;
        $list->changedBy = $caller->id;
        $list->turn('applying');
        $this->lists->flush();

        return $list;
    }

    /** Whoever goes on with a change list applies what is left of it with their own rights. */
    public function takeOver(string $id, Caller $caller): ChangeList
    {
        $this->seen($id, $caller);
        $list = $this->lists->locked($id);
        self::assertState($list, ['applying'], 'changes.nothing-change-list-left');
        $list->changedBy = $caller->id;
        $list->trouble = null;
        $this->lists->flush();

        return $list;
    }

    /**
     * Lines of it that are not applied by now will not be.
     *
     * @return bool whether any were left
     */
    public function stop(string $id): bool
    {
        $list = $this->lists->locked($id);
        if ('applying' !== $list->state) {
            return false;
        }
        $this->requested->stop($id);
        $list->done = $list->total;
        $list->turn('applied');
        $this->lists->flush();

        return true;
    }

    /** A draft that is carried out at once. */
    public function draft(string $id, string $kind, string $title, Caller $caller): ChangeList
    {
        $this->seen($id, $caller, $kind);
        $list = $this->lists->locked($id);
        self::assertState($list, ['draft'], 'shared.change-list-applied-already');
        $list->title = $title;
        $list->state = 'applied';
        $list->changed($caller->id, $this->clock->instant());
        $this->lists->flush();

        return $list;
    }

    /** @param array<string, mixed> $undoData what taking it back needs */
    public function finished(ChangeList $list, array $undoData, int $total, int $applied): void
    {
        $list->undoData = $undoData;
        $list->finish(max(1, $total), max(1, $applied));
        $this->lists->flush();
    }

    /**
     * Writes down that the rows of a draft became sites.
     *
     * @param list<array<string, mixed>> $rows what is kept of each
     */
    public function made(string $id, array $rows, int $made, Caller $caller): void
    {
        $list = $this->lists->locked($id);
        self::assertState($list, ['draft'], 'shared.change-list-applied-already');
        $list->undoData = ['rows' => $rows];
        $list->finish(\count($rows), $made);
        $list->state = 'applied';
        $list->changed($caller->id, $this->clock->instant());
        $this->lists->flush();
    }

    /**
     * Writes down that sites a change list made were taken back.
     *
     * @param list<string> $sites ids
     */
    public function takenBack(string $id, array $sites, Caller $caller): void
    {
        $list = $this->lists->locked($id);
        $data = $list->undoData ?? [];
        $data['rows'] = array_map(
            static fn(mixed $row): array => \in_array(((array) $row)['site'] ?? null, $sites, true)
                ? ['gone' => true] + (array) $row
                : (array) $row,
            array_values((array) ($data['rows'] ?? [])),
        );
        $list->undoData = $data;
        ++$list->version;
        $undo = $this->begin('undo', null, $list->title, 'applied', $caller, $id);
        $undo->finish(\count($sites), \count($sites));
        $this->lists->flush();
    }

    /**
     * A change list the caller may see: their own, of a site they let people into, or any for a platform administrator.
     *
     * @throws Problem of type `NotFound`
     */
    public function seen(string $id, Caller $caller, ?string $kind = null): ChangeList
    {
        $list = $this->lists->find($id) ?? throw Problem::notFound('change-list');
        $own =
            $list->madeBy->id === $caller->id || $list->changedBy === $caller->id || $caller->platformAdministrator;
        $site = $list->site?->id;
        $access = null === $site ? null : $this->gate->ifThere($site, $caller);
        // Lists are about people of any section.
        $letsIn = true === $access?->may(Permission::LetIn) && null === $access->standing->sections;
        if ((!$own && !$letsIn) || !\in_array($kind, [null, $list->kind], true)) {
            throw Problem::notFound('change-list');
        }

        return $list;
    }

    /** Whether another change list took it back, and was not undone itself. */
    public function isUndone(string $id): bool
    {
        return isset($this->lists->undoneBy([$id])[$id]);
    }

    /** @param list<string> $states */
    public static function assertState(ChangeList $list, array $states, string $sentence): void
    {
        if (!\in_array($list->state, $states, true)) {
            throw new Problem(ProblemType::Stale, $sentence);
        }
    }

    /** @return Page<ChangeListShown> schema `ChangeLists` */
    public function list(ChangeListFilter $filter, Caller $caller): Page
    {
        $lists = $this->lists->list(
            $filter,
            $caller,
            $this->roles->letting($caller, Permission::LetIn),
            $this->clock->instant(),
            Cursor::read($filter->cursor, 'changeLists', 'du'),
            self::PAGE + 1,
        );
        $last = \count($lists) > self::PAGE ? $lists[self::PAGE - 1] : null;
        $lists = \array_slice($lists, 0, self::PAGE);
        $undone = $this->lists->undoneBy(array_map(static fn(ChangeListView $list): string => $list->id, $lists));

        return new Page(
            array_map(
                static fn(ChangeListView $list): ChangeListShown => $list->shown($undone[$list->id] ?? null),
                $lists,
            ),
            null === $last ? null : Cursor::write('changeLists', [Instant::toSql($last->madeAt), $last->id]),
        );
    }

    public function shown(string $id): ChangeListShown
    {
        $view = $this->lists->view($id) ?? throw Problem::notFound('change-list');

        return $view->shown($this->lists->undoneBy([$id])[$id] ?? null);
    }

    /** With what was worked on, and lines from a position on. */
    public function page(string $id, int $after, Caller $caller): ChangeListAnswer
    {
        $list = $this->seen($id, $caller);
        $work = (array) json_decode($list->work ?? '{}', true);
        // What became of the rows of sites is the server's to say.
        if ('sites' === $list->kind && 'applied' === $list->state) {
            $work = [...$work, ...$list->undoData ?? []];
        }
        $lines = array_map(
            $this->line(...),
            $this->requested->page($id, $this->requested->any($id), $after, self::LINES + 1),
        );

        $shown = \array_slice($lines, 0, self::LINES);

        return new ChangeListAnswer(
            $this->shown($id),
            (object) $work,
            $shown,
            $this->sections->named(self::about($shown)),
            \count($lines) > self::LINES ? $lines[self::LINES - 1]->position : null,
        );
    }

    /**
     * @param list<ListedLine> $lines
     *
     * @return list<string> ids of the sections that people were in before them, or are in after them
     */
    private static function about(array $lines): array
    {
        $ids = [];
        foreach ($lines as $line) {
            foreach ([$line->before, $line->after] as $standing) {
                array_push($ids, ...array_filter((array) ($standing['sections'] ?? []), is_string(...)));
            }
        }

        return array_values(array_unique($ids));
    }

    private function line(Row $row): ListedLine
    {
        $request = null === $row->stringOrNull('request') ? [] : $row->json('request');
        $text = static fn(string $name): ?string => \is_string($request[$name] ?? null) ? $request[$name] : null;
        $standing = static fn(string $column): ?array => null === $row->stringOrNull($column)
            ? null
            : ($row->json($column) ?: null);

        return new ListedLine(
            position: $row->int('position'),
            site: new SiteInZone($row->id('site_id'), $row->string('title'), $row->string('time_zone')),
            person: new Somebody($row->id('person_id'), PersonRow::name($row)),
            text: (string) $text('text'),
            note: (string) $text('note'),
            verb: $row->stringOrNull('verb') ?? $text('verb') ?? 'undo',
            role: $text('role'),
            verdict: $row->stringOrNull('outcome'),
            reasons: $this->reasons(null === $row->stringOrNull('reasons') ? [] : $row->json('reasons')),
            before: $standing('state_before'),
            after: $standing('state_after'),
            line: $row->idOrNull('line_id'),
            message: SentMessage::ofRow($row),
        );
    }

    /**
     * @param array<array-key, mixed> $kept reasons as they were written, by themselves or beside cautions
     *
     * @return list<array{code: string, values: \stdClass}>
     */
    private function reasons(array $kept): array
    {
        $notes = array_filter(isset($kept['reasons']) ? (array) $kept['reasons'] : $kept, is_array(...));

        return array_values(
            array_map(
                fn(array $note): array => [
                    'code' => \is_string($note['code'] ?? null) ? $note['code'] : '',
                    'values' => (object) $this->told((array) ($note['values'] ?? [])),
                ],
                $notes,
            ),
        );
    }

    /**
     * @param array<array-key, mixed> $values as they were kept
     *
     * @return array<array-key, mixed> with what was kept as a sentence, said
     */
    private function told(array $values): array
    {
        $key = $values['said'] ?? null;
        if (!\is_string($key)) {
            return $values;
        }
        unset($values['said']);
        $plain = array_filter($values, static fn(mixed $value): bool => \is_int($value) || \is_string($value));

        return ['detail' => $this->speech->say(new Said($key, $plain))];
    }
}
