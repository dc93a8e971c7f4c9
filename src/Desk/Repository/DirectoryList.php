<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\People\PeopleQuery;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Roster\State;
use MintDoor\Desk\DirectoryPage;
use MintDoor\Desk\PeopleAlike;
use MintDoor\People\DetailNarrowing;
use MintDoor\People\DirectoryFilter;
use MintDoor\People\Entity\Person;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Bearers;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Many;
use MintDoor\Shared\Repository\WordIndex;
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

    private const NAME = 'directory';

    public function __construct(
        ManagerRegistry $managers,
        private readonly Divisions $divisions,
        private readonly Bearers $bearers,
        private readonly AlikePeople $alike,
    ) {
        parent::__construct($managers);
    }

    /**
     * By name, or by the word they are found by and then by name: who is called what was typed comes first.
     *
     * @param ?list<DetailNarrowing> $details null for what nobody has
     */
    public function page(DirectoryFilter $filter, Reach $reach, ?array $details, int $now): DirectoryPage
    {
        $tokens = $filter->words();
        $cursor = [] === $tokens
            ? Cursor::read($filter->cursor, self::NAME, 'su')
            : $this->bearers->index->cursor($filter->cursor, self::NAME);
        $tokens = [] === $tokens ? [] : $this->bearers->index->drivenBy($tokens, $cursor);
        $order = $this->order($tokens);
        $criteria = $this->criteria($filter, $tokens, $reach, $details, $now);
        $which = $this->once(clone $criteria, $tokens);
        $which = [] === $tokens
            ? $which->after($order, $cursor)
            : $this->bearers->index->after($which, $criteria, self::tables($filter, $tokens), $cursor);
        $rows = $this->rows(
            'SELECT '.PersonRow::COLUMNS.'
             FROM (
                SELECT p.id, p.sort_name, '.([] === $tokens ? "''" : 'w.term').' AS term
                FROM '.self::tables($filter, $tokens).'
                WHERE '.$which->sql().'
                ORDER BY '.implode(', ', array_keys($order)).'
                LIMIT '.($filter->limit + 1).'
             ) page
             STRAIGHT_JOIN person p ON p.id = page.id
             STRAIGHT_JOIN division pd ON pd.id = p.division_id
             LEFT JOIN account a ON a.person_id = p.id
             ORDER BY page.term, page.sort_name, page.id',
            $which->values,
        );
        $more = \count($rows) > $filter->limit;
        $rows = \array_slice($rows, 0, $filter->limit);
        $many = null === $cursor && !$more ? \count($rows) : $this->many($filter, $tokens, $reach, $criteria);
        $next = $more ? $this->place($rows[$filter->limit - 1], $tokens) : null;

        return new DirectoryPage($rows, Many::of($many, [] === $tokens ? null : WordIndex::COUNT_TO), $next);
    }

    /** @param list<string> $tokens */
    private function once(Where $where, array $tokens): Where
    {
        return [] === $tokens ? $where : $this->bearers->index->once($where);
    }

    /**
     * @param list<string> $tokens
     *
     * @return array<string, string>
     */
    private function order(array $tokens): array
    {
        return [] === $tokens ? ['p.sort_name' => 'ASC', 'p.id' => 'ASC'] : $this->bearers->index->order();
    }

    /** @param list<string> $tokens */
    private static function tables(DirectoryFilter $filter, array $tokens): string
    {
        return match (true) {
            [] !== $tokens => 'person_term w STRAIGHT_JOIN person p ON p.id = w.person_id',
            // Few are in a site, or bear a label; all others are read in order until the page is full.
            $filter->isOfFew() => 'person p',
            default => 'person p FORCE INDEX (in_order)',
        };
    }

    /** @param list<string> $tokens */
    private function place(Row $last, array $tokens): string
    {
        return [] === $tokens
            ? Cursor::write(self::NAME, [$last->string('sort_name'), $last->id('person_id')])
            : $this->bearers->index->place(self::NAME, $tokens, $last->id('person_id'));
    }

    /** @param list<string> $tokens */
    private function many(
        DirectoryFilter $filter,
        array $tokens,
        Reach $reach,
        Where $which,
    ): int {
        if ([] === $tokens && !$filter->isOfFew()) {
            return $this->manyAlike($filter, $reach);
        }
        $most = [] === $tokens ? '' : 'LIMIT '.(WordIndex::COUNT_TO + 1);

        return $this->number(
            'SELECT COUNT(*)
             FROM (SELECT DISTINCT p.id FROM '.self::tables($filter, $tokens).' WHERE '.$which->sql()." $most) found",
            $which->values,
        );
    }

    /** By what they are. */
    private function manyAlike(DirectoryFilter $filter, Reach $reach): int
    {
        $wanted = array_filter(
            $this->alike->counted(),
            static fn(PeopleAlike $each): bool => $each->fit($filter)
                && ($reach->everything || \in_array($each->division, $reach->divisions, true)),
        );

        return array_sum(array_map(static fn(PeopleAlike $each): int => $each->people, $wanted));
    }

    /**
     * @param ?list<DetailNarrowing> $details null for what nobody has
     *
     * @return list<string> ids, in the order of the list
     */
    public function ids(DirectoryFilter $filter, Reach $reach, ?array $details, int $now, int $most): array
    {
        $tokens = $filter->words();
        $tokens = [] === $tokens ? [] : $this->bearers->index->drivenBy($tokens, null);
        $which = $this->once($this->criteria($filter, $tokens, $reach, $details, $now), $tokens);
        $rows = $this->rows(
            'SELECT p.id
             FROM '.self::tables($filter, $tokens).'
             WHERE '.$which->sql().'
             ORDER BY '.implode(', ', array_keys($this->order($tokens)))."
             LIMIT $most",
            $which->values,
        );

        return array_map(static fn(Row $row): string => $row->id('id'), $rows);
    }

    /**
     * @param list<string>           $tokens  that find them, none where they are few and only narrowed down by words
     * @param ?list<DetailNarrowing> $details null for what nobody has
     */
    private function criteria(
        DirectoryFilter $filter,
        array $tokens,
        Reach $reach,
        ?array $details,
        int $now,
    ): Where {
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
                'kind' => '(p.kind = :kind OR p.own_kind = :kind)',
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
        null === $details ? $where->and('1 = 0') : PersonDetails::narrow($where, $details, 'p.id');
        if ('' !== $filter->division) {
            $where->and('p.division_id IN (:division)', ['division' => $this->divisionIds([$filter->division])]);
        }
        foreach (PeopleQuery::of($filter->q)->tokens as $n => $token) {
            // Numbers and addresses are among the words: beyond one's reach nobody is found by the beginning of one.
            if ('' !== $filter->site && !$reach->everything && 1 === preg_match('/\d/', $token)) {
                $where->and($within);
            }
            if ([] === $tokens) {
                $where->and("p.terms LIKE :word$n", ["word$n" => '% '.$token.'%']);
            }
        }
        if ([] !== $tokens) {
            $this->bearers->index->narrow($where, $tokens);
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
