<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use MintDoor\People\Entity\FactChange;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Row;

/**
 * What rules read and became another, noted in the transaction that changed it. By hand: it is on the way of every
 * change of a roster (`bin/bench`), and of labels of thousands.
 *
 * @extends BaseRepository<FactChange>
 */
final class FactChanges extends BaseRepository
{
    protected const ENTITY = FactChange::class;

    public const PERSON = 'person';

    public const LABELS = 'labels';

    /**
     * Notes that something of people became another, where a rule reads it. Runs with these people locked: a rule that
     * is kept at the same time looks at them once they are not, and cannot overlook what is changed here.
     *
     * @param list<string> $people ids
     * @param string       $what   one of the constants here, or the id of a site
     */
    public function note(array $people, string $what): void
    {
        $watched = [] === $people
            ? null
            : $this->row('SELECT 1 FROM fact_watched WHERE what = ?', [$what]);
        if (null === $watched) {
            return;
        }
        $rows = $this->bulk();
        foreach ($people as $person) {
            $rows->add('fact_change', ['person' => BulkWriter::id($person), 'what' => $what]);
        }
        $rows->flush();
    }

    /** @param list<string> $what everything that is read from now on */
    public function watch(array $what): void
    {
        $watched = array_map(
            static fn(Row $row): string => $row->string('what'),
            $this->rows('SELECT what FROM fact_watched'),
        );
        $rows = $this->bulk();
        foreach (array_diff($what, $watched) as $each) {
            $rows->add('fact_watched', ['what' => $each], ignore: true);
        }
        $rows->flush();
        $gone = array_values(array_diff($watched, $what));
        [] === $gone || $this->execute('DELETE FROM fact_watched WHERE what IN (?)', [$gone]);
    }

    /** @return list<string> numbers of the oldest; read before the transaction that takes them */
    public function oldest(int $most): array
    {
        $rows = $this->rows("SELECT id FROM fact_change ORDER BY id LIMIT $most");

        return array_map(static fn(Row $row): string => $row->string('id'), $rows);
    }

    /**
     * Takes some of them, without those that another process has in hand.
     *
     * @param list<string> $numbers
     *
     * @return array<string, list<string>> by person: what became another, each once
     */
    public function take(array $numbers): array
    {
        $changed = $taken = [];
        foreach (
            $this->rows('SELECT id, person, what FROM fact_change WHERE id IN (?) FOR UPDATE SKIP LOCKED', [
                $numbers ?: ['0'],
            ]) as $row
        ) {
            $changed[$row->id('person')][$row->string('what')] = true;
            $taken[] = $row->string('id');
        }
        if ([] !== $taken) {
            $this->execute('DELETE FROM fact_change WHERE id IN (?)', [$taken]);
        }

        return array_map(static fn(array $what): array => array_map(strval(...), array_keys($what)), $changed);
    }

    /** Whether something is still to be looked at. */
    public function waits(): bool
    {
        return null !== $this->row('SELECT 1 FROM fact_change LIMIT 1');
    }
}
