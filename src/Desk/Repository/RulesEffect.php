<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Desk\AlikeToRules;
use MintDoor\Desk\PeopleAlike;
use MintDoor\People\AlikeNumber;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
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

    /** Room for what is counted. */
    private const WITH_ROOM = 'SET STATEMENT tmp_memory_table_size = 536870912, max_heap_table_size = 536870912 FOR ';

    public function __construct(
        ManagerRegistry $managers,
        private readonly Divisions $divisions,
        private readonly AlikePeople $people,
    ) {
        parent::__construct($managers);
    }

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

    /** @return list<Person> one of each kind, division and level there is */
    public function kindsOfPeople(): array
    {
        return array_map(
            static fn(PeopleAlike $each): Person => new Person(
                '',
                PersonKind::from($each->kind),
                $each->division,
                $each->level,
            ),
            $this->people->counted(),
        );
    }

    /**
     * Everybody who holds one of some roles, counted by who is alike.
     *
     * @param non-empty-list<string> $touched codes of roles
     * @param list<AlikeToRules>     $alike   none where it does not matter who they are
     * @param list<string>           $states
     *
     * @return \Traversable<int, Row> with `site`, binary, `roles`, `what`, the place of those alike, and `people`
     */
    public function holders(array $touched, array $alike, array $states, int $now): \Traversable
    {
        $values = ['now' => Instant::toSql($now), 'states' => $states];
        // Most hold one role.
        $likes = ['g.roles IN (:touched)'];
        $values['touched'] = $touched;
        foreach ($touched as $n => $code) {
            $likes[] = "g.roles LIKE '% %' AND CONCAT(' ', g.roles, ' ') LIKE :role$n";
            $values["role$n"] = '% '.$code.' %';
        }
        $where = Sql::holds('g').' AND g.state IN (:states) AND ('.implode(' OR ', $likes).')';
        $what = '0';
        if ([] !== $alike) {
            $numbers = $this->numbersOf($alike);
            $where .= ' AND g.alike IN ('.implode(', ', array_merge(...$numbers)).')';
            foreach (\array_slice($numbers, 1, preserve_keys: true) as $place => $some) {
                $what = 'IF(g.alike IN ('.implode(', ', $some)."), $place, $what)";
            }
        }

        // Roles are long and mostly the same: what tells them apart is enough to group by.
        return $this->eachRow(
            self::WITH_ROOM."
                SELECT g.site_id AS site, MIN(g.roles) AS roles, $what AS what, COUNT(*) AS people
                FROM enrollment_segment g
                WHERE $where
                GROUP BY g.site_id, CRC32(g.roles), what",
            $values,
        );
    }

    /**
     * @param non-empty-list<AlikeToRules> $alike
     *
     * @return non-empty-list<non-empty-list<int>> the numbers of those alike
     */
    private function numbersOf(array $alike): array
    {
        $divisions = $this->divisions->all();

        return array_map(
            static fn(AlikeToRules $each): array => array_map(
                static fn(Person $person): int => AlikeNumber::of(
                    $person->kind->value,
                    ($divisions[$person->division] ?? null)->id ?? Id::NONE,
                    $person->level,
                ),
                $each->of,
            ),
            $alike,
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
