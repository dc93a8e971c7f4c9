<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Desk\NumbersFilter;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Shared\Where;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\SiteRow;

/**
 * Sites in numbers. By hand: everybody in all sites of a division is counted at once.
 *
 * @extends BaseRepository<Site>
 */
final class SiteNumbers extends BaseRepository
{
    protected const ENTITY = Site::class;

    /**
     * @param ?list<string> $divisions codes of those whose sites are counted; null for all
     * @param int           $since     whoever came since then came lately
     *
     * @return list<Row> with `SiteRow::COLUMNS`, `learners`, `staff`, `waiting`, `lately` and `never`, by title
     */
    public function of(?array $divisions, NumbersFilter $filter, int $now, int $since): array
    {
        $where = (new Where())->and('s.taken_back = 0', [
            'now' => Instant::toSql($now),
            'since' => Instant::toSql($since),
        ]);
        if (null !== $divisions) {
            $where->and('d.code IN (:divisions)', ['divisions' => $divisions ?: ['']]);
        }
        foreach (
            [
                'division' => 'd.id IN (
                    SELECT w.division_id FROM division_within w JOIN division a ON a.id = w.above_id
                    WHERE a.code = :division
                )',
                'term' => 't.code = :term',
                'kind' => 's.kind = :kind',
            ] as $name => $condition
        ) {
            if (null !== $filter->{$name}) {
                $where->and($condition, [$name => $filter->{$name}]);
            }
        }
        foreach (SiteList::inState($filter->state) as $condition) {
            $where->and($condition);
        }

        return $this->rows(
            'SELECT '.SiteRow::COLUMNS.', COALESCE(n.learners, 0) AS learners, COALESCE(n.staff, 0) AS staff,
                COALESCE(n.waiting, 0) AS waiting, COALESCE(n.lately, 0) AS lately, COALESCE(n.never, 0) AS never
             FROM '.SiteRow::TABLES."
             LEFT JOIN (
                SELECT g.site_id,
                    SUM(g.state = 'current' AND g.holds_seat = 1) AS learners,
                    SUM(g.state = 'current' AND g.holds_seat = 0) AS staff,
                    SUM(g.state = 'waiting') AS waiting,
                    SUM(g.state = 'current' AND g.holds_seat = 1 AND e.last_seen_at >= :since) AS lately,
                    SUM(g.state = 'current' AND g.holds_seat = 1 AND e.last_seen_at IS NULL) AS never
                FROM enrollment_segment g
                LEFT JOIN enrollment e ON e.site_id = g.site_id AND e.person_id = g.person_id
                WHERE ".Sql::holds('g')." AND g.state IN ('current', 'waiting')
                GROUP BY g.site_id
             ) n ON n.site_id = s.id
             WHERE ".$where->sql().'
             ORDER BY s.title, s.id',
            $where->values,
        );
    }
}
