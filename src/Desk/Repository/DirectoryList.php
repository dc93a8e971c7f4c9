<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Core\People\PeopleQuery;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Roster\State;
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

/**
 * The directory as a list. By hand: 200,000 people are sorted by an index, and found by the beginnings of words
 * (`bin/bench`: search).
 *
 * @extends BaseRepository<Person>
 */
final class DirectoryList extends BaseRepository
{
    protected const ENTITY = Person::class;

    /** @return list<Row> with `PersonRow::COLUMNS`, one more than a page has, where there is one */
    public function page(DirectoryFilter $filter, Reach $reach, int $now, ?Cursor $cursor): array
    {
        $which = self::criteria($filter, $reach, $now)->after(['p.sort_name' => 'ASC', 'p.id' => 'ASC'], $cursor);

        return $this->rows(
            'SELECT '.PersonRow::COLUMNS.'
             FROM '.PersonRow::TABLES.'
             WHERE '.$which->sql().'
             ORDER BY p.sort_name, p.id
             LIMIT '.($filter->limit + 1),
            $which->values,
        );
    }

    public function many(DirectoryFilter $filter, Reach $reach, int $now): int
    {
        $which = self::criteria($filter, $reach, $now);

        return $this->number(
            'SELECT COUNT(*) FROM person p JOIN division pd ON pd.id = p.division_id WHERE '.$which->sql(),
            $which->values,
        );
    }

    /** @return list<string> ids, in the order of the list */
    public function ids(DirectoryFilter $filter, Reach $reach, int $now, int $most): array
    {
        $which = self::criteria($filter, $reach, $now);
        $rows = $this->rows(
            'SELECT p.id
             FROM person p
             JOIN division pd ON pd.id = p.division_id
             WHERE '.$which->sql()."
             ORDER BY p.sort_name, p.id
             LIMIT $most",
            $which->values,
        );

        return array_map(static fn(Row $row): string => $row->id('id'), $rows);
    }

    private static function criteria(DirectoryFilter $filter, Reach $reach, int $now): Where
    {
        $where = (new Where())->and('p.gone IS NULL', ['reach' => $reach->divisions ?: ['']]);
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
            $where->and('pd.code IN (:reach)');
        }
        foreach (
            [
                'kind' => 'p.kind = :kind',
                'division' => 'pd.code = :division',
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
        foreach (PeopleQuery::of($filter->q)->tokens as $n => $token) {
            // Numbers and addresses are among the words: beyond one's reach nobody is found by the beginning of one.
            if ('' !== $filter->site && !$reach->everything && 1 === preg_match('/\d/', $token)) {
                $where->and('pd.code IN (:reach)');
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
}
