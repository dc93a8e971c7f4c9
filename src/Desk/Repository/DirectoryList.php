<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\People\PeopleQuery;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Roster\State;
use MintDoor\Desk\PeopleAlike;
use MintDoor\History\KeptUntilChange;
use MintDoor\People\DirectoryFilter;
use MintDoor\People\Entity\Person;
use MintDoor\People\PersonRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Shared\Where;
use MintDoor\Sites\Repository\Divisions;

/**
 * The directory as a list. By hand: 200,000 people are sorted by an index, and found by the beginnings of words
 * (`bin/bench`: search).
 *
 * @extends BaseRepository<Person>
 */
final class DirectoryList extends BaseRepository
{
    protected const ENTITY = Person::class;

    public function __construct(
        ManagerRegistry $managers,
        private readonly Divisions $divisions,
        private readonly KeptUntilChange $kept,
    ) {
        parent::__construct($managers);
    }

    /** @return list<Row> with `PersonRow::COLUMNS`, one more than a page has, where there is one */
    public function page(DirectoryFilter $filter, Reach $reach, int $now, ?Cursor $cursor): array
    {
        $which = $this->criteria($filter, $reach, $now)->after(['p.sort_name' => 'ASC', 'p.id' => 'ASC'], $cursor);
        // Few are found by what they are called or bear; all others are read in order until the page is full.
        $index = $filter->finds() ? '' : 'FORCE INDEX (in_order)';

        return $this->rows(
            'SELECT '.PersonRow::COLUMNS."
             FROM (
                SELECT p.id, p.sort_name
                FROM person p $index
                WHERE ".$which->sql().'
                ORDER BY p.sort_name, p.id
                LIMIT '.($filter->limit + 1).'
             ) page
             STRAIGHT_JOIN person p ON p.id = page.id
             STRAIGHT_JOIN division pd ON pd.id = p.division_id
             LEFT JOIN account a ON a.person_id = p.id
             ORDER BY page.sort_name, page.id',
            $which->values,
        );
    }

    public function many(DirectoryFilter $filter, Reach $reach, int $now): int
    {
        if (!$filter->finds()) {
            return $this->manyAlike($filter, $reach);
        }
        $which = $this->criteria($filter, $reach, $now);

        return $this->number('SELECT COUNT(*) FROM person p WHERE '.$which->sql(), $which->values);
    }

    /** By what they are: all of them are counted once, and again when somebody was changed. */
    private function manyAlike(DirectoryFilter $filter, Reach $reach): int
    {
        $alike = $this->kept->get(
            'people by what they are',
            fn(): array => array_map(
                static fn(Row $row): PeopleAlike => new PeopleAlike(
                    $row->string('kind'),
                    $row->string('code'),
                    $row->intOrNull('level'),
                    $row->int('people'),
                ),
                $this->rows(
                    <<<'SQL'
                        SELECT p.kind, d.code, p.level, p.people
                        FROM (
                            SELECT kind, division_id, level, COUNT(*) AS people
                            FROM person FORCE INDEX (in_order)
                            WHERE gone IS NULL
                            GROUP BY kind, division_id, level
                        ) p
                        JOIN division d ON d.id = p.division_id
                        SQL,
                ),
            ),
        );
        $wanted = array_filter(
            $alike,
            static fn(PeopleAlike $each): bool => $each->fit($filter)
                && ($reach->everything || \in_array($each->division, $reach->divisions, true)),
        );

        return array_sum(array_map(static fn(PeopleAlike $each): int => $each->people, $wanted));
    }

    /** @return list<string> ids, in the order of the list */
    public function ids(DirectoryFilter $filter, Reach $reach, int $now, int $most): array
    {
        $which = $this->criteria($filter, $reach, $now);
        $rows = $this->rows(
            'SELECT p.id
             FROM person p
             WHERE '.$which->sql()."
             ORDER BY p.sort_name, p.id
             LIMIT $most",
            $which->values,
        );

        return array_map(static fn(Row $row): string => $row->id('id'), $rows);
    }

    private function criteria(DirectoryFilter $filter, Reach $reach, int $now): Where
    {
        $within = 'p.division_id IN (:reach)';
        $where = (new Where())->and('p.gone IS NULL', ['reach' => $this->divisionIds($reach->divisions)]);
        if ('' !== $filter->site) {
            // Whoever lets people into a site sees all of them, whatever division they are of.
            $where->and(
                'p.id IN (
                    SELECT g.person_id
                    FROM enrollment_segment g
                    WHERE g.site_id = :site AND '.Sql::holds('g').' AND g.state IN (:here)
                )',
                [
                    'site' => Id::binary($filter->site),
                    'now' => Instant::toSql($now),
                    'here' => State::valuesHere(),
                ],
            );
        } elseif (!$reach->everything) {
            $where->and($within);
        }
        foreach (
            [
                'kind' => 'p.kind = :kind',
                'level' => 'p.level = :level',
                'label' => 'p.id IN (
                    SELECT bears.person_id
                    FROM label wanted
                    JOIN person_label bears ON bears.label_id = wanted.id
                    WHERE wanted.name = :label
                )',
            ] as $name => $condition
        ) {
            if ('' !== $filter->{$name}) {
                $where->and($condition, [$name => $filter->{$name}]);
            }
        }
        if ('' !== $filter->division) {
            $where->and('p.division_id IN (:division)', ['division' => $this->divisionIds([$filter->division])]);
        }
        foreach (PeopleQuery::of($filter->q)->tokens as $n => $token) {
            // Numbers and addresses are among the words: beyond one's reach nobody is found by the beginning of one.
            if ('' !== $filter->site && !$reach->everything && 1 === preg_match('/\d/', $token)) {
                $where->and($within);
            }
            0 === $n
                ? $where->and(
                    'p.id IN (SELECT w.person_id FROM person_term w WHERE w.term LIKE :word0)',
                    ['word0' => $token.'%'],
                )
                : $where->and("p.terms LIKE :word$n", ["word$n" => '% '.$token.'%']);
        }

        return $where;
    }

    /**
     * @param list<string> $codes
     *
     * @return list<string> binary ids, at least one
     */
    private function divisionIds(array $codes): array
    {
        $all = $this->divisions->all();
        $ids = array_map(static fn(string $code): string => ($all[$code] ?? null)->id ?? Id::NONE, $codes);

        return self::binary($ids ?: [Id::NONE]);
    }
}
