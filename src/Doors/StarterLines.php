<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Changes\BroughtLines;
use MintDoor\Changes\ComputedLine;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Starter;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Window;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Row;

/** The lines by which starters bring people and take them out. Runs inside a transaction, under the site's lock. */
final readonly class StarterLines
{
    public function __construct(
        private BroughtLines $lines,
        private LineComputer $computer,
        private Roles $roles,
    ) {}

    /**
     * @param list<string> $people ids
     *
     * @return list<string> ids of those who came
     */
    public function bring(
        SiteAccess $access,
        string $door,
        Starter $starter,
        DivisionTree $tree,
        array $people,
    ): array {
        $book = $this->roles->book();
        $may = static fn(Row $person): bool => self::belongs($starter, $person, $tree)
            && $book->mayHold($starter->role, PersonRow::person($person), $access->site)->allowed;
        $people = array_filter($this->lines->people($people), $may);

        return $this->carry(
            $access,
            $people,
            'brought',
            fn(ChangeContext $one): ComputedChange => $one->enrollment->removedByStaff($access->now)
                ? $this->computer->goAgain($one, [])
                : $this->computer->comeIn(
                    $one,
                    $door,
                    DoorKind::Cohort,
                    $starter->role,
                    new Window($access->now),
                    null,
                ),
        );
    }

    /**
     * @param ?Starter     $starter null where it is none any more: nobody belongs there
     * @param list<string> $people  ids
     *
     * @return list<string> ids of those who went
     */
    public function take(
        SiteAccess $access,
        string $door,
        ?Starter $starter,
        DivisionTree $tree,
        array $people,
    ): array {
        return $this->carry(
            $access,
            array_filter(
                $this->lines->people($people),
                static fn(Row $person): bool => null === $starter || !self::belongs($starter, $person, $tree),
            ),
            'taken-out',
            fn(ChangeContext $one): ComputedChange => $this->computer->goAgain($one, [$door]),
        );
    }

    /** The database only looks for whom it may be about: whom it is about is the core's to say. */
    private static function belongs(Starter $starter, Row $row, DivisionTree $tree): bool
    {
        $person = PersonRow::person($row);

        return null === $row->stringOrNull('gone')
            && $starter->covers($person->kinds(), $person->division, $person->level, $tree);
    }

    /**
     * @param array<string, Row>                      $people  by id
     * @param \Closure(ChangeContext): ComputedChange $compute
     *
     * @return list<string> ids of those for whom it was done
     */
    private function carry(SiteAccess $access, array $people, string $verb, \Closure $compute): array
    {
        $lines = array_filter(
            $this->lines->would($access, $people, static fn(ChangeContext $one): array => [$verb, $compute($one)]),
            static fn(ComputedLine $line): bool => $line->isReady(),
        );
        $this->lines->store($access, $lines);

        return array_map(strval(...), array_keys($lines));
    }
}
