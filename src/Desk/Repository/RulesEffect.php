<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Whom other rules would affect. By hand: all enrollments of the platform are counted at once (`bin/bench`: preview of
 * a change of rules among a million).
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class RulesEffect extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    /** So that a million people are looked up in the order in which they lie, and not one by one. */
    private const WITH_ROOM = 'SET STATEMENT join_cache_level = 8, join_buffer_size = 33554432,
        join_buffer_space_limit = 67108864, tmp_memory_table_size = 67108864, max_heap_table_size = 67108864 FOR ';

    /** Locks every site: whoever changes people in one reads the rules again under its lock. */
    public function lockAllSites(): void
    {
        $this->execute('UPDATE site SET roster_version = roster_version + 1');
    }

    /**
     * How many people hold a role or will, in all sites.
     *
     * @param list<string> $states
     */
    public function holdersOf(string $role, array $states, int $now): int
    {
        return $this->number(
            <<<'SQL'
                SELECT COUNT(DISTINCT site_id, person_id)
                FROM enrollment_segment
                WHERE until_at > ? AND state IN (?) AND CONCAT(' ', roles, ' ') LIKE ?
                SQL,
            [Instant::toSql($now), $states, '% '.$role.' %'],
        );
    }

    /**
     * Everybody who holds one of some roles, counted by what is alike of them.
     *
     * @param non-empty-list<string> $touched codes of roles
     * @param bool                   $whose   whether kind, level and division are asked for
     * @param list<string>           $states
     *
     * @return \Traversable<int, Row> with `site`, binary, `roles`, `kind`, `level`, `division` and `people`
     */
    public function holders(array $touched, bool $whose, array $states, int $now): \Traversable
    {
        $values = ['now' => Instant::toSql($now), 'states' => $states];
        $likes = [];
        foreach ($touched as $n => $code) {
            $likes[] = "CONCAT(' ', g.roles, ' ') LIKE :role$n";
            $values["role$n"] = '% '.$code.' %';
        }
        $columns = $whose ? 'p.kind, p.level, d.code' : "'staff'";
        $joins = $whose
            ? 'STRAIGHT_JOIN person p ON p.id = g.person_id JOIN division d ON d.id = p.division_id'
            : '';

        return $this->eachRow(
            self::WITH_ROOM.'
             SELECT g.site_id AS site, g.roles, '.($whose
                ? 'p.kind, p.level, d.code AS division'
                : "'staff' AS kind, NULL AS level, '' AS division").', COUNT(*) AS people
             FROM enrollment_segment g '.$joins.'
             WHERE '.Sql::holds('g').' AND g.state IN (:states) AND ('.implode(' OR ', $likes).')
             GROUP BY g.site_id, g.roles, '.$columns,
            $values,
        );
    }

    /** @return \Traversable<int, Row> with `kind` and `number`, of everybody who has one */
    public function numbers(): \Traversable
    {
        return $this->eachRow('SELECT kind, number FROM person WHERE number IS NOT NULL');
    }

    public function sitesWithMoreSeats(int $than): int
    {
        return $this->number('SELECT COUNT(*) FROM site WHERE seats > ?', [$than]);
    }

    public function sitesWithMoreLeads(int $than, int $now): int
    {
        return $this->number(
            'SELECT COUNT(*)
             FROM (
                SELECT g.site_id
                FROM enrollment_segment g
                JOIN site s ON s.id = g.site_id
                WHERE s.lead_limit IS NULL AND g.leads = 1 AND '.Sql::holds('g').'
                GROUP BY g.site_id
                HAVING COUNT(*) > :than
             ) over_limit',
            ['now' => Instant::toSql($now), 'than' => $than],
        );
    }

    /** @return list<string> every combination of roles that segments have, codes separated by blanks */
    public function combinations(): array
    {
        $rows = $this->rows('SELECT DISTINCT roles FROM enrollment_segment');

        return array_map(static fn(Row $row): string => $row->string('roles'), $rows);
    }

    /** What segments of a combination of roles keep of the highest. */
    public function reshape(string $roles, string $role, int $rank, bool $listed): void
    {
        $this->execute('UPDATE enrollment_segment SET role = ?, `rank` = ?, listed = ? WHERE roles = ?', [
            $role,
            $rank,
            (int) $listed,
            $roles,
        ]);
    }

    /** @return array<string, non-empty-list<string>> ids of people who have or had a combination of roles, by site */
    public function bearersOf(string $roles): array
    {
        $people = [];
        $sql = 'SELECT DISTINCT site_id, person_id FROM enrollment_segment WHERE roles = ?';
        foreach ($this->rows($sql, [$roles]) as $row) {
            $people[$row->id('site_id')][] = $row->id('person_id');
        }

        return $people;
    }
}
