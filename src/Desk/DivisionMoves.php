<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Core\Platform\DivisionMove;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Roles\Band;
use MintDoor\Core\Roles\Role;
use MintDoor\Desk\Repository\DivisionContents;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Administrations;
use MintDoor\People\Repository\FactChanges;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;
use MintDoor\Shared\Transaction;

/**
 * Moves the people, sites and parts of a division to others, as a change list that is undone as one. Runs inside a
 * transaction that has the sites; only looked at, it is done in the same way and then forgotten.
 */
final readonly class DivisionMoves
{
    private const KIND = 'division';

    /** Names of people who cannot go in one answer. */
    private const LEFT = 50;

    public function __construct(
        private PlatformSettings $settings,
        private SettingsHandler $settingsHandler,
        private RulesHandler $rules,
        private DivisionContents $contents,
        private Administrations $administrations,
        private ChangeLists $changeLists,
        private History $history,
        private Transaction $transaction,
        private Locks $locks,
        private FactChanges $facts,
    ) {}

    /** @return list<string> ids of the sites that would go */
    public function sitesOf(DivisionMove $move): array
    {
        return null === $move->sites ? [] : $this->contents->sites($move->from);
    }

    /** @throws Problem of type `NotReady` where the settings would not keep their laws */
    public function make(DivisionMove $move, bool $apply, Caller $caller): DivisionMoveAnswer
    {
        $settings = $this->settings->read();
        $tree = $settings->divisions;
        self::check($move, $tree);
        $all = null === $move->people ? [] : $this->contents->people($move->from);
        $fits = static fn(Row $row): bool => $move->takes($row->intOrNull('level'), $tree);
        $people = array_map(static fn(Row $row): string => $row->id('id'), array_values(array_filter($all, $fits)));
        $left = array_values(array_filter($all, static fn(Row $row): bool => !$fits($row)));
        $sites = $this->sitesOf($move);
        $goes = $move->goes($tree);
        $after = $settings->withDivisions($move->after($tree));
        $problems = $this->problems(
            $apply,
            fn(): SettingsPreview => $this->carry($people, $sites, $move, $after, $caller, $apply),
        );
        $list = $apply
            ? $this->keep(
                new DivisionMove($move->from, $move->people, $move->sites, $move->below, $move->retire, $goes),
                $people,
                $sites,
                $tree,
                $caller,
            )
            : null;

        return new DivisionMoveAnswer(
            people: \count($people),
            sites: \count($sites),
            below: self::names($goes, $tree),
            stay: \count($left),
            left: array_map(
                static fn(Row $row): DivisionMoveLeft => new DivisionMoveLeft(
                    new Somebody($row->id('id'), PersonRow::name($row)),
                    $row->int('level'),
                ),
                \array_slice($left, 0, self::LEFT),
            ),
            notes: [] === $people && [] === $sites ? [] : $this->notes($move, $tree),
            problems: $problems,
            changeList: $list?->id,
        );
    }

    /** Whoever and whatever is still where it put them goes back. */
    public function undo(string $changeList, bool $apply, Caller $caller): DivisionMoveAnswer
    {
        [$list, $move, $people, $sites] = $this->kept($changeList, $caller);
        $settings = $this->settings->read();
        $tree = $settings->divisions;
        if (null === $tree->find($move->from)) {
            throw new Problem(ProblemType::ChangedSince, 'desk.division-gone-since');
        }
        $back = new DivisionMove($move->from, $move->from, $move->from, null, false);
        $after = $settings->withDivisions($move->back($tree));
        $problems = $this->problems(
            $apply,
            fn(): SettingsPreview => $this->carry($people, $sites, $back, $after, $caller, $apply),
        );
        $undo = null;
        if ($apply) {
            $undo = $this->changeLists->begin('undo', null, $list->title, 'applied', $caller, $list->id);
            $many = max(1, \count($people) + \count($sites));
            $undo->finish($many, $many);
            $this->write($people, $sites, $move->from, $move->from, $caller);
        }
        $moved = array_values(
            array_filter(
                $move->moved ?? [],
                static fn(string $code): bool => $tree->find($code)?->parent === $move->below,
            ),
        );

        return new DivisionMoveAnswer(
            people: \count($people),
            sites: \count($sites),
            below: self::names($moved, $tree),
            stay: 0,
            left: [],
            notes: [],
            problems: $problems,
            changeList: $undo?->id,
        );
    }

    /** @return list<string> ids of the sites that would go back */
    public function sitesBack(string $changeList, Caller $caller): array
    {
        return $this->kept($changeList, $caller)[3];
    }

    /**
     * @param list<string> $people ids
     * @param list<string> $sites  ids
     */
    private function carry(
        array $people,
        array $sites,
        DivisionMove $move,
        Settings $after,
        Caller $caller,
        bool $apply,
    ): SettingsPreview {
        $this->locks->people($people, alone: true);
        if (null !== $move->people) {
            $this->contents->move('person', $people, $move->people);
            $this->facts->note($people, FactChanges::PERSON);
        }
        if (null !== $move->sites) {
            $this->contents->move('site', $sites, $move->sites);
        }

        return $apply
            ? $this->settingsHandler->apply($after, $caller, null)
            : $this->settingsHandler->preview($after);
    }

    /**
     * @param \Closure(): SettingsPreview $work
     *
     * @return list<array{where: string, code: string, values: \stdClass}>
     */
    private function problems(bool $apply, \Closure $work): array
    {
        return $this->transaction->attempt($apply, $work)->problems;
    }

    /**
     * @param list<string> $people ids
     * @param list<string> $sites  ids
     */
    private function keep(
        DivisionMove $move,
        array $people,
        array $sites,
        DivisionTree $tree,
        Caller $caller,
    ): ChangeList {
        $targets = array_unique(array_filter([$move->people, $move->sites, $move->below], is_string(...)));
        $title = implode(' → ', array_filter([
            $tree->find($move->from)?->name,
            implode(', ', self::names(array_values($targets), $tree)),
        ]));
        $list = $this->changeLists->begin(
            self::KIND,
            null,
            mb_substr($title, 0, 160),
            'applied',
            $caller,
            undoData: ['move' => get_object_vars($move), 'people' => $people, 'sites' => $sites],
        );
        $list->work = json_encode([
            'people' => \count($people),
            'sites' => \count($sites),
            'below' => self::names($move->moved ?? [], $tree),
            'retired' => $move->retire,
        ], \JSON_THROW_ON_ERROR);
        $many = \count($people) + \count($sites) + \count($move->moved ?? []) + (int) $move->retire;
        $list->finish($many, $many);
        $this->write($people, $sites, $move->people, $move->sites, $caller);
        $this->history->write(
            History::PLATFORM,
            $caller,
            new Happening('division-moved', [
                'name' => $tree->find($move->from)->name ?? $move->from,
                'people' => \count($people),
                'sites' => \count($sites),
            ]),
        );

        return $list;
    }

    /**
     * Into the histories of whoever and whatever went.
     *
     * @param list<string> $people   ids
     * @param list<string> $sites    ids
     * @param ?string      $peopleTo code of a division
     * @param ?string      $sitesTo  code of a division
     */
    private function write(array $people, array $sites, ?string $peopleTo, ?string $sitesTo, Caller $caller): void
    {
        $tree = $this->settings->read()->divisions;
        $to = ['to' => $tree->find((string) $peopleTo)->name ?? ''];
        $happenings = array_map(
            static fn(string $person): Happening => new Happening('person-moved', $to, $person),
            $people,
        );
        foreach (array_chunk($happenings, 1_000) as $some) {
            $this->history->writeAll(History::PLATFORM, $caller, $some);
        }
        $moved = new Happening('site-moved', ['to' => $tree->find((string) $sitesTo)->name ?? '']);
        foreach ($sites as $site) {
            $this->history->write($site, $caller, $moved);
        }
    }

    /**
     * What was kept of a move, with those who are still where it put them.
     *
     * @return array{ChangeList, DivisionMove, list<string>, list<string>}
     */
    private function kept(string $changeList, Caller $caller): array
    {
        $list = $this->changeLists->seen($changeList, $caller, self::KIND);
        if ($this->changeLists->isUndone($list->id)) {
            throw new Problem(ProblemType::UndoneAlready, 'shared.nothing-change-list-left');
        }
        $data = $list->undoData ?? [];
        $strings = static fn(mixed $all): array => array_values(array_filter((array) $all, is_string(...)));
        $move = (array) ($data['move'] ?? []);
        $code = static fn(string $field): ?string => \is_string($move[$field] ?? null) ? $move[$field] : null;
        $was = new DivisionMove(
            (string) $code('from'),
            $code('people'),
            $code('sites'),
            $code('below'),
            true === ($move['retire'] ?? false),
            $strings($move['moved'] ?? []),
        );

        return [
            $list,
            $was,
            $this->contents->still('person', $strings($data['people'] ?? []), (string) $was->people),
            $this->contents->still('site', $strings($data['sites'] ?? []), (string) $was->sites),
        ];
    }

    /** @return list<DivisionMoveNote> */
    private function notes(DivisionMove $move, DivisionTree $tree): array
    {
        return [
            ...null === $move->people ? [] : $this->notesOfPeople($move->from, $move->people, $tree),
            ...$this->administrators($move->from, $move->people ?? $move->sites ?? $move->from, $tree),
        ];
    }

    /** @return list<DivisionMoveNote> */
    private function notesOfPeople(string $from, string $to, DivisionTree $tree): array
    {
        $rules = $this->rules->asSet()->over($tree);
        $notes = [];
        [$were, $are] = [$tree->find($from)?->minors, $tree->find($to)?->minors];
        if ($were !== $are) {
            $notes[] = new DivisionMoveNote(true === $were ? 'no-longer-minors' : 'now-minors');
        }
        $bands = static fn(Role $role, string $division): array => array_values(
            array_filter(
                $role->bands,
                static fn(Band $band): bool => \in_array($division, $band->divisions, true),
            ),
        );
        $other = array_filter(
            $rules->roles->all(),
            static fn(Role $role): bool => $bands($role, $from) != $bands($role, $to),
        );
        if ([] !== $other) {
            $notes[] = new DivisionMoveNote('other-rights', array_column(array_values($other), 'name'));
        }
        if ($rules->outside($from) !== $rules->outside($to)) {
            $notes[] = new DivisionMoveNote('other-outside');
        }

        return $notes;
    }

    /** @return list<DivisionMoveNote> who administers what goes no longer, and who does from then on */
    private function administrators(string $from, string $to, DivisionTree $tree): array
    {
        $lose = $gain = [];
        foreach ($this->administrations->named() as ['name' => $name, 'divisions' => $codes]) {
            $reach = $tree->reach($codes);
            [$had, $has] = [\in_array($from, $reach, true), \in_array($to, $reach, true)];
            if ($had && !$has) {
                $lose[] = $name;
            } elseif ($has && !$had) {
                $gain[] = $name;
            }
        }

        return [
            ...[] === $lose ? [] : [new DivisionMoveNote('administrators-lose', $lose)],
            ...[] === $gain ? [] : [new DivisionMoveNote('administrators-gain', $gain)],
        ];
    }

    /** @throws Problem of type `Invalid` */
    private static function check(DivisionMove $move, DivisionTree $tree): void
    {
        $errors = new FieldErrors();
        foreach ($move->refusals($tree) as $field => $code) {
            $errors->add($field, $code, 'desk.move.'.$code);
        }
        $errors->check();
    }

    /**
     * @param list<string> $codes
     *
     * @return list<string>
     */
    private static function names(array $codes, DivisionTree $tree): array
    {
        return array_map(static fn(string $code): string => $tree->find($code)->name ?? $code, $codes);
    }
}
