<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Cohorts\Entity\Cohort;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Row;

/**
 * Cohorts. By hand: all are looked at anew where divisions became others.
 *
 * @extends BaseRepository<Cohort>
 */
final class Cohorts extends BaseRepository
{
    protected const ENTITY = Cohort::class;

    /** @return list<Cohort> all that were not put away, by name */
    public function there(): array
    {
        return $this->findBy(['putAwayAt' => null], ['name' => 'ASC', 'id' => 'ASC']);
    }

    /** One that was not put away. */
    public function one(string $id): ?Cohort
    {
        return $this->findOneBy(['id' => $id, 'putAwayAt' => null]);
    }

    /** Nobody else changes it, or looks at its people, before this transaction ends. */
    public function locked(string $id): ?Cohort
    {
        $cohort = null === $this->one($id) ? null : $this->find($id, LockMode::PESSIMISTIC_WRITE);

        return null === $cohort?->putAwayAt ? $cohort : null;
    }

    /** What becomes another text whenever a cohort or a connection is made, changed or taken away. */
    public function fingerprint(): string
    {
        $row = $this->row(
            'SELECT COUNT(*) AS cohorts, COALESCE(SUM(version), 0) AS versions,
                (SELECT COUNT(*) FROM cohort_link) AS links,
                (SELECT COUNT(*) FROM cohort_link WHERE ended_at IS NULL) AS open,
                (SELECT COALESCE(SUM(version), 0) FROM cohort_link) AS changes
             FROM cohort',
        );

        return implode(' ', [
            $this->database(),
            $row?->int('cohorts'),
            $row?->int('versions'),
            $row?->int('links'),
            $row?->int('open'),
            $row?->int('changes'),
        ]);
    }

    /** @return list<string> ids of those of which everybody is to be looked at */
    public function stale(): array
    {
        $rows = $this->rows('SELECT id FROM cohort WHERE stale = 1 AND put_away_at IS NULL ORDER BY id');

        return array_map(static fn(Row $row): string => $row->id('id'), $rows);
    }

    /** What follows from what is changed by one at a time: two who each see no ring must not close one together. */
    public function takeTurns(): void
    {
        $this->rows('SELECT id FROM cohort ORDER BY id FOR UPDATE');
    }

    /** Has everybody looked at anew where what divisions are parts of may be another than then. */
    public function lookAgainUnder(int $settings): void
    {
        $rows = $this->rows('SELECT 1 FROM cohort WHERE settings <> ? AND put_away_at IS NULL LIMIT 1', [$settings]);
        [] === $rows || $this->execute(
            'UPDATE cohort SET stale = IF(rule IS NULL, 0, 1), looked_to = NULL, settings = ? WHERE settings <> ?',
            [$settings, $settings],
        );
    }

    /** Everybody of all cohorts is looked at anew. */
    public function lookAgain(): void
    {
        $this->execute('UPDATE cohort SET stale = 1, looked_to = NULL WHERE rule IS NOT NULL AND put_away_at IS NULL');
    }
}
