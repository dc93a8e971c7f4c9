<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Desk\SitesFilter;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
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
        [$from, $where, $values] = $this->criteria($caller, $filter, $runs, $now, $remembered);
        foreach ($cursor->values ?? [] as $n => $value) {
            $values["c$n"] = 1 === $n ? Id::binary((string) $value) : $value;
        }

        return $this->rows(
            'SELECT '.SiteRow::COLUMNS."
             FROM (
                SELECT s.id
                FROM $from
                WHERE $where AND ".Sql::after(['s.title' => 'ASC', 's.id' => 'ASC'], $cursor).'
                ORDER BY s.title, s.id
                LIMIT '.($filter->limit + 1).'
             ) page
             JOIN '.SiteRow::TABLES.'
             WHERE s.id = page.id
             ORDER BY s.title, s.id',
            $values,
        );
    }

    /** @param list<string> $runs codes of roles that run a site */
    public function many(Caller $caller, SitesFilter $filter, array $runs, int $now, int $remembered): int
    {
        [$from, $where, $values] = $this->criteria($caller, $filter, $runs, $now, $remembered);

        return $this->number("SELECT COUNT(*) FROM $from WHERE $where", $values);
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

    /**
     * @param list<string> $runs
     *
     * @return array{string, string, array<string, mixed>} tables, condition, and its values by name
     */
    private function criteria(Caller $caller, SitesFilter $filter, array $runs, int $now, int $remembered): array
    {
        $values = ['now' => Instant::toSql($now)];
        $where = ['s.taken_back = 0', ...self::inState($filter->state)];
        $from = 'site s';
        if ('all' === $filter->scope) {
            if (!$caller->platformAdministrator) {
                $where[] = 's.division_id IN (SELECT id FROM division WHERE code IN (:divisions))';
                $values['divisions'] = $caller->divisions ?: [''];
            }
        } else {
            $from .= self::IN_IT.Sql::holds('g');
            $values += ['caller' => Id::binary($caller->id), 'runs' => $runs ?: ['']];
            $where[] = 'run' === $filter->scope ? self::RUNS : 'NOT '.self::RUNS;
        }
        if ('in' === $filter->scope) {
            $where[] = "(g.state NOT IN ('ended', 'removed') OR g.from_at > :remembered)";
            $values['remembered'] = Instant::toSql($remembered);
        }
        foreach (
            [
                'division' => 's.division_id = (SELECT id FROM division WHERE code = :division)',
                'term' => 's.term_id = (SELECT id FROM term WHERE code = :term)',
                'kind' => 's.kind = :kind',
            ] as $name => $condition
        ) {
            if (null !== $filter->{$name}) {
                $where[] = $condition;
                $values[$name] = $filter->{$name};
            }
        }
        foreach (Sql::words($filter->q) as $n => $word) {
            $where[] = "(s.title LIKE :word$n OR CONVERT(s.code USING utf8mb4) LIKE :word$n)";
            $values["word$n"] = Sql::containing($word);
        }

        return [$from, implode(' AND ', $where), $values];
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
