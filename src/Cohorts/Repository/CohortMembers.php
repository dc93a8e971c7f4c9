<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Repository;

use MintDoor\Cohorts\Changed;
use MintDoor\Cohorts\Entity\CohortMember;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Window;
use MintDoor\People\PersonRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Who belongs to which cohort, and when. By hand: of thousands at once.
 *
 * @extends BaseRepository<CohortMember>
 */
final class CohortMembers extends BaseRepository
{
    protected const ENTITY = CohortMember::class;

    private const AT_ONCE = 1000;

    /**
     * @param list<string> $cohorts ids
     * @param list<string> $people  ids
     *
     * @return array<string, array<string, Spans>> by cohort and person; who never belonged is missing
     */
    public function spans(array $cohorts, array $people): array
    {
        $spans = [];
        foreach ([] === $cohorts || [] === $people ? [] : array_chunk($people, self::AT_ONCE) as $some) {
            foreach (
                $this->eachRow(
                    'SELECT cohort_id, person_id, from_at, until_at
                     FROM cohort_member
                     WHERE person_id IN (?) AND cohort_id IN (?)',
                    [self::binary($some), self::binary($cohorts)],
                ) as $row
            ) {
                [$cohort, $person] = [$row->id('cohort_id'), $row->id('person_id')];
                $window = Spans::of(new Window($row->instant('from_at'), $row->instant('until_at')));
                $before = $spans[$cohort][$person] ?? null;
                $spans[$cohort][$person] = null === $before ? $window : $before->or($window);
            }
        }

        return $spans;
    }

    /**
     * Keeps what became of people; what is over by then stays as it is.
     *
     * @param list<Changed> $changes
     * @param ?string       $by      id of who put them there or took them out; null for a rule
     */
    public function keep(array $changes, int $now, ?string $by = null): void
    {
        $people = [];
        foreach ($changes as $change) {
            $people[$change->cohort][] = $change->person;
        }
        foreach ($people as $cohort => $of) {
            foreach (array_chunk($of, self::AT_ONCE) as $some) {
                $this->execute('DELETE FROM cohort_member WHERE cohort_id = ? AND person_id IN (?) AND until_at >= ?', [
                    Id::binary((string) $cohort),
                    self::binary($some),
                    Instant::toSql($now),
                ]);
            }
        }
        $rows = $this->bulk();
        foreach ($changes as $change) {
            foreach ($change->after->windows as $window) {
                // What ended just now was taken away with what was open: it may go on.
                if ($window->until >= $now) {
                    $rows->add('cohort_member', [
                        'cohort_id' => BulkWriter::id($change->cohort),
                        'person_id' => BulkWriter::id($change->person),
                        'from_at' => Instant::toSql($window->from),
                        'until_at' => Instant::toSql($window->until),
                        'put_by' => BulkWriter::id($by),
                    ]);
                }
            }
        }
        $rows->flush();
    }

    /**
     * @return list<string> ids of those who belong to a cohort now or will, or did until after an instant
     */
    public function ofCohort(string $cohort, int $since): array
    {
        $rows = $this->rows(
            'SELECT DISTINCT person_id FROM cohort_member WHERE cohort_id = ? AND until_at > ?',
            [Id::binary($cohort), Instant::toSql($since)],
        );

        return array_map(static fn(Row $row): string => $row->id('person_id'), $rows);
    }

    /**
     * @param list<string> $cohorts ids
     *
     * @return array<string, int> how many belong now, by cohort
     */
    public function counts(array $cohorts, int $now): array
    {
        $counts = array_fill_keys($cohorts, 0);
        $rows = [] === $cohorts ? [] : $this->rows(
            'SELECT cohort_id, COUNT(*) AS people FROM cohort_member
             WHERE cohort_id IN (?) AND from_at <= ? AND until_at > ?
             GROUP BY cohort_id',
            [self::binary($cohorts), Instant::toSql($now), Instant::toSql($now)],
        );
        foreach ($rows as $row) {
            $counts[$row->id('cohort_id')] = $row->int('people');
        }

        return $counts;
    }

    /**
     * Those who belong, or whoever ever did, by name.
     *
     * @param ?Cursor $after sort name, person, and since when
     *
     * @return list<Row> with `PersonRow::COLUMNS`, `from_at` and `until_at`
     */
    public function page(string $cohort, bool $ever, string $q, ?Cursor $after, int $now, int $most): array
    {
        $where = $ever ? '1' : 'm.until_at > :now';
        $values = ['cohort' => Id::binary($cohort), ...$ever ? [] : ['now' => Instant::toSql($now)]];
        foreach (Folding::tokens($q) as $n => $word) {
            $where .= " AND p.terms LIKE :word$n";
            $values["word$n"] = Sql::containing(' '.$word);
        }
        if (null !== $after) {
            $where .= ' AND (p.sort_name, p.id, m.from_at) > (:name, :id, :from)';
            $values += [
                'name' => $after->values[0],
                'id' => Id::binary((string) $after->values[1]),
                'from' => $after->values[2],
            ];
        }

        return $this->rows(
            'SELECT '.PersonRow::COLUMNS.', m.from_at, m.until_at
             FROM cohort_member m
             JOIN person p ON p.id = m.person_id
             JOIN division pd ON pd.id = p.division_id
             LEFT JOIN account a ON a.person_id = p.id'
                ." WHERE m.cohort_id = :cohort AND $where
             ORDER BY p.sort_name, p.id, m.from_at
             LIMIT $most",
            $values,
        );
    }

    /** @return list<string> ids of the cohorts by list that somebody belongs to */
    public function listsOf(string $person, int $now): array
    {
        $rows = $this->rows(
            'SELECT m.cohort_id
             FROM cohort_member m
             JOIN cohort c ON c.id = m.cohort_id AND c.rule IS NULL AND c.put_away_at IS NULL
             WHERE m.person_id = ? AND m.from_at <= ? AND m.until_at > ?
             ORDER BY m.cohort_id',
            [Id::binary($person), Instant::toSql($now), Instant::toSql($now)],
        );

        return array_map(static fn(Row $row): string => $row->id('cohort_id'), $rows);
    }

    /**
     * The cohorts of somebody, those they belonged to included.
     *
     * @return list<CohortMember> the last first
     */
    public function ofPerson(string $person): array
    {
        return $this->findBy(['person' => $person], ['fromAt' => 'DESC']);
    }
}
