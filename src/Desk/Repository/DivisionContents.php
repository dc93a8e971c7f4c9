<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Row;

/**
 * Whom and what a division has. By hand: thousands go at once, and none of them is looked at otherwise.
 *
 * @extends BaseRepository<Person>
 */
final class DivisionContents extends BaseRepository
{
    protected const ENTITY = Person::class;

    private const AT_ONCE = 1_000;

    /** @return list<Row> id, names and level of everybody of a division who is in the directory, by name */
    public function people(string $division): array
    {
        return $this->rows(
            'SELECT p.id, p.level, p.given_name, p.family_name, p.preferred_name
             FROM person p
             JOIN division d ON d.id = p.division_id
             WHERE d.code = ? AND p.gone IS NULL
             ORDER BY p.sort_name, p.id',
            [$division],
        );
    }

    /** @return list<string> ids of the sites of a division */
    public function sites(string $division): array
    {
        $rows = $this->rows(
            'SELECT s.id FROM site s JOIN division d ON d.id = s.division_id WHERE d.code = ? AND s.taken_back = 0',
            [$division],
        );

        return array_map(static fn(Row $row): string => $row->id('id'), $rows);
    }

    /**
     * Of some people, or of some sites, those that are of a division.
     *
     * @param 'person'|'site' $table
     * @param list<string>    $ids
     *
     * @return list<string> ids
     */
    public function still(string $table, array $ids, string $division): array
    {
        $there = 'person' === $table ? 'x.gone IS NULL' : 'x.taken_back = 0';
        $still = [];
        foreach (array_chunk($ids, self::AT_ONCE) as $some) {
            foreach ($this->rows(
                "SELECT x.id FROM $table x JOIN division d ON d.id = x.division_id
                 WHERE d.code = ? AND $there AND x.id IN (?)",
                [$division, self::binary($some)],
            ) as $row) {
                $still[] = $row->id('id');
            }
        }

        return $still;
    }

    /**
     * Has people, or sites, be of another division.
     *
     * @param 'person'|'site' $table
     * @param list<string>    $ids
     */
    public function move(string $table, array $ids, string $to): void
    {
        foreach (array_chunk($ids, self::AT_ONCE) as $some) {
            $this->execute(
                "UPDATE $table SET division_id = (SELECT id FROM division WHERE code = ?), version = version + 1
                 WHERE id IN (?)",
                [$to, self::binary($some)],
            );
        }
    }
}
