<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Desk\NumbersFilter;
use MintDoor\Desk\SiteCounted;
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

    private const AT_ONCE = 1_000;

    /**
     * @param ?list<string> $divisions codes of those whose sites are counted; null for all
     *
     * @return list<Row> with `SiteRow::COLUMNS`, by title
     */
    public function sites(?array $divisions, NumbersFilter $filter, int $now): array
    {
        $where = (new Where())->and('s.taken_back = 0');
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
            $where->and($condition, ['now' => Instant::toSql($now)]);
        }

        return $this->rows(
            'SELECT '.SiteRow::COLUMNS.' FROM '.SiteRow::TABLES.' WHERE '.$where->sql().' ORDER BY s.title, s.id',
            $where->values,
        );
    }

    /**
     * @param list<string> $sites ids
     * @param int          $since whoever came since then came lately
     *
     * @return array<string, SiteCounted> by site; one that nobody is in is missing
     */
    public function counted(array $sites, int $now, int $since): array
    {
        $counted = [];
        foreach (array_chunk($sites, self::AT_ONCE) as $some) {
            foreach ($this->rows(
                "SELECT g.site_id,
                    SUM(g.state = 'current' AND g.holds_seat = 1) AS learners,
                    SUM(g.state = 'current' AND g.holds_seat = 0) AS staff,
                    SUM(g.state = 'waiting') AS waiting,
                    SUM(g.state = 'current' AND g.holds_seat = 1 AND COALESCE(e.last_seen_at >= :since, 0)) AS lately,
                    SUM(g.state = 'current' AND g.holds_seat = 1 AND e.last_seen_at IS NULL) AS never
                 FROM enrollment_segment g
                 LEFT JOIN enrollment e ON e.site_id = g.site_id AND e.person_id = g.person_id
                 WHERE g.site_id IN (:sites) AND ".Sql::holds('g')." AND g.state IN ('current', 'waiting')
                 GROUP BY g.site_id",
                ['sites' => self::binary($some), 'now' => Instant::toSql($now), 'since' => Instant::toSql($since)],
            ) as $row) {
                $counted[$row->id('site_id')] = new SiteCounted(
                    $row->int('learners'),
                    $row->int('staff'),
                    $row->int('waiting'),
                    $row->int('lately'),
                    $row->int('never'),
                );
            }
        }

        return $counted;
    }
}
