<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Desk\SitesFilter;
use MintDoor\History\KeptUntilChange;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Shared\Where;
use MintDoor\Sites\Entity\Site;
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

    private const IN_IT = ' JOIN enrollment_segment g ON g.site_id = s.id AND g.person_id = :caller AND ';

    private const RUNS = "(g.state = 'current' AND g.role IN (:runs))";

    public function __construct(ManagerRegistry $managers, private readonly KeptUntilChange $kept)
    {
        parent::__construct($managers);
    }

    /**
     * @param list<string> $runs       codes of roles that run a site
     * @param int          $remembered sites somebody left since then are still theirs
     *
     * @return list<Row> with `SiteRow::COLUMNS`, one more than a page has, where there is one
     */
    public function page(
        Caller $caller,
        SitesFilter $filter,
        array $runs,
        int $now,
        int $remembered,
        ?Cursor $cursor,
    ): array {
        $which = $this->criteria($caller, $filter, $runs, $now, $remembered)
            ->after(['s.title' => 'ASC', 's.id' => 'ASC'], $cursor);

        return $this->rows(
            'SELECT '.SiteRow::COLUMNS.'
             FROM (
                SELECT s.id
                FROM '.self::tables($filter).'
                WHERE '.$which->sql().'
                ORDER BY s.title, s.id
                LIMIT '.($filter->limit + 1).'
             ) page
             JOIN '.SiteRow::TABLES.'
             WHERE s.id = page.id
             ORDER BY s.title, s.id',
            $which->values,
        );
    }

    /** @param list<string> $runs codes of roles that run a site */
    public function many(Caller $caller, SitesFilter $filter, array $runs, int $now, int $remembered): int
    {
        if ($caller->platformAdministrator && $filter->isOfAll()) {
            return $this->all();
        }
        $which = $this->criteria($caller, $filter, $runs, $now, $remembered);

        return $this->number(
            'SELECT COUNT(*) FROM '.self::tables($filter).' WHERE '.$which->sql(),
            $which->values,
        );
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
            'SELECT '.SiteRow::COLUMNS.', g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat
             FROM enrollment_segment g
             JOIN '.SiteRow::TABLES.'
             WHERE g.person_id = :caller AND '.Sql::holds('g').' AND '.self::RUNS.' AND s.id = g.site_id
             ORDER BY s.title, s.id',
            ['caller' => Id::binary($person), 'now' => Instant::toSql($now), 'runs' => $roles ?: ['']],
        );
    }

    private static function tables(SitesFilter $filter): string
    {
        return 'all' === $filter->scope ? 'site s' : 'site s'.self::IN_IT.Sql::holds('g');
    }

    /** @param list<string> $runs */
    private function criteria(Caller $caller, SitesFilter $filter, array $runs, int $now, int $remembered): Where
    {
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
            $where->and(
                "(s.title LIKE :word$n OR CONVERT(s.code USING utf8mb4) LIKE :word$n)",
                ["word$n" => Sql::containing($word)],
            );
        }

        return $where;
    }

    /** @return list<string> */
    private static function inState(?string $state): array
    {
        return match ($state) {
            'draft' => ['s.opens_at > :now AND s.closes_at > :now'],
            'open' => ['s.opens_at <= :now AND s.closes_at > :now'],
            'closed' => ['s.closes_at <= :now'],
            default => [],
        };
    }
}
