<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use Doctrine\DBAL\Exception\RetryableException;
use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\Roster\CountedAs;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Roles\Roles;
use MintDoor\Roster\CountedSite;
use MintDoor\Roster\Entity\SiteCountRecord;
use MintDoor\Roster\SiteAccess;
use MintDoor\Roster\SiteCount;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * How many people are in sites. For showing, never for deciding: a count is kept beside its site until the roster's
 * version or the time moves on, and counted again when it is next asked for. By hand: counting is what the database
 * does faster, and the list of sites has a bound (`bin/bench`).
 *
 * @extends BaseRepository<SiteCountRecord>
 */
final class Counts extends BaseRepository
{
    protected const ENTITY = SiteCountRecord::class;

    /** The count beside a site `s`, as long as it holds at `:now`. */
    public const BESIDE = 'LEFT JOIN site_count n ON n.site_id = s.id AND n.roster_version = s.roster_version
        AND n.from_at <= :now AND n.until_at > :now';

    public const SHOWN = 'n.learners, n.staff, n.others, n.unlisted, n.seats_held';

    private const COLUMNS = ['learners', 'staff', 'others', 'unlisted', 'seats_held'];

    public function __construct(ManagerRegistry $managers, private readonly Roles $roles)
    {
        parent::__construct($managers);
    }

    /**
     * One statement, three where something has to be counted anew.
     *
     * @param list<string> $sites ids
     *
     * @return array<string, SiteCount> by site id
     */
    public function of(array $sites, int $now): array
    {
        if ([] === $sites) {
            return [];
        }
        sort($sites);
        $counts = $stale = [];
        $rows = $this->rows(
            'SELECT s.id AS site_id, s.roster_version, '.self::SHOWN.'
             FROM site s '.self::BESIDE.'
             WHERE s.id IN (:sites)',
            ['now' => Instant::toSql($now), 'sites' => array_map(Id::binary(...), $sites)],
        );
        foreach ($rows as $row) {
            if (null === $row->intOrNull('learners')) {
                $stale[$row->id('site_id')] = $row->int('roster_version');
            } else {
                $counts[$row->id('site_id')] = $this->read($row);
            }
        }

        return [] === $stale ? $counts : [...$counts, ...$this->anew($stale, $now)];
    }

    /** Of a site as somebody meets it: what stood beside it then, or counted anew. */
    public function ofSite(SiteAccess $access): SiteCount
    {
        return null === $access->row->intOrNull('learners')
            ? $this->of([$access->site->id], $access->now)[$access->site->id] ?? new SiteCount()
            : $this->read($access->row);
    }

    /**
     * Carries a change of one person into the count, where there is one that still holds. Runs inside a transaction,
     * under the site's lock.
     */
    public function changed(string $siteId, int $now, ?Segment $before, Timeline $after): void
    {
        $delta = array_fill_keys(self::COLUMNS, 0);
        foreach ([[-1, $before], [1, $after->at($now)]] as [$by, $segment]) {
            if (null === $segment) {
                continue;
            }
            foreach ($this->countsAs(new Row(Enrollments::columns($segment, $this->roles->book()))) as $column) {
                $delta[$column] += $by;
            }
        }
        $at = Instant::toSql($now);
        $this->execute(
            'UPDATE site_count c JOIN site s ON s.id = c.site_id SET '
                .implode(
                    ', ',
                    array_map(static fn(string $column): string => "c.$column = c.$column + ?", self::COLUMNS),
                )
                .',
                 c.until_at = LEAST(c.until_at, ?), c.roster_version = s.roster_version
             WHERE c.site_id = ? AND c.roster_version >= s.roster_version - 1 AND c.from_at <= ? AND c.until_at > ?',
            [
                ...array_values($delta),
                Instant::toSql($after->nextChange($now) ?? Time::FOREVER),
                Id::binary($siteId),
                $at,
                $at,
            ],
        );
    }

    /**
     * @param non-empty-array<string, int> $sites version of the roster by site id
     *
     * @return array<string, SiteCount>
     */
    private function anew(array $sites, int $now): array
    {
        $counted = $this->countOn(array_keys($sites), $now);
        $at = Instant::toSql($now);
        $counts = $values = [];
        foreach ($sites as $site => $version) {
            $one = $counted[$site];
            $counts[$site] = $this->read(new Row($one->numbers));
            array_push($values, Id::binary($site), $version, $at, $one->until, ...array_values($one->numbers));
        }
        $this->keep($values, \count($sites));

        return $counts;
    }

    /** After changes of many people a site is counted anew. Runs inside a transaction, under the site's lock. */
    public function forget(string $siteId): void
    {
        $this->execute('DELETE FROM site_count WHERE site_id = ?', [Id::binary($siteId)]);
    }

    /** At any instant: as it is now, and what began or ended in between carried back or forth. */
    public function at(string $site, int $instant, int $now): SiteCount
    {
        $count = get_object_vars($this->of([$site], $now)[$site] ?? new SiteCount());
        [$early, $late] = [Instant::toSql(min($instant, $now)), Instant::toSql(max($instant, $now))];
        $columns = 'role, state, listed, holds_seat, COUNT(*) AS people FROM enrollment_segment';
        $rows = $this->rows(
            <<<SQL
                    SELECT 1 AS early, $columns FORCE INDEX (counting)
                    WHERE site_id = ? AND until_at > ? AND until_at <= ? AND from_at <= ?
                    GROUP BY role, state, listed, holds_seat
                    UNION ALL
                    SELECT 0, $columns FORCE INDEX (beginning)
                    WHERE site_id = ? AND from_at > ? AND from_at <= ? AND until_at > ?
                    GROUP BY role, state, listed, holds_seat
                    SQL,
            [Id::binary($site), $early, $late, $early, Id::binary($site), $early, $late, $late],
        );
        foreach ($rows as $row) {
            $by = $row->bool('early') === $instant < $now ? 1 : -1;
            foreach ($this->countsAs($row) as $column) {
                $count['seats_held' === $column ? 'seatsHeld' : $column] += $by * $row->int('people');
            }
        }

        return new SiteCount(...$count);
    }

    /** Those of a site that somebody sees, at any instant. */
    public function seen(string $site, int $instant, Fragment $seen): SiteCount
    {
        $count = get_object_vars(new SiteCount());
        foreach (
            $this->rows(
                'SELECT g.role, g.state, g.listed, g.holds_seat, COUNT(*) AS people
                 FROM enrollment_segment g
                 WHERE g.site_id = :site AND '.Sql::holds('g')." AND $seen->sql
                 GROUP BY g.role, g.state, g.listed, g.holds_seat",
                [...$seen->values, 'site' => Id::binary($site), 'now' => Instant::toSql($instant)],
            ) as $row
        ) {
            foreach ($this->countsAs($row) as $column) {
                $count['seats_held' === $column ? 'seatsHeld' : $column] += $row->int('people');
            }
        }

        return new SiteCount(...$count);
    }

    /** @return list<Row> how many `people` who show are in a `state` from `from_at` to `until_at`, in one site */
    public function stretches(string $site, Fragment $seen = new Fragment('1 = 1', [])): array
    {
        return $this->rows(
            "SELECT g.state, g.from_at, g.until_at, COUNT(*) AS people
             FROM enrollment_segment g
             WHERE g.site_id = :site AND g.listed = 1 AND $seen->sql
             GROUP BY g.state, g.from_at, g.until_at",
            [...$seen->values, 'site' => Id::binary($site)],
        );
    }

    /**
     * @param non-empty-list<string> $sites
     *
     * @return array<string, CountedSite> by site
     */
    private function countOn(array $sites, int $now): array
    {
        $at = Instant::toSql($now);
        $rows = $this->rows(
            <<<'SQL'
                    SELECT site_id, role, state, listed, holds_seat, from_at > ? AS later, COUNT(*) AS people,
                        MIN(IF(from_at > ?, from_at, until_at)) AS changes_at
                    FROM enrollment_segment
                    WHERE site_id IN (?) AND until_at > ?
                    GROUP BY site_id, role, state, listed, holds_seat, later
                    SQL,
            [$at, $at, array_map(Id::binary(...), $sites), $at],
        );
        $counted = array_fill_keys($sites, [
            'learners' => 0,
            'staff' => 0,
            'others' => 0,
            'unlisted' => 0,
            'seats_held' => 0,
        ]);
        $until = array_fill_keys($sites, Instant::toSql(Time::FOREVER));
        foreach ($rows as $row) {
            $site = $row->id('site_id');
            $until[$site] = min($until[$site], $row->string('changes_at'));
            foreach ($row->bool('later') ? [] : $this->countsAs($row) as $column) {
                $counted[$site][$column] = ($counted[$site][$column] ?? 0) + $row->int('people');
            }
        }

        $sites = [];
        foreach ($counted as $site => $numbers) {
            $sites[$site] = new CountedSite($numbers, $until[$site]);
        }

        return $sites;
    }

    /** @return list<'learners'|'staff'|'others'|'unlisted'|'seats_held'> */
    private function countsAs(Row $segment): array
    {
        $state = State::from($segment->string('state'));
        $as = CountedAs::of($state, $this->roles->book()->find($segment->string('role')), $segment->bool('listed'));
        $columns = null === $as ? [] : [$as->value];

        return SeatsHeld::isHeld($state, $segment->bool('holds_seat')) ? [...$columns, 'seats_held'] : $columns;
    }

    /** @param list<string|int> $values */
    private function keep(array $values, int $rows): void
    {
        $columns = ['roster_version', 'from_at', 'until_at', ...self::COLUMNS];
        $places = '(?'.str_repeat(', ?', \count($columns)).')';
        try {
            $this->execute(
                'INSERT INTO site_count (site_id, '
                    .implode(', ', $columns)
                    .') VALUES '
                    .implode(', ', array_fill(0, $rows, $places))
                    .' ON DUPLICATE KEY UPDATE '
                    .implode(
                        ', ',
                        array_map(static fn(string $column): string => "$column = VALUES($column)", $columns),
                    ),
                $values,
            );
        } catch (RetryableException) {
            // Somebody else keeps the same count at the same time; this one is counted again when it is next asked for.
        }
    }

    private function read(Row $row): SiteCount
    {
        return new SiteCount(
            $row->int('learners'),
            $row->int('staff'),
            $row->int('others'),
            $row->int('unlisted'),
            $row->int('seats_held'),
        );
    }
}
