<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Desk\SitesFilter;
use MintDoor\Desk\SitesPage;
use MintDoor\History\KeptUntilChange;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Many;
use MintDoor\Shared\Repository\WordIndex;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Shared\Where;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\Repository\SiteTerms;
use MintDoor\Sites\SiteRow;

/**
 * Lists of sites: filtered, sorted and paged in the database. By hand: the page is picked from a covering index first,
 * which the ORM cannot say, and has a bound (`bin/bench`: sites).
 *
 * @extends BaseRepository<Site>
 */
final class SiteList extends BaseRepository
{
    protected const ENTITY = Site::class;

    private const NAME = 'sites';

    private const IN_IT = ' JOIN enrollment_segment g ON g.site_id = s.id AND g.person_id = :caller AND ';

    private const RUNS = "(g.state = 'current' AND g.role IN (:runs))";

    /** So many archived sites are counted. */
    private const ARCHIVED_TO = 999;

    public function __construct(
        ManagerRegistry $managers,
        private readonly SiteTerms $terms,
        private readonly KeptUntilChange $kept,
        private readonly ArchivedSites $archived,
    ) {
        parent::__construct($managers);
    }

    /**
     * By title; of all sites, those that words find by the word and then by title.
     *
     * @param list<string> $runs       codes of roles that run a site
     * @param int          $remembered sites somebody left since then are still theirs
     */
    public function page(
        Caller $caller,
        SitesFilter $filter,
        array $runs,
        int $now,
        int $remembered,
    ): SitesPage {
        $tokens = self::tokens($filter);
        $index = $this->terms->index();
        $cursor = [] === $tokens
            ? Cursor::read($filter->cursor, self::NAME, 'su')
            : $index->cursor($filter->cursor, self::NAME);
        $tokens = [] === $tokens ? [] : $index->drivenBy($tokens, $cursor);
        $order = [] === $tokens ? ['s.title' => 'ASC', 's.id' => 'ASC'] : $index->order();
        $all = $this->criteria($caller, $filter, $tokens, $runs, $now, $remembered);
        $archived = $this->archived->condition();
        $criteria = self::archived(clone $all, $filter->archived, $archived);
        $which = [] === $tokens
            ? (clone $criteria)->after($order, $cursor)
            : $index->after($index->once(clone $criteria), $criteria, self::tables($filter, $tokens), $cursor);
        // One's own are few and read whole to be sorted, so that they are counted on the way.
        $counted = 'all' !== $filter->scope && null === $cursor;
        $rows = $this->rows(
            'SELECT '.SiteRow::COLUMNS.', page.fitting
             FROM (
                SELECT s.id, s.title, '.([] === $tokens ? "0 AS inside, '' AS term" : 'w.inside, w.term').',
                    '.($counted ? 'COUNT(*) OVER ()' : '0').' AS fitting
                FROM '.self::tables($filter, $tokens).'
                WHERE '.$which->sql().'
                ORDER BY '.implode(', ', array_keys($order)).'
                LIMIT '.($filter->limit + 1).'
             ) page
             '.SiteRow::BEHIND_PAGE.'
             ORDER BY page.inside, page.term, page.title, page.id',
            $which->values,
        );
        $more = \count($rows) > $filter->limit;
        $rows = \array_slice($rows, 0, $filter->limit);
        $last = $more ? $rows[$filter->limit - 1] : null;
        $next = match (true) {
            null === $last => null,
            [] === $tokens => Cursor::write(self::NAME, [$last->string('title'), $last->id('id')]),
            default => $index->place(self::NAME, $tokens, $last->id('id')),
        };
        // Where all of them are on the page they need not be counted.
        $many = match (true) {
            null === $cursor && !$more => Many::of(\count($rows), null),
            $counted && null !== $last => Many::of($last->int('fitting'), null),
            default => $this->many($caller, $filter, $tokens, $criteria, $archived),
        };
        $left = null === $archived || $filter->archived || null !== $cursor
            ? 0
            : $this->fitting($filter, $tokens, self::archived($all, true, $archived), self::ARCHIVED_TO);

        return new SitesPage($rows, $many, $next, $left);
    }

    /** @param list<string> $tokens */
    private function many(
        Caller $caller,
        SitesFilter $filter,
        array $tokens,
        Where $which,
        ?Fragment $archived,
    ): Many {
        if ($caller->platformAdministrator && $filter->isOfAll()) {
            $gone = null === $archived
                ? 0
                : $this->number(
                    "SELECT COUNT(*) FROM site s WHERE s.taken_back = 0 AND $archived->sql",
                    $archived->values,
                );

            return Many::of($this->all() - $gone, null);
        }
        $to = [] === $tokens ? null : WordIndex::COUNT_TO;

        return Many::of($this->fitting($filter, $tokens, $which, $to), $to);
    }

    /**
     * @param list<string> $tokens
     * @param ?int         $to     so many, and one more, are counted; null for all
     */
    private function fitting(SitesFilter $filter, array $tokens, Where $which, ?int $to): int
    {
        return $this->number(
            'SELECT COUNT(*)
             FROM (
                SELECT DISTINCT s.id
                FROM '.self::tables($filter, $tokens).'
                WHERE '.$which->sql().(null === $to ? '' : ' LIMIT '.($to + 1)).'
             ) found',
            $which->values,
        );
    }

    /**
     * @param ?Fragment $archived what archived sites are; null where there are none
     * @param bool      $are      whether only they are wanted, or only the others
     */
    private static function archived(Where $where, bool $are, ?Fragment $archived): Where
    {
        return match (true) {
            null !== $archived => $where->and(($are ? '' : 'NOT ').$archived->sql, $archived->values),
            $are => $where->and('0 = 1'),
            default => $where,
        };
    }

    /** @return list<string> folded words by which all sites are looked for */
    private static function tokens(SitesFilter $filter): array
    {
        return 'all' === $filter->scope ? SiteTerms::tokens(Sql::words($filter->q)) : [];
    }

    /** All of a platform are counted when another was made; those that were taken back are few. */
    private function all(): int
    {
        $row =
            $this->row(
                'SELECT HEX((SELECT MAX(id) FROM site)) AS last,
                    (SELECT COUNT(*) FROM site WHERE taken_back = 1) AS gone',
            )
            ?? new Row([]);
        $made = $this->kept->while(
            'sites that were ever made',
            $row->string('last'),
            fn(): int => $this->number('SELECT COUNT(*) FROM site'),
        );

        return $made - $row->int('gone');
    }

    /**
     * Sites that somebody is in now, in one of the roles.
     *
     * @param list<string> $roles
     *
     * @return list<Row> with `SiteRow::COLUMNS` and their segment, by title
     */
    public function runBy(string $person, array $roles, int $now): array
    {
        return $this->rows(
            'SELECT '.SiteRow::COLUMNS.', g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, g.sections
             FROM enrollment_segment g
             JOIN '.SiteRow::TABLES.'
             WHERE g.person_id = :caller AND '.Sql::holds('g').' AND '.self::RUNS.' AND s.id = g.site_id
             ORDER BY s.title, s.id',
            ['caller' => Id::binary($person), 'now' => Instant::toSql($now), 'runs' => $roles ?: ['']],
        );
    }

    /** @param list<string> $tokens */
    private static function tables(SitesFilter $filter, array $tokens): string
    {
        return match (true) {
            'all' !== $filter->scope => 'site s'.self::IN_IT.Sql::holds('g'),
            [] !== $tokens => 'site_term w STRAIGHT_JOIN site s ON s.id = w.site_id',
            default => 'site s',
        };
    }

    /**
     * @param list<string> $tokens
     * @param list<string> $runs
     */
    private function criteria(
        Caller $caller,
        SitesFilter $filter,
        array $tokens,
        array $runs,
        int $now,
        int $remembered,
    ): Where {
        $where = (new Where())->and('s.taken_back = 0', ['now' => Instant::toSql($now)]);
        foreach (self::inState($filter->state) as $condition) {
            $where->and($condition);
        }
        if ('all' !== $filter->scope) {
            $where->and(
                'run' === $filter->scope ? self::RUNS : 'NOT '.self::RUNS,
                ['caller' => Id::binary($caller->id), 'runs' => $runs ?: ['']],
            );
        } elseif (!$caller->platformAdministrator) {
            $where->and(
                's.division_id IN (SELECT id FROM division WHERE code IN (:divisions))',
                ['divisions' => $caller->divisions ?: ['']],
            );
        }
        if ('in' === $filter->scope) {
            $where->and(
                "(g.state NOT IN ('ended', 'removed') OR g.from_at > :remembered)",
                ['remembered' => Instant::toSql($remembered)],
            );
        }
        foreach (
            [
                'division' => 's.division_id = (SELECT id FROM division WHERE code = :division)',
                'term' => 's.term_id = (SELECT id FROM term WHERE code = :term)',
                'kind' => 's.kind = :kind',
            ] as $name => $condition
        ) {
            if (null !== $filter->{$name}) {
                $where->and($condition, [$name => $filter->{$name}]);
            }
        }
        foreach (Sql::words($filter->q) as $n => $word) {
            // Plain words are looked for in the index of words.
            if ([] === $tokens || !ctype_alnum($word)) {
                $where->and(
                    "(s.title LIKE :typed$n OR CONVERT(s.code USING utf8mb4) LIKE :typed$n)",
                    ["typed$n" => Sql::containing($word)],
                );
            }
        }
        if ([] !== $tokens) {
            $this->terms->index()->narrow($where, $tokens);
        }

        return $where;
    }

    /** @return list<string> conditions for the state that a site `s` is in */
    public static function inState(?string $state): array
    {
        return match ($state) {
            'draft' => ['s.opens_at > :now AND s.closes_at > :now'],
            'open' => ['s.opens_at <= :now AND s.closes_at > :now'],
            'closed' => ['s.closes_at <= :now'],
            default => [],
        };
    }
}
